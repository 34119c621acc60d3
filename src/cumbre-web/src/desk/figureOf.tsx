import type { Decision, MassUnit } from "../api/types";
import { added, dayWeek } from "../ui/format";
import type { OpenFigure } from "../why/WhyContext";
import { headline, overruledText } from "./wording";

/** A decision as a figure that can be opened: its load, or what it says where there is none. */
export function figureOf(d: Decision, unit: MassUnit): OpenFigure {
  const { figure } = headline(d, unit);
  return {
    key: `decision-${d.id}`,
    shown: figure ?? "stop",
    subject: `${d.athleteName}, weighted pull-up`,
    why: d.why,
    note: (
      <>
        {d.next ?? "no further session"}
        <br />
        was {added(d.fromKg, unit)}
      </>
    ),
    effect: d.next ? (
      <>
        <b>Accepting changes</b> the next session only, {dayWeek(d.nextDay)}. {overruledText(d)} Undo until the first
        set is logged.
      </>
    ) : (
      <>
        <b>Accepting stops</b> weighted pull-ups until you clear them with a reason. Refer to licensed practice.{" "}
        {overruledText(d)}
      </>
    ),
  };
}
