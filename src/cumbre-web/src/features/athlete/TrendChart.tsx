import Box from "@mui/material/Box";
import { ChartsContainer } from "@mui/x-charts/ChartsContainer";
import { ChartsGrid } from "@mui/x-charts/ChartsGrid";
import { ChartsXAxis } from "@mui/x-charts/ChartsXAxis";
import { ChartsYAxis } from "@mui/x-charts/ChartsYAxis";
import { useDrawingArea, useXScale, useYScale } from "@mui/x-charts/hooks";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { useId } from "react";
import { useUnit } from "../../shared/account/useMe";
import type { MassUnit, Trend, TrendPoint } from "../../shared/api/types";
import { dayShort, number, listed } from "../../shared/ui/format";
import { visuallyHidden } from "../../shared/ui/hidden";
import { axisValue, lineText, measureName, valueText } from "../../shared/athletes/trendText";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";
import { sideWord } from "../../shared/ui/nameWords";

const day = 86_400_000,
  weeksBack = 12,
  weeksAhead = 6,
  linesShown = 3;

const time = (text: string) => new Date(`${text}T12:00:00`);
const iso = (d: Date) =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;

const mondayOf = (text: string) => {
  const d = new Date(`${text}T00:00:00`);
  d.setDate(d.getDate() - ((d.getDay() + 6) % 7));
  return d;
};

/** The thresholds around where the athlete is: the highest that is met and the next ones. */
const near = (trend: Trend) => {
  const met = trend.lines.filter((l) => l.term.met).slice(-1);
  return [...met, ...trend.lines.filter((l) => !l.term.met)].slice(0, linesShown);
};

