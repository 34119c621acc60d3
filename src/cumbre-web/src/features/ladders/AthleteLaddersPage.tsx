import { Listed } from "../../shared/ui/Listed";
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { AthleteLadder, AthleteLadders, Ladder, SmallRidge as Small } from "../../shared/api/types";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { RecordTest } from "../../shared/athletes/RecordTest";
import { StatusShape } from "../../shared/ui/StatusShape";
import { Failed, FailedPage, Loading } from "../../shared/ui/states";
import { text } from "../../shared/why/quantity";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { PlaceDialog } from "./PlaceDialog";
import { Ridge } from "./Ridge";
import { SmallRidge } from "../../shared/ladders/SmallRidge";
import { StepCard } from "./StepCard";
import { StepsTable } from "./StepsTable";
import {
  athleteLadderQuery,
  athleteLaddersQuery,
  laddersQuery,
  movementsQuery,
  useGiveBack,
} from "../../shared/ladders/useLadders";
import { demandWord, figure, haveNeed, shortfall, statusShape, statusWord } from "../../shared/ladders/wording";
import { Term } from "../../shared/ui/Term";
import { say } from "../../words/ladders";
import { inSentence } from "../../shared/ui/nameWords";

const LabPanel = lazy(() => import("./LabPanel"));
const LineMeter = lazy(() => import("./lines/LineMeter"));
const PullTracer = lazy(() => import("./traces/PullTracer"));
const ForceSides = lazy(() => import("./traces/ForceSides"));

type Tool = "meter" | "lab" | "tracer" | "gauge";

