import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { Overview } from "../../shared/api/types";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { DecisionStrip } from "../../shared/decisions/DecisionStrip";
import { RecordTest } from "../../shared/athletes/RecordTest";
import { StopBand } from "../../shared/decisions/StopBand";
import { forecastText } from "../../shared/athletes/trendText";
import { SmallRidge } from "../../shared/ladders/SmallRidge";
import { shortfall } from "../../shared/ladders/wording";
import { clock, dayShort, dayWeek, mass, plural, listed } from "../../shared/ui/format";
import { QuietButton } from "../../shared/ui/QuietButton";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { Section } from "../../shared/ui/Section";
import { Fact } from "../../shared/ui/Fact";
import { StatusShape } from "../../shared/ui/StatusShape";
import { useKey } from "../../shared/keys/useKey";
import { useWhy } from "../../shared/why/WhyContext";
import { CalendarGrid } from "./CalendarGrid";
import { OtherTraining } from "./OtherTraining";
import { ReadinessPanel } from "./ReadinessPanel";
import { Recovery } from "./Recovery";
import { DoneText, TrainedTable } from "./TrainedTable";
import { overviewQuery } from "../../shared/athletes/useOverview";
import { Term } from "../../shared/ui/Term";
import { RecordButton } from "../../shared/athletes/RecordButton";
import { useRead } from "../../shared/notation/useRead";
import { say as word } from "../../words/common";
import { say } from "../../words/overview";

/** An athlete at a glance: what waits, today, goals, what is trained, how regularly, how ready. */
export default function OverviewPage() {
  const { athleteId = "" } = useParams();
  const overview = useQuery(overviewQuery(athleteId));
  if (overview.isPending)
    return (
      <Box sx={{ px: 6 }}>
        <Loading />
      </Box>
    );
  if (overview.isError) return <FailedPage error={overview.error} retry={() => void overview.refetch()} />;
  return <AtAGlance key={athleteId} overview={overview.data} />;
}

function AtAGlance({ overview: o }: { overview: Overview }) {
  const { today, isCoach, isGuardian } = useSignedIn();
  const unit = useUnit();
  const why = useWhy();
  const [testing, setTesting] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const side = (
    <Box sx={{ display: "grid", gap: 6, alignContent: "start" }}>
      <CalendarGrid consistency={o.consistency} today={today} />
      <ReadinessPanel days={o.readiness} today={today} />
      <OtherTraining athleteId={o.athlete.id} others={o.others} today={today} />
      <Recovery proteinGrams={o.proteinGrams} />
    </Box>
  );
  return (
    <Box sx={{ pb: 6 }}>
      <Head overview={o} />
      <AthleteTabs athleteId={o.athlete.id} />
      {/* Where reasons are open they take the right column, and what stands there goes below. */}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: why.opened ? "minmax(0,1fr)" : "minmax(0,1fr) 320px" },
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          {said && (
            <Typography role="status" sx={{ px: { xs: 4, sm: 6 }, pt: 3 }}>
              {said}
            </Typography>
          )}
          <StopBand stops={o.stops} athleteId={o.athlete.id} needsClearance={o.athlete.openClearances.length > 0} />
          {isCoach && <Decisions overview={o} />}
          {(isGuardian ? [] : o.asksMorning).map((id) => (
            <Typography key={id} sx={{ px: { xs: 4, sm: 6 }, pt: 3 }}>
              {say("howDidTheLastSessionFeelThe")}{" "}
              <Link to={`/athletes/${o.athlete.id}/sessions/${id}`}>{say("tellIt")}</Link>
            </Typography>
          ))}
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,1.25fr) minmax(0,1fr)" },
              columnGap: 0,
            }}
          >
            <Now overview={o} />
            <Goals overview={o} />
          </Box>
          <Section
            title={say("liftsAndHolds")}
            note={say("dashedTheNextThreshold")}
            action={
              isCoach && (
                <RecordButton
                  athleteId={o.athlete.id}
                  weighed={o.bodyMassKg !== null}
                  onRecord={() => setTesting(true)}
                  size="small"
                />
              )
            }
          >
            <TrainedTable athleteId={o.athlete.id} rows={o.trained} today={today} />
          </Section>
        </Box>
        <Box
          component="aside"
          sx={(t) => ({
            px: { xs: 4, sm: 6, lg: 5 },
            py: 5,
            borderLeft: { lg: why.opened ? 0 : `1px solid ${t.vars.palette.line2}` },
          })}
        >
          {side}
        </Box>
      </Box>
      {testing && (
        <RecordTest
          athleteId={o.athlete.id}
          unit={unit}
          first={null}
          onClose={() => setTesting(false)}
          onDone={setSaid}
        />
      )}
    </Box>
  );
}

