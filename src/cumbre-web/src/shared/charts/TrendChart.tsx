import Box from "@mui/material/Box";
import { ChartsContainer } from "@mui/x-charts/ChartsContainer";
import { ChartsGrid } from "@mui/x-charts/ChartsGrid";
import { ChartsXAxis } from "@mui/x-charts/ChartsXAxis";
import { ChartsYAxis } from "@mui/x-charts/ChartsYAxis";
import { useDrawingArea, useXScale, useYScale } from "@mui/x-charts/hooks";
import { useId } from "react";
import { useUnit } from "../account/useMe";
import type { BodyMassPoint, MassUnit, Trend, TrendPoint, TrendTime } from "../api/types";
import { axisValue, lineText, valueText } from "../athletes/trendText";
import { dayShort, inUnit, number } from "../ui/format";
import { say } from "../../words/charts";
import { at, begins, dayOf, mondayOf, msOfDay, stretches, weekLater } from "./time";

const weeksBack = 12,
  weeksAhead = 6,
  linesShown = 3,
  /** A line is broken where nothing was shown for longer. */
  gapDays = 28,
  /** Of more points each is a dot. */
  dotsFrom = 150;

/** Words over lines keep their ground. */
const halo = { paintOrder: "stroke", stroke: "var(--mui-palette-background-default)", strokeWidth: 3 } as const;

const time = (day: string) => new Date(at(day));

/** The thresholds around where the athlete is: the highest that is met and the next ones. */
const near = (trend: Trend) => {
  const met = trend.lines.filter((l) => l.term.met).slice(-1);
  return [...met, ...trend.lines.filter((l) => !l.term.met)].slice(0, linesShown);
};

interface Props {
  trend: Trend;
  today: string;
  height: number;
  /** What is looked at; without it the last twelve weeks. */
  over?: TrendTime;
  bodyMass?: BodyMassPoint[];
}

/**
 * A movement over time: what counts, its range or best as a whisker, thresholds, weeks of a deload hatched, where blocks
 * begin, and the forecast.
 */
export default function TrendChart({ trend, today, height, over, bodyMass = [] }: Props) {
  const unit = useUnit();
  const value = (v: number) => axisValue(trend.measure, v, unit);
  const lines = near(trend);
  const all = [
    ...trend.points.flatMap((p) => [p.counts, p.best, p.low ?? p.counts, p.high ?? p.best]),
    ...lines.map((l) => l.value),
    ...bodyMass.map((m) => m.kg),
  ].map(value);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const pad = Math.max(trend.measure === "Contact" ? 0.5 : trend.measure === "Box" ? 10 : 1, (high - low) * 0.12);
  const from = over?.from ?? weekLater(today, -weeksBack);
  const ahead = trend.forecast.from !== null ? weeksAhead : 1;
  const spans: TrendTime = over ?? {
    from,
    today,
    blocks: [],
    deloads: [...new Set(trend.points.filter((p) => p.isEasy).map((p) => mondayOf(p.day)))],
  };
  return (
    <Box aria-hidden sx={{ height }}>
      <ChartsContainer
        disableKeyboardNavigation
        height={height}
        margin={{ left: 4, right: 12, top: 18, bottom: 0 }}
        xAxis={[
          {
            scaleType: "utc",
            data: [time(today)],
            min: time(from),
            max: time(weekLater(today, ahead)),
            valueFormatter: (d: Date) => dayShort(dayOf(d.getTime()), today),
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
            tickMinStep: trend.measure === "OneRepMax" || trend.measure === "Assistance" ? undefined : 1,
            disableLine: true,
            disableTicks: true,
          },
        ]}
        series={[]}
        sx={{ "& text": { fontFamily: "inherit", fontSize: 12 } }}
      >
        <ChartsGrid horizontal />
        <Marks trend={trend} lines={lines} spans={spans} bodyMass={bodyMass} unit={unit} />
        <ChartsXAxis />
        <ChartsYAxis />
      </ChartsContainer>
    </Box>
  );
}

/** Points in runs, each of which is one line. */
function runs(points: TrendPoint[]) {
  const found: TrendPoint[][] = [];
  for (const point of points) {
    const last = found.at(-1)?.at(-1);
    if (last && at(point.day) - at(last.day) <= gapDays * msOfDay) found.at(-1)!.push(point);
    else found.push([point]);
  }
  return found;
}

