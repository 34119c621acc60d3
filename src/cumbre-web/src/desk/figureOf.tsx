import type { Decision, DecisionDetails } from "../api/types";
import { dayWeek, plural } from "../ui/format";
import type { OpenFigure } from "../why/WhyContext";
import { ChangeList } from "./ChangeList";
import { headline, overruledText } from "./wording";

/** A decision as a figure that can be opened: its line, or what it says where there is none. */
export function figureOf(d: Decision, { why, changes }: DecisionDetails): OpenFigure {
  const { before, figure } = headline(d);
  return {
    key: figureKey(d),
    shown: figure ?? before,
    subject: [d.athleteName, d.movementName].filter(Boolean).join(", "),
    why,
    note: d.before ? <>was {d.before}</> : undefined,
    effect: (
      <>
        {effect(d, changes)} {overruledText(d)}
        <ChangeList changes={changes} />
      </>
    ),
  };
}

export const figureKey = (d: Decision) => `decision-${d.id}`;

function effect(d: Decision, changes: DecisionDetails["changes"]) {
  if (d.kind === "Refer")
    return (
      <>
        <b>Accepting confirms</b> the stop: nothing that loads this place is progressed until you clear it with a
        reason. Refer to licensed practice.
      </>
    );
  if (changes.length > 0)
    return (
      <>
        <b>Accepting changes</b> {plural(new Set(changes.map((c) => c.day)).size, "session")}. Undo until one of them
        has begun.
      </>
    );
  if (!d.next || d.confirms || d.kind === "Achieved") return <>Accepting changes no session.</>;
  return (
    <>
      <b>Accepting plans</b> the next session, {dayWeek(d.nextDay)}. Undo until its first set is logged.
    </>
  );
}