function Head({ overview: o }: { overview: Overview }) {
  const { today } = useSignedIn();
  const unit = useUnit();
  const worst = [...o.readiness].reverse().find((d) => d.pain !== null);
  const { intake } = o.athlete;
  return (
    <Box
      sx={(t) => ({
        px: { xs: 4, sm: 6 },
        py: 2.5,
        borderBottom: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        columnGap: 8,
        rowGap: 2,
        flexWrap: "wrap",
      })}
    >
      <Box sx={{ mr: "auto" }}>
        <Typography variant="h1">{o.athlete.name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {listed(
            o.athlete.birthYear !== null && say("years", { number: Number(today.slice(0, 4)) - o.athlete.birthYear }),
            intake.minutes !== null && say("upToMin", { minutes: intake.minutes }),
            o.nextSession && say("trainsNext", { nextSession: dayWeek(o.nextSession) }),
          )}
        </Typography>
      </Box>
      <Fact label={say("bodyweight")}>
        {o.bodyMassKg === null ? say("notWeighedYet") : mass(o.bodyMassKg, unit, 1)}
      </Fact>
      {worst && worst.pain! > 0 && (
        <Fact label={say("pain2", { day: dayShort(worst.day, today) })}>
          <Box component="span" sx={{ display: "inline-flex", gap: 1.5, alignItems: "center" }}>
            {worst.pain! >= 3 && <StatusShape status="caution" />}
            {say("painOf10", { pain: worst.pain! })}
          </Box>
        </Fact>
      )}
      {o.block && (
        <Fact
          label={say("block")}
          note={o.block.deload ? say("deloadFrom", { deload: dayShort(o.block.deload, today) }) : undefined}
        >
          <Box component={Link} to={`/athletes/${o.athlete.id}/blocks/${o.block.id}`} sx={{ color: "inherit" }}>
            {say("weekOf", { name: o.block.name, week: o.block.week, weeks: o.block.weeks })}
          </Box>
        </Fact>
      )}
    </Box>
  );
}

/** The most cautious decision, and the others on demand. */
function Decisions({ overview: o }: { overview: Overview }) {
  const [all, setAll] = useState(false);
  const section = useRef<HTMLElement>(null);
  const move = (by: number) => {
    const strips = [...(section.current?.querySelectorAll<HTMLElement>("[data-decision]") ?? [])];
    const at = strips.findIndex((x) => x.contains(document.activeElement));
    strips[Math.min(strips.length - 1, Math.max(0, at + by))]?.focus();
  };
  useKey("next", () => move(1));
  useKey("previous", () => move(-1));
  useKey("others", () => setAll(!all));
  if (o.decisions.length === 0) return null;
  const shown = all ? o.decisions : o.decisions.slice(0, 1);
  return (
    <Box component="section" aria-label={say("decisions")} ref={section}>
      {shown.map((d) => (
        <DecisionStrip key={d.id} decision={d} />
      ))}
      {o.decisions.length > 1 && (
        <Typography variant="body2" component="div" sx={{ px: { xs: 4, sm: 6 }, pt: 2 }}>
          <QuietButton aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? say("showTheFirstOnly") : say("andMore", { decisions: o.decisions.length - 1 })}
          </QuietButton>
        </Typography>
      )}
    </Box>
  );
}

function unloggedName(s: Overview["unlogged"][number]) {
  const session = listed(dayWeek(s.day), s.title);
  return s.begun ? say("notFinished", { session }) : session;
}

