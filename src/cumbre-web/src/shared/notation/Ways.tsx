import Button from "@mui/material/Button";
import type { NotationError } from "../api/types";
import { say } from "../../words/notation";

/** The ways on from a line that cannot be read, or that can mean several things: each by one press. */
export function Ways({ ways = [], onTake }: { ways: string[] | undefined; onTake: (line: string) => void }) {
  return ways.map((way) => (
    <Button key={way} size="small" onClick={() => onTake(way)} sx={{ ml: 2, minHeight: 24 }}>
      {way}
    </Button>
  ));
}

/** What a line with an error was meant to be, or else the lines that are near to it. */
export function WaysOn({ error, onTake }: { error: NotationError; onTake: (line: string) => void }) {
  const nearest = error.nearest ?? [];
  return (
    <>
      <Ways ways={error.ways} onTake={onTake} />
      {nearest.length > 0 && (
        <>
          {" "}
          {say("perhaps")}
          <Ways ways={nearest} onTake={onTake} />
        </>
      )}
    </>
  );
}
