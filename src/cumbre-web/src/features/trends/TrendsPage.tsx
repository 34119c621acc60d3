import Box from "@mui/material/Box";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { lazy, Suspense } from "react";
import { useParams, useSearchParams } from "react-router";
import { useUnit } from "../../shared/account/useMe";
import type { MassUnit, MovementTrend, Trend, Trends, WeekFigure } from "../../shared/api/types";
import { AthleteTabs } from "../../shared/athletes/AthleteTabs";
import { countsText, forecastText, lineText, measureName, unitOf, valueText } from "../../shared/athletes/trendText";
import { ChartPanel } from "../../shared/charts/ChartPanel";
import { pointTable } from "../../shared/charts/points";
import { Strips } from "../../shared/charts/Strips";
import { mondays } from "../../shared/charts/time";
import { dayFull, listed, number } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { Section } from "../../shared/ui/Section";
import { Empty, FailedPage, Loading } from "../../shared/ui/states";
import { say } from "../../words/trends";
import { movementTrendQuery, trendsQuery } from "./queries";
import { Months } from "./Months";
import { Groups, Scatter } from "./Scatter";
import { share } from "./share";
import { stripsOf, weekTable } from "./strips";

const TrendChart = lazy(() => import("../../shared/charts/TrendChart"));

const chartHeight = 260,
  mostSleep = 12,
  mostReadiness = 10;

/** Weeks that can be chosen; 0 is all. */
const spans = [12, 26, 52, 0];