/** A movement over twelve weeks: what counts, its range or best as a whisker, thresholds, weeks of a deload hatched, and the forecast. */
export default function TrendChart({ trend, today, height }: { trend: Trend; today: string; height: number }) {
  const unit = useUnit();
  const value = (v: number) => axisValue(trend.measure, v, unit);
  const lines = near(trend);
  const all = [
    ...trend.points.flatMap((p) => [p.counts, p.best, p.low ?? p.counts, p.high ?? p.best]),
    ...lines.map((l) => l.value),
  ].map(value);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const pad = Math.max(trend.measure === "Contact" ? 0.5 : trend.measure === "Box" ? 10 : 1, (high - low) * 0.12);
  return (
    <Box>
      <Box inert sx={{ height }}>
        <ChartsContainer
          height={height}
          margin={{ left: 4, right: 12, top: 12, bottom: 0 }}
          xAxis={[
            {
              scaleType: "time",
              data: [time(today)],
              min: new Date(time(today).getTime() - weeksBack * 7 * day),
              max: new Date(time(today).getTime() + weeksAhead * 7 * day),
              valueFormatter: (d: Date) => dayShort(iso(d), today),
              height: 24,
              tickNumber: 6,
            },
          ]}
          yAxis={[
            {
              min: trend.measure === "Contact" ? -0.5 : Math.max(0, Math.floor(low - pad)),
              max: trend.measure === "Contact" ? 4.5 : Math.ceil(high + pad),
              valueFormatter: (v: number) =>
                trend.measure === "Contact" ? (Number.isInteger(v) ? valueText("Contact", v, unit) : "") : number(v, 1),
              width: trend.measure === "Contact" ? 66 : 36,
              tickNumber: 5,
              disableLine: true,
              disableTicks: true,
            },
          ]}
          series={[]}
          sx={{ "& text": { fontFamily: "inherit", fontSize: 12 } }}
        >
          <ChartsGrid horizontal />
          <Marks trend={trend} lines={lines} today={today} unit={unit} />
          <ChartsXAxis />
          <ChartsYAxis />
        </ChartsContainer>
      </Box>
      {/* A table is as wide as its cells whatever it is told; the box around it hides. */}
      <Box sx={visuallyHidden}>
        <Table aria-label={say("twelveWeeks", { measureName: measureName[trend.measure] })}>
          <TableHead>
            <TableRow>
              {(
                ["pointDay", "pointSide", "pointCounts", "pointBest", "pointFrom", "pointTo", "pointKind"] as const
              ).map((key) => (
                <TableCell key={key}>{say(key)}</TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {trend.points.map((p) => (
              <TableRow key={`${p.day}${p.side}`}>
                <TableCell>{p.day}</TableCell>
                <TableCell>{p.side ? sideWord[p.side] : say("both")}</TableCell>
                <TableCell>{valueText(trend.measure, p.counts, unit)}</TableCell>
                <TableCell>{valueText(trend.measure, p.best, unit)}</TableCell>
                <TableCell>{p.low === null ? "" : valueText(trend.measure, p.low, unit)}</TableCell>
                <TableCell>{p.high === null ? "" : valueText(trend.measure, p.high, unit)}</TableCell>
                <TableCell>{kindOf(p)}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </Box>
  );
}

const kindOf = (p: TrendPoint) =>
  listed(
    p.isTest ? word("test") : word("inTraining"),
    p.isEasy && say("easyDay"),
    p.isBound && say("atLeast"),
    !p.isCompared && say("otherSetUp"),
  );

function Marks({ trend, lines, today, unit }: { trend: Trend; lines: Trend["lines"]; today: string; unit: MassUnit }) {
  const hatch = useId();
  const x = useXScale<"time">();
  const y = useYScale<"linear">();
  const area = useDrawingArea();
  const at = (p: TrendPoint) => x(time(p.day));
  const up = (v: number) => y(axisValue(trend.measure, v, unit));
  const ink = "var(--mui-palette-text-primary)",
    grey = "var(--mui-palette-ink3)",
    glacier = "var(--mui-palette-primary-main)";
  const sides = [...new Set(trend.points.map((p) => p.side))];
  const f = trend.forecast;
  const easyWeeks = [...new Set(trend.points.filter((p) => p.isEasy).map((p) => mondayOf(p.day).getTime()))];
  return (
    <g>
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v6" stroke="var(--mui-palette-line2)" strokeWidth="1.5" />
        </pattern>
      </defs>
      {easyWeeks.map((monday) => {
        const [from, to] = [x(new Date(monday)), x(new Date(monday + 7 * day))];
        const left = Math.max(area.left, from);
        return (
          <rect
            key={monday}
            x={left}
            y={area.top}
            width={Math.max(0, Math.min(area.left + area.width, to) - left)}
            height={area.height}
            fill={`url(#${hatch})`}
          />
        );
      })}
      {lines.map((l, i) => (
        <g key={`${l.value}-${l.sets}`}>
          <path d={`M${area.left} ${up(l.value)}h${area.width}`} stroke={ink} strokeDasharray="4 3" strokeWidth="1" />
          <text
            x={i % 2 === 0 ? area.left + 6 : area.left + area.width}
            y={up(l.value) - 4}
            textAnchor={i % 2 === 0 ? "start" : "end"}
            fill={ink}
            style={{ fontWeight: l.term.met ? 400 : 600 }}
          >
            {lineText(l, unit)}
          </text>
        </g>
      ))}
      <path d={`M${x(time(today))} ${area.top}v${area.height}`} stroke={ink} strokeWidth="1" />
      {sides.map((side) => {
        const run = trend.points.filter((p) => p.side === side && p.isCompared && !p.isEasy && !p.isBound);
        return (
          <path
            key={String(side)}
            d={run.map((p, i) => `${i === 0 ? "M" : "L"}${at(p)} ${up(p.counts)}`).join("")}
            stroke={glacier}
            strokeWidth="1.5"
            strokeDasharray={side === "Right" ? "5 3" : undefined}
            fill="none"
          />
        );
      })}
      {trend.points.map((p) => {
        const color = p.isCompared && !p.isEasy ? glacier : grey;
        if (p.isEasy || p.isBound)
          return <path key={`${p.day}${p.side}`} d={`M${at(p) - 5} ${up(p.best)}h10`} stroke={grey} strokeWidth="3" />;
        const [from, to] = p.low !== null && p.high !== null ? [p.low, p.high] : [p.counts, p.best];
        const size = p.isTest ? 10 : 8;
        return (
          <g key={`${p.day}${p.side}`} stroke={color} strokeWidth="1.5">
            <path d={`M${at(p)} ${up(from)}V${up(to)}`} />
            {p.low === null && p.best !== p.counts && <path d={`M${at(p) - 4} ${up(p.best)}h8`} />}
            <rect
              x={at(p) - size / 2}
              y={up(p.counts) - size / 2}
              width={size}
              height={size}
              fill={p.isTest ? color : "var(--mui-palette-background-default)"}
            />
          </g>
        );
      })}
      {f.from !== null && f.to !== null && f.from < weeksAhead && trend.ahead && (
        <path
          d={`M${x(new Date(time(today).getTime() + f.from * 7 * day))} ${up(trend.ahead.value)}H${Math.min(
            area.left + area.width,
            x(new Date(time(today).getTime() + Math.max(f.to, f.from + 0.3) * 7 * day)),
          )}`}
          stroke={glacier}
          strokeWidth="5"
        />
      )}
    </g>
  );
}
