import Box from "@mui/material/Box";
import type { LineMisfit, MisfitKind } from "../api/types";
import { Ways } from "./Ways";
import { say } from "../../words/notation";

const words: Record<MisfitKind, string> = {
  RepsOnHold: say("thisIsHeldWriteSeconds"),
  SecondsOnReps: say("thisIsCountedWriteReps"),
  SidesMissing: say("oneSideWorksAtATimeWrite"),
  SidesOnBoth: say("bothSidesWorkAtOnceNoSides"),
  LoadNotHung: say("noLoadIsHungOnThis"),
  KitMakesOther: say("theKitDoesNotMakeThisLoad"),
};

/** What a line says that its movement or the kit does not do, with the lines that were meant at one press. */
export function Misfits({ misfits, onTake }: { misfits: LineMisfit[]; onTake?: (line: string) => void }) {
  // One line can mend several: it is offered once, behind the last of them.
  const last = (way: string) => misfits.findLast((m) => m.ways.includes(way));
  return misfits.map((m) => (
    <Box key={m.kind} data-testid="misfit" sx={{ color: "warning.main" }}>
      {words[m.kind]}
      {onTake && <Ways ways={m.ways.filter((w) => last(w) === m)} onTake={onTake} />}
    </Box>
  ));
}
