import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { MovementPage as Page } from "../api/types";
import { number, unitName } from "../ui/format";
import { Empty, Failed, Loading } from "../ui/states";
import { AthleteHeader } from "./AthleteHeader";
import { AthleteTabs } from "./AthleteTabs";
import { DecisionStrip } from "./DecisionStrip";
import { GateView } from "./GateView";
import { History } from "./History";
import { NextSession } from "./NextSession";
import { RecordTest } from "./RecordTest";
import { ResultsTable } from "./ResultsTable";
import { StopBand } from "./StopBand";
import { StrengthChart } from "./StrengthChart";
import { benchmarksQuery, movementQuery } from "./useAthlete";

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
      <StopBand page={page} />
      {isCoach && page.decisions.map((d) => <DecisionStrip key={d.id} decision={d} />)}
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
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1.1fr) minmax(0,1fr)" },
          columnGap: 6,
        }}
      >
        {heavy && (
          <Section
            title="One-rep maximum"
            note={page.oneRepMax ? `of the system in ${unitName[unit]}, with its range over seven formulas` : ""}
          >
            {page.series.length > 0 ? (
              <>
                <StrengthChart series={page.series} today={today} />
                <Typography variant="caption" color="textSecondary">
                  Filled: test. Open: clean training set to the test’s protocol.{" "}
                  {page.oneRepMax && `Newest ${number(page.oneRepMax.ageDays)} days old.`}
                </Typography>
              </>
            ) : (
              <Empty
                title="No heavy test yet."
                action={
                  isCoach && (
                    <Button disabled={noBodyMass} onClick={() => setRecording(heavy.slug)}>
                      Record a heavy set
                    </Button>
                  )
                }
              >
                A clean set of 2 to 6 with at most 1 in reserve gives the estimate from which loads are worked out.
              </Empty>
            )}
          </Section>
        )}
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
        <Section title="Sessions">
          <History sessions={page.history} athleteId={page.athlete.id} />
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

function Section({
  title,
  note,
  action,
  bare = false,
  children,
}: {
  title: string;
  note?: string;
  action?: React.ReactNode;
  bare?: boolean;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" sx={{ px: { xs: 4, sm: 6 }, pt: 5, minWidth: 0 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", columnGap: 3, flexWrap: "wrap", pb: 2, minHeight: 28 }}>
        <Typography variant="h2">{title}</Typography>
        {note && (
          <Typography variant="body2" color="textSecondary">
            {note}
          </Typography>
        )}
        {action && <Box sx={{ ml: "auto" }}>{action}</Box>}
      </Box>
      {bare ? (
        <Box sx={(t) => ({ bgcolor: "background.paper", border: `1px solid ${t.vars.palette.rock}` })}>{children}</Box>
      ) : (
        children
      )}
    </Box>
  );
}
