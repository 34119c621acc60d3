import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import { useUnit } from "../../shared/account/useMe";
import type { ItemMeaning, Load, MassUnit, OnPaper, Resolved } from "../../shared/api/types";
import { loadWords, piecesText } from "../../shared/sessions/effortText";
import { added, clock, mass, number, plural } from "../../shared/ui/format";
import { Plates } from "../../shared/ui/Plates";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { AskWhy } from "./AskWhy";
import { progressionText } from "../../shared/blocks/wording";
import { useRead } from "../../shared/notation/useRead";
import { say } from "../../words/blocks";
import { inSentence } from "../../shared/ui/nameWords";

/** What a line means, in one line: loads with their reasons, work, tension, what comes next. */
export function MeaningLine({
  meaning,
  subject,
  week,
  session,
}: {
  meaning: ItemMeaning;
  subject: string;
  week: number;
  session: string;
}) {
  const unit = useUnit();
  const read = useRead();
  const { plan } = meaning;
  if (!plan) return null;
  const bits: React.ReactNode[] = [];
  bits.push(plural(plan.setTotal, "set"));
  if (plan.repTotal > 0) bits.push(plural(plan.repTotal, "rep"));
  const figure = (load: Load, i: number) => (
    <LoadFigure key={i} load={load} index={i} plan={plan} subject={subject} id={meaning.id} unit={unit} />
  );
  if (plan.isDrop)
    bits.push(
      plan.loads.map((load, i) => (
        <span key={i}>
          {i > 0 && " / "}
          {figure(load, i)}
        </span>
      )),
    );
  plan.loads.forEach((load, i) => {
    if (plan.isDrop) return;
    if (isBodyMass(load) && plan.loads.length === 1) return;
    bits.push(figure(load, i));
  });
  if (plan.isDrop)
    bits.push(
      plan.efforts
        .filter((e) => e.set === 1 && e.takeOff.length > 0)
        .map((e) => say("takeOff", { takeOff: piecesText(e.takeOff, unit) }))
        .join(", then ") || say("nothingToTakeOff"),
    );
  // A hold by the best says how long it is today.
  const held = plan.efforts[0]?.role === "Hold" || plan.efforts[0]?.role === "Piece" ? plan.efforts[0].seconds : null;
  if (held !== null) bits.push(say("sEach", { held }));
  if (plan.left + plan.right > 0) bits.push(say("leftRight", { left: plan.left, right: plan.right }));
  if (plan.straightArmSeconds > 0) bits.push(say("sStraightArm", { straightArmSeconds: plan.straightArmSeconds }));
  const of = { week, session, item: meaning.id };
  const name = inSentence(meaning.movement?.name ?? "");
  bits.push(
    <>
      <AskWhy figure="ItemTension" {...of} subject={say("timeUnderTension", { name })}>
        {plan.tensionSeconds} s
      </AskWhy>{" "}
      {say("underTension2")}
    </>,
  );
  if (plan.hardSets > 0)
    bits.push(
      <AskWhy figure="ItemHardSets" {...of} subject={say("hardSets3", { name })}>
        {say("hard", { hardSets: plan.hardSets })}
      </AskWhy>,
    );
  if (meaning.onPaper)
    bits.push(<Paper run={meaning.onPaper} seconds={typeof held === "number"} subject={subject} id={meaning.id} />);
  if (plan.restInSlot !== null) bits.push(say("sLeftInEachSlot", { restInSlot: plan.restInSlot }));
  if (plan.restAssumed) bits.push(say("restTheUsualOne", { restSeconds: clock(plan.restSeconds) }));
  const { progression } = plan;
  const next =
    progression && (progression.line ? say("next", { line: read(progression.line) }) : progressionText(progression));
  return (
    <Box component="span">
      {bits.map((bit, i) => (
        <span key={i}>
          {i > 0 && "; "}
          {bit}
        </span>
      ))}
      {next && (
        <Box component="span" sx={{ color: "ink3" }}>
          . {next}
        </Box>
      )}
    </Box>
  );
}

/** How the line goes on paper, after what stands before it in the session. */
function Paper({ run, seconds, subject, id }: { run: OnPaper; seconds: boolean; subject: string; id: string }) {
  const unit = seconds ? " s" : "";
  const failed = run.sets.find((s) => s.fails);
  const shown = failed
    ? say("onPaperSetHasOf", { set: failed.set, can: Math.floor(failed.can), unit, low: failed.low })
    : say(run.verdict === "Trivial" ? "onPaperEasy" : "leftOnPaper", { left: run.left, unit });
  const there = run.sets.map((s) => `${Math.floor(s.can)}${unit}`).join(", ");
  return (
    <Box component="span" sx={{ color: failed ? "warning.main" : "inherit" }}>
      <WhyFigure
        wrap
        figure={{ key: `paper:${id}`, shown, subject, note: say("thereWhenEachSetBegins", { there }), why: run.from }}
      />
    </Box>
  );
}

function isBodyMass(load: Load) {
  return (load.made.value.number ?? 0) === 0 && load.isWeighed && load.pieces.length === 0;
}

function LoadFigure({
  load,
  index,
  plan,
  subject,
  id,
  unit,
}: {
  load: Load;
  index: number;
  plan: Resolved;
  subject: string;
  id: string;
  unit: MassUnit;
}) {
  const kilograms = load.made.value.number ?? 0;
  const named = load.byFeet || load.counted || load.band;
  const role = plan.loads.length > 1 && !plan.isDrop ? (index === 0 ? say("top") : say("backOff")) : null;
  const before = [
    role,
    load.made.why.cautions.some((c) => c.id === "KitCoarse") &&
      say("wantsTheKitMakes", { wantedKg: added(load.wantedKg, unit) }),
  ].filter((words) => words !== null && words !== false);
  const made = (
    <>
      {before.map((words) => `${words} `)}
      <WhyFigure
        figure={{
          key: `${id}-${index}`,
          shown: named ? loadWords(load, unit).replace(/^with /, "") : added(kilograms, unit),
          subject,
          why: load.made.why,
          note: load.wantedKg !== kilograms ? <>{say("wants", { wantedKg: added(load.wantedKg, unit) })}</> : undefined,
        }}
      />
    </>
  );
  return (
    <Listed>
      {made}
      {load.isWeighed && !plan.isDrop && say("onTheBar", { systemKg: mass(load.systemKg, unit) })}
      {load.shareOfMax !== null && !plan.isDrop && say("ofBest", { share: number(load.shareOfMax * 100, 1) })}
    </Listed>
  );
}

/** The stack on the belt, or that of each part of a drop, small. */
export function ItemPlates({ plan }: { plan: Resolved }) {
  const unit = useUnit();
  const loads = plan.loads.filter((l) => l.pieces.length > 0 || plan.isDrop);
  if (loads.length === 0) return null;
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "flex-end" }}>
      {loads.map((load, i) => (
        <Box key={i} sx={{ textAlign: "center", fontSize: 11, lineHeight: "14px", fontWeight: 600 }}>
          <Plates pieces={load.pieces} scale={0.55} plain />
          <div>
            {plan.isDrop ? added(load.made.value.number ?? 0, unit).replace(/ .*$/, "") : piecesText(load.pieces, unit)}
          </div>
        </Box>
      ))}
    </Box>
  );
}
