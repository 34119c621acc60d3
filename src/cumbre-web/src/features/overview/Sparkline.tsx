import type { TrendMeasure, TrendPoint } from "../../shared/api/types";
import { say } from "../../words/overview";
import { listed } from "../../shared/ui/format";

const width = 92,
  height = 22;

/** Twelve weeks as a line; dashed: the next threshold. Easy days and other set-ups are left out of the line. */
export function Sparkline({
  points,
  line,
  measure,
  label,
}: {
  points: TrendPoint[];
  line: number | null;
  measure: TrendMeasure;
  label: string;
}) {
  const shown = points.filter((p) => !p.isEasy && !p.isBound);
  if (shown.length === 0) return null;
  const days = shown.map((p) => Date.parse(p.day));
  const values = shown.map((p) => p.counts);
  const all = line === null ? values : [...values, line];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const [first, last] = [Math.min(...days), Math.max(...days)];
  const x = (i: number) => (last === first ? width / 2 : 3 + ((days[i]! - first) / (last - first)) * (width - 8));
  const y = (v: number) => (high === low ? height / 2 : height - 3 - ((v - low) / (high - low)) * (height - 6));
  const end = shown.length - 1;
  const sides = [...new Set(shown.map((p) => p.side))];
  const path = (compared: boolean, side: TrendPoint["side"]) =>
    shown
      .map((p, i) => ({ p, i }))
      .filter(({ p }) => p.isCompared === compared && p.side === side)
      .map(({ p, i }, n) => `${n === 0 ? "M" : "L"}${x(i).toFixed(1)} ${y(p.counts).toFixed(1)}`)
      .join("");
  return (
    <svg width={width} height={height} role="img" aria-label={label} style={{ display: "block" }}>
      {line !== null && (
        <path d={`M0 ${y(line)}H${width}`} stroke="var(--mui-palette-ink3)" strokeDasharray="3 2" strokeWidth="1" />
      )}
      {sides.map((side) => (
        <g key={String(side)} fill="none" strokeWidth="1.5">
          <path d={path(false, side)} stroke="var(--mui-palette-ink3)" />
          <path d={path(true, side)} stroke="var(--mui-palette-text-primary)" />
        </g>
      ))}
      <rect x={x(end) - 2.5} y={y(values[end]!) - 2.5} width="5" height="5" fill="var(--mui-palette-text-primary)" />
      <title>{listed(label, ["Box", "Assistance", "Pads"].includes(measure) && say("lowerIsHarder"))}</title>
    </svg>
  );
}
