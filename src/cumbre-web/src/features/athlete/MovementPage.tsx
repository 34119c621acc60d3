import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { MovementPage as Page } from "../../shared/api/types";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { Section } from "../../shared/ui/Section";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { AthleteHeader } from "./AthleteHeader";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { DecisionStrip } from "../../shared/decisions/DecisionStrip";
import { GateView } from "./GateView";
import { History } from "./History";
import { NextSession } from "./NextSession";
import { RecordTest } from "../../shared/athletes/RecordTest";
import { Records } from "./Records";
import { ResultsTable } from "./ResultsTable";
import { StopBand } from "../../shared/decisions/StopBand";
import { countsText, forecastText, lineText, measureName } from "../../shared/athletes/trendText";
import { benchmarksQuery, movementQuery } from "../../shared/athletes/useAthlete";
import { RecordButton } from "../../shared/athletes/RecordButton";
import { say } from "../../words/athlete";
import { say as chart } from "../../words/charts";
import { HiddenTable } from "../../shared/charts/ChartPanel";
import { pointTable } from "../../shared/charts/points";
import { inSentence } from "../../shared/ui/nameWords";

/** The charts come when one is drawn; its room is kept meanwhile. */
const TrendChart = lazy(() => import("../../shared/charts/TrendChart"));
const chartHeight = 240;

/** All of an athlete's one movement on a page. */
export default function MovementPage() {
  const { athleteId = "" } = useParams();
  const [search] = useSearchParams();
  const movement = search.get("movement");
  const page = useQuery(movementQuery(athleteId, movement));
  if (page.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (page.isError) return <FailedPage error={page.error} retry={() => void page.refetch()} />;
  return <Movement key={`${athleteId} ${page.data.movement.slug}`} page={page.data} />;
}

function Movement({ page }: { page: Page }) {
  const { today, isCoach } = useSignedIn();
  const unit = useUnit();
  const [recording, setRecording] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const noBodyMass = page.bodyMass === null;
  const benchmarks = useQuery(benchmarksQuery).data ?? [];
  const { trend } = page;
  const text = forecastText(trend.forecast);
  const forecast =
    trend.forecast.why && trend.ahead ? (
      <>
        {lineText(trend.ahead, unit)},{" "}
        <WhyFigure
          figure={{
            key: "forecast",
            shown: text,
            subject: say("forecast", { name: page.athlete.name, name2: inSentence(page.movement.name) }),
            why: trend.forecast.why,
          }}
          wrap
        >
          {text}
        </WhyFigure>
        .
      </>
    ) : (
      text
    );
  const own = benchmarks.filter((x) => x.movement === page.movement.slug);
  const heavy = own.find((x) => x.measure === "LoadTimesReps");
  const first = (heavy ?? own[0] ?? benchmarks[0])?.slug ?? null;
  return (
    <Box sx={{ pb: 6 }}>
      <AthleteHeader page={page} />
      <AthleteTabs athleteId={page.athlete.id} />
      {said && (
        <Alert severity="success" icon={false} onClose={() => setSaid(null)} sx={{ mx: { xs: 4, sm: 6 }, mt: 3 }}>
          {said}
        </Alert>
      )}
      <StopBand stops={page.stops} athleteId={page.athlete.id} needsClearance={page.needsClearance} />
      {isCoach && page.decisions.map((d) => <DecisionStrip key={d.id} decision={d} />)}
      <Section
        title={measureName[trend.measure]}
        term={trend.measure === "OneRepMax" ? "systemMass" : undefined}
        note={countsText(trend)}
      >
        {trend.points.length > 0 ? (
          <>
            <Suspense fallback={<Box sx={{ height: chartHeight }} />}>
              <TrendChart trend={trend} today={today} height={chartHeight} />
            </Suspense>
            <HiddenTable
              title={chart("twelveWeeks", { measureName: measureName[trend.measure] })}
              table={pointTable(trend, unit)}
            />
            <Typography variant="body2" color="textSecondary">
              {forecast} {trend.points.some((p) => p.isTest) && say("filledOnATest")}{" "}
              {trend.points.some((p) => p.isEasy || p.isBound) && say("greyBarAnEasyDayOrDone")}{" "}
              {trend.points.some((p) => !p.isCompared) && say("greyAnotherSetUpNotCompared")}
            </Typography>
          </>
        ) : (
          <Empty
            title={page.history.length > 0 ? say("nothingInTheLastTwelveWeeks") : say("nothingToFollowYet")}
            action={
              isCoach &&
              own.length > 0 && (
                <RecordButton athleteId={page.athlete.id} weighed={!noBodyMass} onRecord={() => setRecording(first)} />
              )
            }
          >
            {heavy ? say("aCleanSetOf2To6") : say("aTestOrALoggedSessionStarts")}
          </Empty>
        )}
      </Section>
      <Section title={say("nextSession")} bare>
        {noBodyMass ? (
          <Box sx={{ px: 4 }}>
            <Empty
              title={say("firstTheBodyMass")}
              action={
                isCoach && (
                  <Button
                    component={Link}
                    to={`/athletes/${page.athlete.id}/profile`}
                    variant="contained"
                    color="secondary"
                  >
                    {say("recordABodyMass")}
                  </Button>
                )
              }
            >
              {say("everyLoadIsWorkedOutOnBody")}
            </Empty>
          </Box>
        ) : (
          <NextSession page={page} />
        )}
      </Section>
      <Section title={say("exposures")} note={page.history.length > 0 ? say("filledPlanMet") : ""}>
        <History sessions={page.history} athleteId={page.athlete.id} />
      </Section>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.1fr) minmax(0,1fr)" },
          columnGap: 6,
        }}
      >
        <Section title={say("recordsBySetUp")}>
          <Records trend={trend} />
        </Section>
        {page.gates.length > 0 && (
          <Section title={say("gateOfAddedLoad")} term="gate">
            <GateView gates={page.gates} />
          </Section>
        )}
        <Section
          title={say("tests")}
          action={
            isCoach && (
              <RecordButton
                athleteId={page.athlete.id}
                weighed={!noBodyMass}
                onRecord={() => setRecording(first)}
                size="small"
              />
            )
          }
        >
          <ResultsTable results={page.results} athleteId={page.athlete.id} />
        </Section>
      </Box>
      {recording && (
        <RecordTest
          athleteId={page.athlete.id}
          unit={unit}
          first={recording}
          onClose={() => setRecording(null)}
          onDone={setSaid}
        />
      )}
    </Box>
  );
}
