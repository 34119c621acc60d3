import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { EntryOutcome, LoggedSet, MassUnit } from "../../shared/api/types";
import { device } from "../../shared/run/deviceHere";
import { doneText } from "../../shared/run/runText";
import type { Running } from "../../shared/run/useRun";
import { say } from "../../words/run";
import { Large } from "../../shared/run/Big";

/** What two devices told differently is asked once, and what the server would not take is told at its place. */
export function Differences({ running, unit }: { running: Running; unit: MassUnit }) {
  const { state, run } = running;
  const session = run!.pack.id;
  const answered = new Set(state.entries.filter((e) => e.entry.kind === "Answer").map((e) => e.entry.of));
  const week = state.weeks.find((w) => w.athlete === run!.pack.athleteId)?.week;
  const here = state.entries
    .filter(
      (e) => e.entry.session === session && e.outcome === ("Asked" satisfies EntryOutcome) && e.stored && e.entry.set,
    )
    .map((e) => ({ id: e.id, item: e.entry.item!, stored: e.stored!, other: e.entry.set! }));
  const elsewhere = (week?.asked ?? [])
    .filter((a) => a.session === session && a.stored && here.every((h) => h.id !== a.id))
    .map((a) => ({ id: a.id, item: a.item, stored: a.stored!, other: a.other }));
  const open = [...here, ...elsewhere].filter((d) => !answered.has(d.id));
  const refused = state.entries.filter((e) => e.entry.session === session && e.outcome === "Refused");
  const name = (item: string | null | undefined) => run!.items.find((i) => i.id === item)?.movement.name ?? "";
  return (
    <>
      {open.map((d) => (
        <Box
          key={d.id}
          component="section"
          aria-label={say("differ")}
          sx={{ border: "2px solid", borderColor: "cautionMark", p: 3, mb: 3, display: "grid", gap: 2 }}
        >
          <Typography sx={{ fontSize: 18 }}>{say("differText", { name: name(d.item), set: d.stored.set })}</Typography>
          {(["Stored", "Other", "Both"] as const).map((answer) => (
            <Large
              key={answer}
              height={52}
              onClick={() => running.note({ kind: "Answer", item: d.item, of: d.id, answer })}
            >
              {answer === "Both"
                ? say("bothDone")
                : answer === "Stored"
                  ? say("keepStored", { done: doneText(d.stored, unit) })
                  : say("takeOther", { done: doneText(d.other as LoggedSet, unit) })}
            </Large>
          ))}
        </Box>
      ))}
      {refused.map((e) => (
        <Box key={e.id} role="alert" sx={{ border: "2px solid", borderColor: "error.main", p: 3, mb: 3 }}>
          <Typography sx={{ fontSize: 18, mb: 2 }}>
            {say("refusedSet", {
              name: name(e.entry.item),
              set: e.entry.set?.set ?? 0,
              reason: e.message ?? "",
            })}
          </Typography>
          <Large height={52} onClick={() => device.forget([e.id])}>
            {say("putAway")}
          </Large>
        </Box>
      ))}
    </>
  );
}