/** Where an athlete stands on every ladder: one large ridge, all others small. */
export default function AthleteLaddersPage() {
  const { athleteId = "" } = useParams();
  const all = useQuery(athleteLaddersQuery(athleteId));
  const atlas = useQuery(laddersQuery);
  const [search] = useSearchParams();
  if (all.isPending || atlas.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (all.isError || atlas.isError)
    return <FailedPage error={all.error ?? atlas.error} retry={() => void (all.isError ? all : atlas).refetch()} />;
  const chosen = search.get("ladder") ?? firstShown(all.data.ladders);
  return <Page key={athleteId} all={all.data} atlas={atlas.data} chosen={chosen} />;
}

/** The ladder that was begun last in the atlas's order says most; without any, the pull-up. */
function firstShown(ladders: Small[]) {
  return (
    (ladders.find((l) => l.ladder === "front-lever" && l.started) ?? ladders.find((l) => l.started) ?? ladders[0])
      ?.ladder ?? ""
  );
}

function Page({ all, atlas, chosen }: { all: AthleteLadders; atlas: Ladder[]; chosen: string }) {
  const placed = useQuery(athleteLadderQuery(all.athleteId, chosen));
  const unit = useUnit();
  const [recording, setRecording] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const ladder = atlas.find((l) => l.slug === chosen);
  const begun = all.ladders.filter((l) => l.started && l.ladder !== chosen);
  const rest = all.ladders.filter((l) => !l.started && l.ladder !== chosen);
  return (
    <Box sx={{ pb: 6 }}>
      <Box sx={{ px: { xs: 4, sm: 6 }, pt: 3, pb: 2 }}>
        <Typography variant="h1">{all.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("ofLaddersBegun", {
            begun: begun.length + (all.ladders.find((l) => l.ladder === chosen)?.started ? 1 : 0),
            ladders: all.ladders.length,
          })}
        </Typography>
      </Box>
      <AthleteTabs athleteId={all.athleteId} />
      {said && (
        <Alert severity="success" icon={false} onClose={() => setSaid(null)} sx={{ mx: { xs: 4, sm: 6 }, mt: 3 }}>
          {said}
        </Alert>
      )}
      {placed.isPending && (
        <Box sx={{ px: 6 }}>
          <Loading />
        </Box>
      )}
      {placed.isError && (
        <Box sx={{ px: 6 }}>
          <Failed error={placed.error} retry={() => void placed.refetch()} />
        </Box>
      )}
      {placed.data && ladder && (
        <Chosen all={all} placed={placed.data} ladder={ladder} record={all.hasBodyMass ? setRecording : null} />
      )}
      {!placed.isPending && (
        <>
          <Ridges title={say("begun")} ridges={begun} athleteId={all.athleteId} />
          <Ridges title={say("notBegun2")} ridges={rest} athleteId={all.athleteId} />
        </>
      )}
      {recording && (
        <RecordTest
          athleteId={all.athleteId}
          unit={unit}
          first={recording}
          onClose={() => setRecording(null)}
          onDone={setSaid}
        />
      )}
    </Box>
  );
}

function Chosen({
  all,
  placed,
  ladder,
  record,
}: {
  all: AthleteLadders;
  placed: AthleteLadder;
  ladder: Ladder;
  record: ((benchmark: string) => void) | null;
}) {
  const { isCoach } = useSignedIn();
  const unit = useUnit();
  const giveBack = useGiveBack(all.athleteId, placed.ladder);
  const [setting, setSetting] = useState(false);
  const [tool, setTool] = useState<Tool | null>(null);
  const movements = useQuery(movementsQuery).data ?? [];
  const hasLines = placed.demandKind === "Moment" || placed.demandKind === "HandForce";
  const hasContacts = placed.steps.some((s) => s.demandKind === "ContactHeight");
  const pullsOneSide = ladder.steps.some((s) => {
    const movement = movements.find((m) => m.slug === s.movement);
    return movement?.eachSide && (placed.demandKind === "HandForce" || movement.pattern === "vertical pull");
  });
  const tools: { tool: Tool; shown: boolean; open: string; close: string }[] = [
    { tool: "meter", shown: hasLines, open: say("openLineMeter"), close: say("closeLineMeter") },
    { tool: "lab", shown: isCoach && hasLines, open: say("openLab"), close: say("closeLab") },
    { tool: "tracer", shown: isCoach && hasContacts, open: say("openTracer"), close: say("closeTracer") },
    { tool: "gauge", shown: isCoach && pullsOneSide, open: say("openGauge"), close: say("closeGauge") },
  ];
  const next = placed.next === null ? null : placed.steps[placed.next];
  return (
    <Box component="section" aria-label={placed.name} sx={{ px: { xs: 4, sm: 6 }, pt: 3 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", columnGap: 4, rowGap: 1, flexWrap: "wrap" }}>
        <Typography variant="h2">{placed.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("height", {
            demandWord: demandWord[placed.demandKind],
            summitDemand: placed.summitDemand ? `, 100 % = ${text(placed.summitDemand, unit)}` : "",
          })}
        </Typography>
        <Legend />
      </Box>
      <Ridge
        label={say("ridgeOfTheLadder", { name: placed.name })}
        steps={placed.steps.map((s, i) => ({
          key: s.slug,
          name: s.name,
          share: s.share,
          status: statusShape[s.status],
          statusWord: statusWord[s.status],
          bars: (i === placed.next ? placed.unmet : s.gates.flatMap((g) => g.unmet)).map((t) => t.fraction).slice(0, 4),
        }))}
        training={placed.training}
        card={(i) => ladder.steps[i] && <StepCard step={ladder.steps[i]} placed={placed.steps[i]} />}
      >
        <Standing placed={placed} next={next?.name ?? null} name={all.name} />
      </Ridge>
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap", alignItems: "center", py: 3 }}>
        {placed.needsStature && (
          <Typography variant="body2" sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
            <StatusShape status="caution" title="" />
            {say("withoutStatureTheHeightsAreShares")}
            {isCoach && <Link to={`/athletes/${all.athleteId}/profile`}>{say("giveTheStature")}</Link>}
          </Typography>
        )}
        {!all.hasBodyMass && (
          <Typography variant="body2" sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
            <StatusShape status="caution" title="" />
            {say("beforeATestTheBodyMass")}
            {isCoach && <Link to={`/athletes/${all.athleteId}/profile`}>{say("weighFirst")}</Link>}
          </Typography>
        )}
        {placed.coach && (
          <Typography variant="body2" sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
            <StatusShape status="pending" title="" />
            {say("setByTheCoachByTheRule", {
              reason: placed.coach.reason,
              byRule: placed.coach.byRule ?? say("nothingYet"),
            })}
          </Typography>
        )}
        <Box sx={{ ml: "auto", display: "flex", gap: 2, flexWrap: "wrap" }}>
          {isCoach && placed.coach && (
            <Button size="small" disabled={giveBack.isPending} onClick={() => giveBack.mutate()}>
              {say("backToTheRule")}
            </Button>
          )}
          {tools
            .filter((t) => t.shown)
            .map((t) => (
              <Button
                key={t.tool}
                size="small"
                aria-expanded={tool === t.tool}
                onClick={() => setTool(tool === t.tool ? null : t.tool)}
              >
                {tool === t.tool ? t.close : t.open}
              </Button>
            ))}
          {isCoach && (
            <Button size="small" onClick={() => setSetting(true)}>
              {say("setTheStep")}
            </Button>
          )}
        </Box>
      </Box>
      {tool && (
        <Suspense fallback={<Loading />}>
          {tool === "meter" && (
            <LineMeter
              athleteId={all.athleteId}
              ladder={placed.ladder}
              training={placed.training === null ? null : (placed.steps[placed.training]?.slug ?? null)}
            />
          )}
          {tool === "lab" && <LabPanel athleteId={all.athleteId} ladder={placed.ladder} />}
          {tool === "tracer" && <PullTracer athleteId={all.athleteId} />}
          {tool === "gauge" && <ForceSides athleteId={all.athleteId} />}
        </Suspense>
      )}
      <StepsTable placed={placed} atlas={ladder} record={isCoach ? record : null} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2, maxWidth: 760 }}>
        {ladder.about} <Link to={`/ladders/${ladder.slug}`}>{say("theLadderInTheAtlas")}</Link>
      </Typography>
      {setting && <PlaceDialog athleteId={all.athleteId} placed={placed} onClose={() => setSetting(false)} />}
    </Box>
  );
}

/** What holds the athlete back, over the ground that is still empty. */
function Standing({ placed, next, name }: { placed: AthleteLadder; next: string | null; name: string }) {
  const unit = useUnit();
  const training = placed.training === null ? null : placed.steps[placed.training];
  const before = placed.steps.findLast((s, i) => s.status === "Open" && i < (placed.training ?? 0));
  const limiting = placed.limiting;
  const summit = next === null;
  return (
    <Box sx={{ pt: 2, fontSize: 14, lineHeight: "20px", maxWidth: 560 }}>
      {limiting && !summit ? (
        <>
          {placed.exposureOnly && before && (
            <div>
              {say.rich("shortSinglesBeside", {
                training: inSentence(training?.name ?? ""),
                before: before.name,
                unmet: before.won.unmet.map((t) => shortfall(t, unit)).join(", "),
                b: (name) => <b>{name}</b>,
              })}
            </div>
          )}
          <div>
            {say.rich("limitingFactor", {
              name: limiting.threshold.name,
              short: shortfall(limiting.threshold, unit),
              b: (name) => <b>{name}</b>,
              t: (word) => <Term id="limitingFactor">{word}</Term>,
            })}
          </div>
          <Typography component="p" sx={{ fontSize: 20, lineHeight: "28px", fontWeight: 650, fontStretch: "110%" }}>
            {say("after", { next })}{" "}
            <WhyFigure
              figure={{
                key: `placement-${placed.ladder}`,
                shown: training?.name ?? say("itsGate"),
                subject: say("stepInTraining2", { name, name2: placed.name }),
                why: placed.why,
              }}
            />
          </Typography>
          <Box sx={{ color: "text.secondary", fontSize: 13 }}>
            <div>
              {limiting.dose
                ? say("trainFor", {
                    movementName: inSentence(limiting.movementName),
                    dose: figure(limiting.dose, unit),
                  })
                : say("train", { movementName: inSentence(limiting.movementName) })}
            </div>
            {placed.unmet.length > 1 && (
              <div>
                {say("besides", {
                  filter: placed.unmet
                    .filter((t) => t.benchmark !== limiting.threshold.benchmark)
                    .map((t) => `${t.name} ${haveNeed(t, unit)}`)
                    .join(", "),
                })}
              </div>
            )}
          </Box>
        </>
      ) : (
        <Typography component="p" sx={{ fontSize: 20, lineHeight: "28px", fontWeight: 650, fontStretch: "110%" }}>
          {training?.status === "Won" && summit ? say("wonToTheSummit") : say("inTraining2")}{" "}
          <WhyFigure
            figure={{
              key: `placement-${placed.ladder}`,
              shown: training?.name ?? say("nothingYet"),
              subject: say("stepInTraining2", { name, name2: placed.name }),
              why: placed.why,
            }}
          />
        </Typography>
      )}
    </Box>
  );
}

function Legend() {
  return (
    <Box
      aria-hidden="true"
      sx={{
        ml: "auto",
        display: "flex",
        gap: 3,
        fontSize: 13,
        color: "text.secondary",
        alignItems: "center",
        "& span": { display: "inline-flex", gap: 1, alignItems: "center" },
      }}
    >
      <span>
        <StatusShape status="won" title="" /> {say("won2")}
      </span>
      <span>
        <StatusShape status="training" title="" /> {say("training")}
      </span>
      <span>
        <StatusShape status="locked" title="" /> {say("locked")}
      </span>
      <span>
        <svg width="8" height="16" viewBox="0 0 8 16">
          <rect x="1" y="1" width="6" height="14" fill="none" stroke="var(--mui-palette-rock)" />
          <rect x="1" y="8" width="6" height="7" fill="var(--mui-palette-text-primary)" />
        </svg>
        {say("gateHaveOfNeed")}
      </span>
    </Box>
  );
}

function Ridges({ title, ridges, athleteId }: { title: string; ridges: Small[]; athleteId: string }) {
  const unit = useUnit();
  if (ridges.length === 0) return null;
  return (
    <Box component="section" aria-label={title} sx={{ px: { xs: 4, sm: 6 }, pt: 5 }}>
      <Typography variant="h2" sx={{ mb: 2 }}>
        <Listed>
          {title}
          <Box component="span" sx={{ fontWeight: 400, color: "text.secondary", fontSize: 13 }}>
            {say("eachDrawnAgainstItsOwnSummit")}
          </Box>
        </Listed>
      </Typography>
      <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(150px, 1fr))", gap: 4 }}>
        {ridges.map((r) => (
          <ButtonBase
            key={r.ladder}
            component={Link}
            to={`/athletes/${athleteId}/ladders?ladder=${r.ladder}`}
            sx={{ display: "block", textAlign: "left", fontSize: 12, lineHeight: "16px", fontStretch: "88%" }}
          >
            <SmallRidge ridge={r} />
            <Box sx={{ fontSize: 13, fontWeight: 650, mt: 1 }}>{r.name}</Box>
            <Box>
              <Listed>
                {r.trainingName ?? say("gateUnmet")}
                {r.setByCoach && say("setByTheCoach")}
              </Listed>
            </Box>
            <Box sx={{ color: "text.secondary" }}>
              {r.limiting ? `${r.limiting.name} ${shortfall(r.limiting, unit)}` : ""}
            </Box>
          </ButtonBase>
        ))}
      </Box>
    </Box>
  );
}
