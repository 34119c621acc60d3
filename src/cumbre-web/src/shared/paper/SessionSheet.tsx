import type { CautionNote, MassUnit, Resolved, Session } from "../api/types";
import { MovementFigure } from "../figure/MovementFigure";
import { letters } from "../sessions/letters";
import { effortText, loadWords, piecesText } from "../sessions/effortText";
import { clock, dayFull, dayWeek, minutes, plural, listed } from "../ui/format";
import { cautionText } from "../why/wording";
import { say } from "../../words/paper";

interface SheetItem {
  id: string;
  line: string;
  joined: boolean;
  name: string;
  movement: { slug: string; standard: string; bottom: string | null } | null;
  plan: Resolved | null;
}

/** A session as it goes onto paper. */
export interface Sheet {
  club: string;
  athlete: string;
  /** Paper speaks the athlete's unit, whoever prints. */
  unit: MassUnit;
  /** Which version, and of when; empty where there are none. */
  edition: string;
  day: string;
  title: string;
  /** For instance "week 3"; may be empty. */
  week: string;
  seconds: number;
  warmUp: Session["warmUp"];
  coolDown: Session["coolDown"];
  items: SheetItem[];
  cautions: CautionNote[];
  /** Why it is planned against a caution. */
  kept: string | null;
}

/** One page: the lines, what they come to, boxes to log by pen, tempo legend and cautions. */
export function SessionSheet({ sheet }: { sheet: Sheet }) {
  const { unit, items } = sheet;
  const names = letters(items);
  const tempos = items.filter(
    (m, i) => m.plan?.tempo && items.findIndex((x) => x.plan?.tempo && x.movement?.slug === m.movement?.slug) === i,
  );
  return (
    <section
      className={items.length > roomyItems ? "page dense" : "page"}
      aria-label={listed(dayWeek(sheet.day), sheet.title)}
    >
      <div className="head">
        <h1>{sheet.athlete}</h1>
        <span>{sheet.edition}</span>
      </div>
      <div>
        {listed(
          sheet.club,
          dayFull(sheet.day),
          sheet.title,
          sheet.week,
          minutes(sheet.seconds),
          plural(items.length, "exercise"),
        )}
      </div>
      {sheet.warmUp.text && (
        <div>
          <b>{say("warmUp")}</b> {clock(sheet.warmUp.seconds)}: {sheet.warmUp.text}
        </div>
      )}
      <div style={{ marginTop: 6 }}>
        {items.map((item, i) => (
          <Item key={item.id} item={item} letter={names[i]!} unit={unit} />
        ))}
      </div>
      {sheet.coolDown.text && (
        <div>
          <b>{say("coolDown")}</b> {clock(sheet.coolDown.seconds)}: {sheet.coolDown.text}
        </div>
      )}
      {tempos.length > 0 && (
        <>
          <h2>{say("tempoLoweringPauseAtTheBottomLifting")}</h2>
          <div>
            {tempos.map((m) => say("theBottomIs", { name: m.name, bottom: m.movement?.bottom ?? "" })).join("; ")}.
          </div>
        </>
      )}
      <h2>{say("cautions")}</h2>
      <ul className="cautions">
        {sheet.cautions
          .filter((c) => !onEverySheet.includes(c.id))
          .map((c) => (
            <li key={c.id}>{cautionText(c, unit)}</li>
          ))}
      </ul>
      {sheet.kept && (
        <div>
          <b>{say("keptAgainstACaution")}</b> {sheet.kept}
        </div>
      )}
      <Small />
    </section>
  );
}

function Item({ item, letter, unit }: { item: SheetItem; letter: string; unit: MassUnit }) {
  const { joined, line, movement, plan } = item;
  const loads =
    plan?.loads.map(
      (l) =>
        `${loadWords(l, unit).replace(/^at /, "")}${l.pieces.length > 0 ? ` (${piecesText(l.pieces, unit)})` : ""}`,
    ) ?? [];
  // A drill, never hard and hardly rested from, is not logged by pen; between the sets of another exercise nobody
  // reads how it is done.
  const drill = plan?.hardSets === 0 && plan.restSeconds <= drillRest;
  const between = joined && drill && plan.restSeconds === 0;
  const loaded = plan?.loads.some((l) => l.pieces.length > 0 || l.band || l.byFeet || l.counted);
  return (
    <div className={joined ? "item joined" : "item"}>
      {movement && !between && <MovementFigure movement={movement.slug} size={76} />}
      <div className="what">
        <span className="letter">{letter}</span>
        <span>
          <b>{item.name}</b> <span className="line">{line}</span>
        </span>
        <span>{plan?.restAssumed && say("rest", { restSeconds: clock(plan.restSeconds) })}</span>
        <span />
        <span className="standard">
          {loaded && `${loads.join(" / ")}. `}
          {!between && movement?.standard}
        </span>
      </div>
      {plan && !between && !drill && (
        <div className="boxes" aria-label={say("boxesOf", { letter })}>
          {plan.efforts.map((e) => (
            <div className="box" key={`${e.set}-${e.part}`}>
              {e.set}
              {plan.efforts.some((x) => x.part > 1) && `.${e.part}`}:{" "}
              {listed(effortText(e), e.takeOff.length > 0 && say("off", { takeOff: piecesText(e.takeOff, unit) }))}
            </div>
          ))}
          <div className="box">{say("leftPain")}</div>
        </div>
      )}
    </div>
  );
}

/** So many exercises stand on a page in the usual size. */
const roomyItems = 9;

/** Seconds of rest up to which a set that is never hard is a drill. */
const drillRest = 30;

const onEverySheet: CautionNote["id"][] = ["StopSigns", "NotMedicalAdvice"];

/** What stands on every sheet. */
export function Small({ children }: { children?: React.ReactNode }) {
  return (
    <p style={{ marginBottom: 0 }}>
      {children ?? say("inABoxRepsOrSecondsDone")} {say("stopOnSharpPainAPinchOn")}
    </p>
  );
}
