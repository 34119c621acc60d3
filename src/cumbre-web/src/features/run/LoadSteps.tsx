import Box from "@mui/material/Box";
import type { MassUnit } from "../../shared/api/types";
import { loadText, targetOf } from "../../shared/run/runText";
import { loadOf, type Step } from "../../shared/run/session";
import type { Running } from "../../shared/run/useRun";
import { toKilograms } from "../../shared/ui/format";
import { say } from "../../words/run";

const tallest = 64;
const lowest = 44;

function partsOf({ steps }: Running, step: Step) {
  return steps.filter((s) => s.item.id === step.item.id && s.effort.set === step.effort.set);
}

/** Does the load change inside the set? */
export const hasLoadSteps = (running: Running, step: Step) =>
  new Set(partsOf(running, step).map((p) => toKilograms(loadOf(p, running.place).added))).size > 1;

/** The parts of a set whose load falls from part to part: what is done, what comes, and how far down it goes. */
export function LoadSteps({ running, step, unit }: { running: Running; step: Step; unit: MassUnit }) {
  const { place } = running;
  const parts = partsOf(running, step);
  const loads = parts.map((p) => toKilograms(loadOf(p, place).added));
  const [high, low] = [Math.max(...loads), Math.min(...loads)];
  if (high === low) return null;
  return (
    <Box
      component="ol"
      aria-label={say("partsOfSet")}
      sx={{
        listStyle: "none",
        m: 0,
        p: 0,
        display: "flex",
        alignItems: "end",
        gap: "2px",
        borderBottom: 1,
        borderColor: "line2",
      }}
    >
      {parts.map((part, i) => (
        <Box
          component="li"
          key={part.key}
          aria-current={part.key === step.key ? "step" : undefined}
          sx={{
            flex: 1,
            minWidth: 0,
            px: 2,
            display: "flex",
            flexDirection: "column",
            justifyContent: "end",
            overflow: "hidden",
            fontSize: 15,
            lineHeight: "19px",
            pb: 1,
            borderTop: "2px solid",
            borderColor: "text.primary",
            bgcolor: part.state === "done" ? "glacierMid" : "background.paper",
            fontWeight: part.key === step.key ? 700 : 400,
            color: part.state === "open" && part.key !== step.key ? "text.secondary" : "text.primary",
            boxShadow: part.key === step.key ? "inset 0 -4px 0 var(--mui-palette-primary-main)" : "none",
          }}
          style={{ height: lowest + ((tallest - lowest) * (loads[i]! - low)) / (high - low) }}
        >
          <Box component="span" sx={{ whiteSpace: "nowrap" }}>
            {say("partAt", { reps: targetOf(part).figure, load: loadText(loadOf(part, place), unit) })}
          </Box>
          {part.effort.grip && (
            <Box component="span" sx={{ fontWeight: 400 }}>
              {part.effort.grip.toLowerCase()}
            </Box>
          )}
        </Box>
      ))}
    </Box>
  );
}