function Marks({
  trend,
  lines,
  spans,
  bodyMass,
  unit,
}: {
  trend: Trend;
  lines: Trend["lines"];
  spans: TrendTime;
  bodyMass: BodyMassPoint[];
  unit: MassUnit;
}) {
  const { today } = spans;
  const hatch = useId();
  const x = useXScale<"utc">();
  const y = useYScale<"linear">();
  const area = useDrawingArea();
  const on = (p: TrendPoint) => x(time(p.day));
  const up = (v: number) => y(axisValue(trend.measure, v, unit));
  const ink = "var(--mui-palette-text-primary)",
    grey = "var(--mui-palette-ink3)",
    glacier = "var(--mui-palette-primary-main)";
  const sides = [...new Set(trend.points.map((p) => p.side))];
  const f = trend.forecast;
  const many = trend.points.length > dotsFrom;
  const end = area.left + area.width;
  return (
    <g>
      <defs>
        <pattern id={hatch} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v6" stroke="var(--mui-palette-line2)" strokeWidth="1.5" />
        </pattern>
      </defs>
      {stretches(spans.deloads).map((d) => {
        const left = Math.max(area.left, x(time(d.from)));
        return (
          <rect
            key={d.from}
            x={left}
            y={area.top}
            width={Math.max(0, Math.min(end, x(time(d.to))) - left)}
            height={area.height}
            fill={`url(#${hatch})`}
          />
        );
      })}
      {begins(spans).map((b, i, all) => {
        const wide = (all[i + 1] ? x(time(all[i + 1]!.start)) : end) - x(time(b.start));
        return (
          <g key={b.id}>
            <path
              d={`M${x(time(b.start))} ${area.top - 14}V${area.top + area.height}`}
              stroke={grey}
              strokeDasharray="2 3"
            />
            {wide > 60 && (
              <text x={x(time(b.start)) + 4} y={area.top - 5} fill={grey} style={{ fontSize: 11 }}>
                {b.name.slice(0, Math.floor(wide / 6.5))}
              </text>
            )}
          </g>
        );
      })}
      {bodyMass.length > 0 && (
        <g>
          <path
            d={bodyMass.map((m, i) => `${i === 0 ? "M" : "L"}${x(time(m.day))} ${y(inUnit(m.kg, unit))}`).join("")}
            stroke={grey}
            strokeWidth="1"
            fill="none"
          />
          {bodyMass.map((m) => (
            <circle key={m.day} cx={x(time(m.day))} cy={y(inUnit(m.kg, unit))} r="1.5" fill={grey} />
          ))}
          <text x={end} y={y(inUnit(bodyMass.at(-1)!.kg, unit)) - 5} textAnchor="end" fill={grey}>
            {say("bodyweight")}
          </text>
        </g>
      )}
      {lines.map((l, i) => (
        <g key={`${l.value}-${l.sets}`}>
          <path d={`M${area.left} ${up(l.value)}h${area.width}`} stroke={ink} strokeDasharray="4 3" strokeWidth="1" />
          <text
            x={i % 2 === 0 ? area.left + 6 : end}
            y={up(l.value) - 4}
            textAnchor={i % 2 === 0 ? "start" : "end"}
            fill={ink}
            style={{ fontWeight: l.term.met ? 400 : 600, ...halo }}
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
            d={runs(run)
              .flatMap((r) => r.map((p, i) => `${i === 0 ? "M" : "L"}${on(p)} ${up(p.counts)}`))
              .join("")}
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
          return <path key={`${p.day}${p.side}`} d={`M${on(p) - 5} ${up(p.best)}h10`} stroke={grey} strokeWidth="3" />;
        const [from, to] = p.low !== null && p.high !== null ? [p.low, p.high] : [p.counts, p.best];
        const size = many ? 4 : p.isTest ? 10 : 8;
        return (
          <g key={`${p.day}${p.side}`} stroke={color} strokeWidth="1.5">
            <title>{`${dayShort(p.day, today)}: ${valueText(trend.measure, p.counts, unit)}`}</title>
            <path d={`M${on(p)} ${up(from)}V${up(to)}`} strokeWidth={many ? 0.75 : 1.5} />
            {!many && p.low === null && p.best !== p.counts && <path d={`M${on(p) - 4} ${up(p.best)}h8`} />}
            <rect
              x={on(p) - size / 2}
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
          d={`M${x(time(weekLater(today, f.from)))} ${up(trend.ahead.value)}H${Math.min(
            end,
            x(new Date(at(today) + Math.max(f.to, f.from + 0.3) * 7 * msOfDay)),
          )}`}
          stroke={glacier}
          strokeWidth="5"
        />
      )}
    </g>
  );
}