function Now({ overview: o }: { overview: Overview }) {
  const { isGuardian } = useSignedIn();
  const read = useRead();
  return (
    <Section title={say("today")}>
      {o.today.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {o.nextSession
            ? say("noSessionTodayTheNextIsOn", { nextSession: dayWeek(o.nextSession) })
            : say("noSessionIsPlanned")}
        </Typography>
      )}
      {o.unlogged.length > 0 && (
        <Box component="nav" aria-label={say("notLogged")} sx={{ my: 2, fontSize: 14, lineHeight: "24px" }}>
          {say("notLogged")}
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: "none" }}>
            {o.unlogged.map((s) => (
              <li key={s.id}>
                <Link to={`/athletes/${o.athlete.id}/sessions/${s.id}`}>{unloggedName(s)}</Link>
              </li>
            ))}
          </Box>
        </Box>
      )}
      {o.today.map((s) => (
        <Box key={s.id} sx={{ mb: 4 }}>
          <Box sx={{ display: "flex", gap: 3, alignItems: "center", mb: 1 }}>
            <Typography variant="body2" color="textSecondary" sx={{ mr: "auto" }}>
              {listed(s.title, s.easy && word("deload"), plural(s.items.length, "item"), clock(s.durationSeconds))}
            </Typography>
            <Button
              size="small"
              variant={s.status === "Done" ? "outlined" : "contained"}
              color={s.status === "Done" ? "inherit" : "secondary"}
              component={Link}
              to={`/athletes/${o.athlete.id}/sessions/${s.id}`}
            >
              {s.status === "Done" || isGuardian ? say("openSession") : say("logThisSession")}
            </Button>
          </Box>
          <Box
            component="ol"
            sx={{
              listStyle: "none",
              m: 0,
              p: 0,
              borderTop: 1,
              borderColor: "text.primary",
              display: "grid",
              columnGap: 3,
              gridTemplateColumns: { xs: "minmax(0,1fr) auto", sm: "minmax(0,1fr) minmax(0,1.5fr) auto" },
            }}
          >
            {s.items.map((i) => (
              <Box
                component="li"
                key={i.id}
                sx={{
                  display: "grid",
                  gridColumn: "1 / -1",
                  gridTemplateColumns: "subgrid",
                  py: 1.5,
                  borderBottom: 1,
                  borderColor: "divider",
                  fontSize: 13,
                }}
              >
                <Box
                  component={Link}
                  to={`/athletes/${o.athlete.id}/movement?movement=${i.movement}`}
                  sx={{ color: "inherit", textDecoration: "none", "&:hover": { textDecoration: "underline" } }}
                >
                  {i.name}
                </Box>
                <Box component="b" sx={{ gridRow: { xs: 2, sm: "auto" }, gridColumn: { xs: "1 / 3", sm: "auto" } }}>
                  {i.skipped ? say("skipped", { skipped: i.skipped }) : read(i.line)}
                </Box>
                <Box sx={{ color: "text.secondary", textAlign: "right" }}>
                  {i.last ? (
                    <>
                      <DoneText done={i.last} />, {dayWeek(i.last.day).split(",")[0]}
                    </>
                  ) : (
                    say("firstTime")
                  )}
                </Box>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Section>
  );
}

function Goals({ overview: o }: { overview: Overview }) {
  const { isCoach } = useSignedIn();
  const unit = useUnit();
  return (
    <Section title={say("goals")} note={say("heightShareOfTheSummitsDemand")}>
      {o.goals.length === 0 && (
        <Empty
          title={say("noGoalYet")}
          action={
            isCoach && (
              <Button component={Link} to={`/athletes/${o.athlete.id}/intake`}>
                {say("setGoals")}
              </Button>
            )
          }
        >
          {say("aGoalPlacesTheAthleteOnIts")}
        </Empty>
      )}
      {o.goals.map((g) => (
        <Box
          key={g.ridge.ladder}
          sx={(t) => ({
            display: "grid",
            gridTemplateColumns: "110px minmax(0,1fr)",
            gap: 3,
            py: 2,
            borderBottom: `1px solid ${t.vars.palette.divider}`,
            fontSize: 13,
          })}
        >
          <SmallRidge ridge={g.ridge} width={110} />
          <Box>
            <Box
              component={Link}
              to={`/athletes/${o.athlete.id}/ladders?ladder=${g.ridge.ladder}`}
              sx={{ color: "inherit", fontWeight: 600 }}
            >
              {g.ridge.name}: {g.ridge.trainingName ?? say("notStarted")}
            </Box>
            {g.ridge.limiting && (
              <Box>
                {say.rich("limitingFactor", {
                  name: g.ridge.limiting.name,
                  short: shortfall(g.ridge.limiting, unit),
                  b: (name) => <b>{name}</b>,
                  t: (word) => <Term id="limitingFactor">{word}</Term>,
                })}
              </Box>
            )}
            {g.forecast && (
              <Box sx={{ color: "text.secondary" }}>
                {g.ridge.next && g.forecast.from !== null ? `${g.ridge.next}: ` : ""}
                {forecastText(g.forecast)}
              </Box>
            )}
          </Box>
        </Box>
      ))}
    </Section>
  );
}
