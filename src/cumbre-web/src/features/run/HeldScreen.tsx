import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { placeChoices } from "../../shared/athletes/painPlaces";
import { doseText } from "../../shared/run/runText";
import { heldOf, type Held, type Run, type Step } from "../../shared/run/session";
import type { Running } from "../../shared/run/useRun";
import { inSentence, sideWord } from "../../shared/ui/nameWords";
import { StatusShape } from "../../shared/ui/StatusShape";
import { say } from "../../words/run";
import { Large, Primary } from "../../shared/run/Big";
import { column } from "./SetScreen";

/** Pain in the middle of the scale: the eased form is offered before the next set. */
export function HeldScreen({ running, step, held }: { running: Running; step: Step; held: Held }) {
  const { item } = step;
  const place = placeChoices.find((c) => c.said === held.said)?.place ?? "Elsewhere";
  const forms = item.pack.alternates.filter((a) => a.kind === "Eased" && a.places.includes(place));
  return (
    <Box sx={{ display: "grid", gap: 4 }}>
      <Typography variant="h1" data-step tabIndex={-1} sx={{ fontSize: 24, lineHeight: "30px", outline: "none" }}>
        <StatusShape status="caution" title="" /> {say("eased", { said: held.said, level: held.level })}
      </Typography>
      {forms.map((form, i) => (
        <Primary
          key={form.id}
          // One key presses one button.
          {...(i > 0 && { keyed: null })}
          onClick={() =>
            running.note({
              kind: "Swap",
              item: item.id,
              to: form.id,
              reason: say("painReason", { said: held.said, level: held.level }),
            })
          }
        >
          {say("easedForm", { name: form.movement.name, line: doseText(form.plan.line) })}
        </Primary>
      ))}
      <Large
        onClick={() =>
          running.note({
            kind: "Skip",
            item: item.id,
            reason: say("painReason", { said: held.said, level: held.level }),
          })
        }
      >
        {item.sets.length > 0 ? say("skipRest") : say("skip")}
      </Large>
      <Large onClick={() => running.move({ planned: [...running.place.planned, item.id] })}>
        {say("goOnAsPlanned")}
      </Large>
    </Box>
  );
}

/** The upper end of the scale, or a stop sign: what is held ends at once. */
export function StopScreen({ run, said, onClose }: { run: Run; said: string; onClose: () => void }) {
  const names = run.items
    .map((i) => ({ name: inSentence(i.movement.name), held: heldOf(run, i) }))
    .filter(({ held }) => held?.stopped)
    .map(({ name, held }) => (held!.side ? say("nameSide", { name, side: sideWord[held!.side] }) : name))
    .filter((name, i, all) => all.indexOf(name) === i);
  return (
    <Box role="alert" sx={{ ...column, gap: 4, border: "3px solid", borderColor: "error.main", p: 4 }}>
      <Typography variant="h1" data-step tabIndex={-1} sx={{ fontSize: 28, lineHeight: "34px", outline: "none" }}>
        <StatusShape status="stop" title="" /> {say("stopNow", { said })}
      </Typography>
      <Typography sx={{ fontSize: 20, lineHeight: "28px" }}>
        {placeChoices.find((c) => c.said === said)?.place === "Hand"
          ? say("stopSkin")
          : say("stopText", { names: names.join(", ") })}
      </Typography>
      <Primary onClick={onClose} sx={{ mt: "auto" }}>
        {say("understood")}
      </Primary>
    </Box>
  );
}
