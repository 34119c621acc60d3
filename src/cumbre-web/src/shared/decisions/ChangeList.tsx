import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useState } from "react";
import { useUnit } from "../account/useMe";
import type { DecisionDetails } from "../api/types";
import { dayWeek } from "../ui/format";
import { QuietButton } from "../ui/QuietButton";
import { StatusShape } from "../ui/StatusShape";
import { cautionText } from "../why/wording";
import { useRead } from "../notation/useRead";
import { say } from "../../words/decisions";

type Change = DecisionDetails["changes"][number];

export const shownFirst = 4;

const textOf = (c: Change, read: (line: string) => string) =>
  c.before
    ? `${read(c.before.line)} → ${c.after.movement === c.before.movement ? "" : `${c.after.name}, `}${read(c.after.line)}`
    : say("added", { name: c.after.name, line: read(c.after.line) });

/** Which coming sessions change, from what to what; a line written by hand is changed only when it is ticked. */
export function ChangeList({
  changes,
  also,
  onAlso,
}: {
  changes: Change[];
  also?: string[];
  onAlso?: (items: string[]) => void;
}) {
  const [all, setAll] = useState(false);
  const read = useRead();
  const unit = useUnit();
  if (changes.length === 0) return null;
  const asked = changes.filter((c) => c.isQuestion);
  const plain = changes.filter((c) => !c.isQuestion);
  const asks = changes.flatMap((c) => c.asks.map((note) => ({ day: c.day, item: c.item, note })));
  return (
    <Box
      component="ul"
      aria-label={say("whatChanges")}
      sx={{ listStyle: "none", m: 0, p: 0, mt: 1, fontSize: 13, lineHeight: "19px" }}
    >
      {plain.slice(0, all ? undefined : shownFirst).map((c) => (
        <li key={`${c.item}-${c.after.movement}-${c.day}`}>
          <Day>{dayWeek(c.day)}</Day> {textOf(c, read)}
        </li>
      ))}
      {plain.length > shownFirst && (
        <li>
          <QuietButton onClick={() => setAll(!all)}>
            {all ? say("fewer") : say("allSessions", { plain: plain.length })}
          </QuietButton>
        </li>
      )}
      {asks.map(({ day, item, note }) => (
        <Box component="li" key={`${item}-${note.id}`} sx={{ display: "flex", gap: 2 }}>
          <StatusShape status={note.id === "PatternStopped" ? "stop" : "caution"} />
          <span>
            <Day>{dayWeek(day)}</Day> {cautionText(note, unit)}
          </span>
        </Box>
      ))}
      {asked.map((c) => (
        <li key={c.item}>
          {onAlso && also ? (
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  sx={{ py: 0 }}
                  checked={also.includes(c.item)}
                  onChange={(_, on) => onAlso(on ? [...also, c.item] : also.filter((i) => i !== c.item))}
                />
              }
              slotProps={{ typography: { sx: { fontSize: 13 } } }}
              label={say("writtenByHandChangeItToo", { day: dayWeek(c.day), c: textOf(c, read) })}
            />
          ) : (
            <>
              <Day>{dayWeek(c.day)}</Day> {say("writtenByHandStaysUnlessYouTick", { c: textOf(c, read) })}
            </>
          )}
        </li>
      ))}
    </Box>
  );
}

function Day({ children }: { children: React.ReactNode }) {
  return (
    <Box component="span" sx={{ color: "text.secondary", mr: 1 }}>
      {children}
    </Box>
  );
}
