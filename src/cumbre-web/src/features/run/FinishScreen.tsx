import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Running } from "../../shared/run/useRun";
import { announce } from "../../shared/ui/announce";
import { clock } from "../../shared/ui/format";
import { say } from "../../words/run";
import { Choices, Large, Primary } from "../../shared/run/Big";

/** The end: what is open still, how hard it was, and the last press. */
export function FinishScreen({ running }: { running: Running }) {
  const run = running.run!;
  const { pack } = run;
  const open = running.steps.filter((s) => s.state === "open").length;
  const done = running.steps.filter((s) => s.state === "done").length;
  const ended = Math.max(0, ...run.items.flatMap((i) => i.sets.map((s) => s.at ?? 0)));
  const took = running.place.openedAt === null || ended === 0 ? null : (ended - running.place.openedAt) / 60_000;
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      <Typography variant="h1" data-step tabIndex={-1} sx={{ fontSize: 28, lineHeight: "34px", outline: "none" }}>
        {run.done ? say("finished") : done === 0 ? say("nothingDone") : say("allDone")}
      </Typography>
      {took !== null && (
        <Typography sx={{ fontSize: 18 }}>
          {say("tookMinutes", { minutes: Math.round(took), planned: Math.round(pack.seconds / 60) })}
        </Typography>
      )}
      {open > 0 && <Typography sx={{ fontSize: 18 }}>{say("openSets", { open })}</Typography>}
      {pack.coolDown.text && !run.done && (
        <Box>
          <Typography variant="h2" sx={{ fontSize: 17 }}>
            {`${say("coolDown")} ${clock(pack.coolDown.seconds)}`}
          </Typography>
          <Typography sx={{ fontSize: 18 }}>{pack.coolDown.text}</Typography>
        </Box>
      )}
      {done > 0 && (
        <Box>
          <Typography sx={{ fontSize: 18, fontWeight: 600, mb: 2 }}>{say("howHard")}</Typography>
          <Choices
            label={say("howHard")}
            columns={5}
            value={run.effort}
            onChoose={(effort) => running.note({ kind: "Effort", effort })}
            choices={Array.from({ length: 10 }, (_, i) => ({ value: i + 1, text: String(i + 1) }))}
          />
        </Box>
      )}
      {run.done ? (
        <>
          <Typography sx={{ fontSize: 18 }}>{say("finishedText")}</Typography>
          <Typography component={Link} to="/" color="primary" sx={{ fontSize: 18, minHeight: 48 }}>
            {say("backToToday")}
          </Typography>
        </>
      ) : (
        done > 0 && (
          <Primary
            onClick={() => {
              running.note({ kind: "Finish" });
              announce(say("finished"));
            }}
          >
            {open > 0 ? say("finishAnyway") : say("finish")}
          </Primary>
        )
      )}
      {!run.done && (
        <Box sx={{ display: "grid", gap: 2 }}>
          {run.items
            .filter((i) => i.left !== null && i.taker === null)
            .map((item) => (
              <Large
                key={item.id}
                height={52}
                onClick={() => running.note({ kind: "Skip", item: item.id, reason: null })}
              >
                {say("resumeItem", { name: item.movement.name, reason: item.left! })}
              </Large>
            ))}
          {done > 0 && open === 0 && (
            <Large
              onClick={() => {
                const last = running.steps.findLast((s) => s.state === "done")!;
                const planned = Math.max(...(last.item.plan?.efforts ?? []).map((e) => e.set));
                const sets = Math.max(planned, ...last.item.sets.map((s) => s.set));
                running.move({
                  extra: { ...running.place.extra, [last.item.id]: sets - planned + 1 },
                  chosen: last.item.id,
                });
              }}
            >
              {say("extraSet")}
            </Large>
          )}
        </Box>
      )}
    </Box>
  );
}
