import Button from "@mui/material/Button";

/** The ways on from a line that cannot be read, or that can mean several things: each by one press. */
export function Ways({ ways = [], onTake }: { ways: string[] | undefined; onTake: (line: string) => void }) {
  return ways.map((way) => (
    <Button key={way} size="small" onClick={() => onTake(way)} sx={{ ml: 2, minHeight: 24 }}>
      {way}
    </Button>
  ));
}
