import type { Decision, DecisionDetails, MassUnit } from "../api/types";
import { dayWeek, listed } from "../ui/format";
import type { OpenFigure } from "../why/WhyContext";
import { shownLine } from "../notation/shownLine";
import { ChangeList } from "./ChangeList";
import { headline, overruledText } from "./wording";
import { say } from "../../words/decisions";

/** A decision as a figure that can be opened: its line, or what it says where there is none. */
export function figureOf(d: Decision, { why, changes }: DecisionDetails, unit: MassUnit): OpenFigure {
  const { before, figure } = headline(d, unit);
  return {
    key: figureKey(d),
    shown: figure ?? before,
    subject: listed(d.athleteName, d.movementName),
    why,
    note: d.before ? <>{say("was2", { before: shownLine(d.before, unit) })}</> : undefined,
    effect: (
      <>
        {effect(d, changes)} {overruledText(d)}
        <ChangeList changes={changes} />
      </>
    ),
  };
}

export const figureKey = (d: Decision) => `decision-${d.id}`;

const b = (text: React.ReactNode) => <b>{text}</b>;

function effect(d: Decision, changes: DecisionDetails["changes"]) {
  if (d.kind === "Refer") return <>{say.rich("confirmsStop", { b })}</>;
  if (changes.length > 0)
    return <>{say.rich("changesSessions", { count: new Set(changes.map((c) => c.day)).size, b })}</>;
  if (!d.next || d.confirms || d.kind === "Achieved") return <>{say("acceptingChangesNoSession")}</>;
  return <>{say.rich("plansNext", { day: dayWeek(d.nextDay), b })}</>;
}
