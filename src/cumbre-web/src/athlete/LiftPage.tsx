import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../accounts/useMe";
import type { LiftPage as Page } from "../api/types";
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
import { liftQuery } from "./useLift";

/** All of an athlete's weighted pull-up on one page. */
export default function LiftPage() {
  const { athleteId = "" } = useParams();
  const lift = useQuery(liftQuery(athleteId));
  if (lift.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (lift.isError)
    return (
      <Box sx={{ px: 6 }}>
        <Failed error={lift.error} retry={() => void lift.refetch()} />
      </Box>
    );
  return <Lift key={athleteId} page={lift.data} />;
}

function Lift({ page }: { page: Page }) {
  const { today, isCoach } = useSignedIn();
  const unit = useUnit();
  const [recording, setRecording] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const noBodyMass = page.bodyMass === null;
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
      {isCoach && page.decision && <DecisionStrip decision={page.decision} />}
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
                  <Button disabled={noBodyMass} onClick={() => setRecording("weighted-pull-up-heavy")}>
                    Record a heavy set
                  </Button>
                )
              }
            >
              A clean set of 2 to 6 with at most 1 in reserve gives the estimate from which loads are worked out.
            </Empty>
          )}
        </Section>
        <Section title="Gate of added load">
          <GateView gates={page.gates} />
        </Section>
        <Section
          title="Tests"
          action={
            isCoach && (
              <Button size="small" disabled={noBodyMass} onClick={() => setRecording("weighted-pull-up-heavy")}>
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
