import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { MovementPage as Page } from "../api/types";
import { WhyFigure } from "../why/WhyFigure";
import { Section } from "../ui/Section";
import { Empty, Failed, Loading } from "../ui/states";
import { AthleteHeader } from "./AthleteHeader";
import { AthleteTabs } from "./AthleteTabs";
import { DecisionStrip } from "./DecisionStrip";
import { GateView } from "./GateView";
import { History } from "./History";
import { NextSession } from "./NextSession";
import { RecordTest } from "./RecordTest";
import { Records } from "./Records";
import { ResultsTable } from "./ResultsTable";
import { StopBand } from "./StopBand";
import { countsText, forecastText, lineText, measureName } from "./trendText";
import { benchmarksQuery, movementQuery } from "./useAthlete";

/** The charts come when one is drawn; its room is kept meanwhile. */
const TrendChart = lazy(() => import("./TrendChart"));
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
  if (page.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={page.error} retry={() => void page.refetch()} />
      </Box>
    );
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
        {lineText(trend.ahead)},{" "}
        <WhyFigure
          figure={{
            key: "forecast",
            shown: text,
            subject: `${page.athlete.name}, ${page.movement.name.toLowerCase()}, forecast`,
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
      <Section title={measureName[trend.measure]} note={countsText(trend)}>
        {trend.points.length > 0 ? (
          <>
            <Suspense fallback={<Box sx={{ height: chartHeight }} />}>
              <TrendChart trend={trend} today={today} height={chartHeight} />
            </Suspense>
            <Typography variant="body2" color="textSecondary">
              {forecast} {trend.points.some((p) => p.isTest) && "Filled: on a test. "}
              {trend.points.some((p) => p.isEasy || p.isBound) &&
                "Grey bar: an easy day, or done as planned, so at least this much. "}
              {trend.points.some((p) => !p.isCompared) && "Grey: another set-up, not compared."}
            </Typography>
          </>
        ) : (
          <Empty
            title={page.history.length > 0 ? "Nothing in the last twelve weeks." : "Nothing to follow yet."}
            action={
              isCoach &&
              own.length > 0 && (
                <Button disabled={noBodyMass} onClick={() => setRecording(first)}>
                  Record a test
                </Button>
              )
            }
          >
            {heavy
              ? "A clean set of 2 to 6 with at most 1 in reserve gives the estimate from which loads are worked out."
              : "A test or a logged session starts the line."}
          </Empty>
        )}
      </Section>
      <Section title="Next session" bare>
        {noBodyMass ? (
          <Box sx={{ px: 4 }}>
            <Empty
              title="First the body mass."
              action={
                isCoach && (
                  <Button
                    component={Link}
                    to={`/athletes/${page.athlete.id}/profile`}
                    variant="contained"
                    color="secondary"
                  >
                    Record a body mass
                  </Button>
                )
              }
            >
              Every load is worked out on body mass and load together.
            </Empty>
          </Box>
        ) : (
          <NextSession page={page} />
        )}
      </Section>
      <Section title="Exposures" note={page.history.length > 0 ? "filled: plan met" : ""}>
        <History sessions={page.history} athleteId={page.athlete.id} />
      </Section>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.1fr) minmax(0,1fr)" },
          columnGap: 6,
        }}
      >
        <Section title="Records by set-up">
          <Records trend={trend} />
        </Section>
        {page.gates.length > 0 && (
          <Section title="Gate of added load">
            <GateView gates={page.gates} />
          </Section>
        )}
        <Section
          title="Tests"
          action={
            isCoach && (
              <Button size="small" disabled={noBodyMass} onClick={() => setRecording(first)}>
                Record a test
              </Button>
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
