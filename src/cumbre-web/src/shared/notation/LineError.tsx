import type { NotationError } from "../api/types";
import { WaysOn } from "./Ways";
import { notationMessage } from "./wording";

const LONGEST = 24;

/** What is wrong with a line, at which piece of it, and the lines that may be meant at one press. */
export function LineError({
  line,
  error,
  onTake,
}: {
  line: string;
  error: NotationError;
  onTake?: (line: string) => void;
}) {
  const piece = error.fault === "Ambiguous" ? "" : line.slice(error.start, error.start + error.length).trim();
  return (
    <>
      {piece && <b>“{piece.length > LONGEST ? `${piece.slice(0, LONGEST)}…` : piece}”</b>}
      {piece && (error.fault === "Unexpected" ? " " : ": ")}
      {notationMessage(error)}
      {onTake && <WaysOn error={error} onTake={onTake} />}
    </>
  );
}