/** How an athlete trained over weeks, months and years: charts, each with the table that it is drawn of. */
export default function TrendsPage() {
  const { athleteId = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const asked = Number(search.get("weeks") ?? spans[0]);
  const weeks = spans.includes(asked) ? asked : spans[0]!;
  const trends = useQuery(trendsQuery(athleteId, weeks));
  const set = (key: string, value: string) =>
    setSearch(
      (old) => {
        old.set(key, value);
        return old;
      },
      { replace: true },
    );
  if (trends.isPending) return <Loading />;
  if (trends.isError) return <FailedPage error={trends.error} retry={() => void trends.refetch()} />;
  const { movements, tables } = trends.data;
  const movement = search.get("movement") ?? movements[0]?.movement ?? null;
  const csv = (query: string) => `/api/athletes/${athleteId}/trends.csv?weeks=${weeks}${query}`;
  return (
    <Box sx={{ pb: 6, opacity: trends.isPlaceholderData ? 0.6 : 1 }}>
      <Head name={trends.data.name} weeks={weeks} onWeeks={(w) => set("weeks", String(w))} />
      <AthleteTabs athleteId={athleteId} />
      {movement === null && tables.length === 0 ? (
        <Box sx={{ px: { xs: 4, sm: 6 }, pt: 5 }}>
          <Empty title={say("nothingYet")}>{say("nothingYetHelp")}</Empty>
        </Box>
      ) : (
        <>
          {movement !== null && (
            <Movement
              athleteId={athleteId}
              movement={movement}
              weeks={weeks}
              csv={csv}
              choose={
                <TextField
                  select
                  size="small"
                  variant="standard"
                  fullWidth={false}
                  value={movement}
                  onChange={(e) => set("movement", e.target.value)}
                  slotProps={{ htmlInput: { "aria-label": say("movement") }, input: { disableUnderline: true } }}
                >
                  {(movements.some((m) => m.movement === movement)
                    ? movements
                    : [{ movement, name: movement, days: 0 }, ...movements]
                  ).map((m) => (
                    <MenuItem key={m.movement} value={m.movement}>
                      {say("movementDays", { name: m.name, days: m.days })}
                    </MenuItem>
                  ))}
                </TextField>
              }
            />
          )}
          <Months calendar={trends.data.calendar} today={trends.data.time.today} />
          <Weekly trends={trends.data} csv={csv} />
          <Readiness trends={trends.data} csv={csv} />
        </>
      )}
    </Box>
  );
}

function Head({ name, weeks, onWeeks }: { name: string; weeks: number; onWeeks: (weeks: number) => void }) {
  return (
    <Box
      sx={(t) => ({
        px: { xs: 4, sm: 6 },
        py: 2.5,
        borderBottom: `1px solid ${t.vars.palette.line2}`,
        display: "flex",
        columnGap: 6,
        rowGap: 2,
        flexWrap: "wrap",
        alignItems: "center",
      })}
    >
      <Box sx={{ mr: "auto" }}>
        <Typography variant="h1">{name}</Typography>
        <Typography variant="body2" color="textSecondary">
          {say("about")}
        </Typography>
      </Box>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={weeks}
        onChange={(_, value: number | null) => value !== null && onWeeks(value)}
        aria-label={say("time")}
      >
        {spans.map((s) => (
          <ToggleButton key={s} value={s}>
            {s === 0 ? say("all") : say("weeks", { weeks: s })}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Box>
  );
}

function Movement({
  athleteId,
  movement,
  weeks,
  csv,
  choose,
}: {
  athleteId: string;
  movement: string;
  weeks: number;
  csv: (query: string) => string;
  choose: React.ReactNode;
}) {
  const read = useQuery(movementTrendQuery(athleteId, movement, weeks));
  if (read.isPending) return <Loading />;
  if (read.isError) return <FailedPage error={read.error} retry={() => void read.refetch()} />;
  return <Followed read={read.data} csv={csv} choose={choose} />;
}

function Followed({
  read,
  csv,
  choose,
}: {
  read: MovementTrend;
  csv: (query: string) => string;
  choose: React.ReactNode;
}) {
  const unit = useUnit();
  const { trend, name, time } = read;
  const title = say("movementTitle", { name, measure: inSentence(measureName[trend.measure]) });
  if (trend.points.length === 0)
    return (
      <Section title={title} action={choose}>
        <Empty title={say("noPoint")}>{say("noPointHelp")}</Empty>
      </Section>
    );
  return (
    <>
      <Box sx={{ px: { xs: 4, sm: 6 }, pt: 4, mb: -3, display: "flex" }}>{choose}</Box>
      <ChartPanel
        title={title}
        term={trend.measure === "OneRepMax" ? "systemMass" : undefined}
        note={listed(trend.measure !== "Reps" && unitOf(trend.measure, unit), countsText(trend))}
        table={pointTable(trend, unit)}
        csv={csv(`&movement=${encodeURIComponent(read.movement)}`)}
        chart={
          <Suspense fallback={<Box sx={{ height: chartHeight }} />}>
            <TrendChart trend={trend} today={time.today} height={chartHeight} over={time} bodyMass={read.bodyMass} />
          </Suspense>
        }
      >
        {ahead(trend, unit)} {trend.points.some((p) => p.low !== null) && say("whiskers")}{" "}
        {trend.points.some((p) => p.isTest) && say("filled")}{" "}
        {trend.points.some((p) => p.isEasy || p.isBound) && say("greyBar")} {say("gaps")}
      </ChartPanel>
      {read.sides.length > 0 && (
        <ChartPanel
          title={say("sides")}
          note={say("sidesNote")}
          csv={csv(`&movement=${encodeURIComponent(read.movement)}&sides=true`)}
          table={{
            columns: [say("day"), say("left"), say("right"), say("gap")],
            rows: [...read.sides]
              .reverse()
              .map((s) => [
                dayFull(s.day),
                valueText(trend.measure, s.left, unit),
                valueText(trend.measure, s.right, unit),
                share(s.gap),
              ]),
          }}
          chart={
            <Strips
              label={say("sidesLabel", { days: read.sides.length })}
              time={time}
              strips={[
                {
                  name: say("gap"),
                  top: Math.max(0.3, ...read.sides.map((s) => s.gap)),
                  values: weekly(read),
                  say: share,
                },
              ]}
            />
          }
        >
          {say("sidesRule")}
        </ChartPanel>
      )}
    </>
  );
}

/** The next threshold, and when it may be reached or why nobody can say. */
const ahead = ({ ahead: line, forecast }: Trend, unit: MassUnit) =>
  !line
    ? forecastText(forecast)
    : forecast.from === null
      ? say("aheadWithout", { line: lineText(line, unit), why: forecastText(forecast) })
      : say("aheadIn", { line: lineText(line, unit), when: forecastText(forecast) });

/** The last gap of each week, so that a week without both sides is a gap of the chart. */
function weekly({ sides, time }: MovementTrend) {
  const weeks = mondays(time.from, time.today);
  return weeks.map((week, i) => ({
    week,
    value: sides.filter((s) => s.day >= week && s.day < (weeks[i + 1] ?? "9999")).at(-1)?.gap ?? null,
  }));
}

const panels: Record<WeekFigure, { title: string; note: string; under?: string }> = {
  HardSets: { title: say("hardSets"), note: say("hardSetsNote") },
  Volume: { title: say("volume"), note: say("volumeNote") },
  StraightArm: { title: say("straightArm"), note: say("straightArmNote") },
  StraightArmMoment: { title: say("straightArmMoment"), note: say("straightArmMomentNote") },
  Sets: { title: say("plannedDone"), note: say("plannedDoneNote") },
  SessionLoad: { title: say("sessionLoad"), note: say("sessionLoadNote"), under: say("sessionLoadUnder") },
  Pain: { title: say("pain"), note: say("painNote") },
};

function Weekly({ trends, csv }: { trends: Trends; csv: (query: string) => string }) {
  const unit = useUnit();
  return trends.tables.map((table) => {
    const { title, note, under } = panels[table.figure];
    return (
      <ChartPanel
        key={table.figure}
        title={title}
        note={note}
        csv={csv(`&figure=${table.figure}`)}
        table={weekTable(table, unit)}
        chart={<Strips strips={stripsOf(table, unit)} time={trends.time} label={say("weekLabel", { title })} />}
      >
        {under}
      </ChartPanel>
    );
  });
}

/** Two things that are told before a session, each against how it went. */
function Readiness({ trends, csv }: { trends: Trends; csv: (query: string) => string }) {
  const { days, bySleep, byReadiness } = trends.readiness;
  if (days.length === 0) return null;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", lg: "1fr 1fr" } }}>
      <Told
        trends={trends}
        csv={csv("")}
        title={say("sleep")}
        axis={say("sleepAxis")}
        most={mostSleep}
        figure={(d) => d.sleepHours}
        text={(v) => say("hours", { value: number(v, 1) })}
        groups={bySleep}
        group={(from, to) =>
          from === null
            ? say("under", { to: to ?? 0 })
            : to === null
              ? say("fromHours", { from })
              : say("hoursTo", { from, to })
        }
      />
      <Told
        trends={trends}
        csv={csv("")}
        title={say("readiness")}
        axis={say("readyAxis")}
        most={mostReadiness}
        figure={(d) => d.readiness}
        text={String}
        groups={byReadiness}
        group={(from, to) => say("scale", { from: from ?? 0, to: to === null ? mostReadiness : to - 1 })}
      />
    </Box>
  );
}

type Day = Trends["readiness"]["days"][number];

function Told({
  trends,
  csv,
  title,
  axis,
  most,
  figure,
  text,
  groups,
  group,
}: {
  trends: Trends;
  csv: string;
  title: string;
  axis: string;
  most: number;
  figure: (day: Day) => number | null;
  text: (value: number) => string;
  groups: Trends["readiness"]["bySleep"];
  group: (from: number | null, to: number | null) => string;
}) {
  const told = trends.readiness.days.filter((d) => figure(d) !== null);
  if (told.length === 0) return null;
  return (
    <ChartPanel
      title={title}
      note={say("readinessNote")}
      csv={csv}
      table={{
        columns: [say("day"), title, say("soreness"), say("change")],
        rows: [...told]
          .reverse()
          .map((d) => [
            dayFull(d.day),
            text(figure(d)!),
            d.soreness === null ? null : String(d.soreness),
            d.change === null ? null : share(d.change),
          ]),
      }}
      chart={<Scatter days={told} figure={figure} label={axis} most={most} today={trends.time.today} />}
    >
      <Groups title={say("groups")} groups={groups} name={group} />
      <Box sx={{ pt: 2 }}>{say("readinessUnder")}</Box>
    </ChartPanel>
  );
}
