import Box from "@mui/material/Box";
import type { TraceSample } from "../../../shared/api/types";

const [width, height, left, bottom] = [560, 180, 36, 20];

/** A quantity over time, its tops marked; what it says stands in the table below. */
export function TraceChart({
  lines,
  marks = [],
  label,
  unit,
}: {
  lines: readonly (readonly TraceSample[])[];
  /** Seconds that are marked on the first line. */
  marks?: readonly number[];
  label: string;
  unit: string;
}) {
  const all = lines.flat();
  const first = Math.min(...all.map((s) => s.seconds));
  const last = Math.max(...all.map((s) => s.seconds));
  const low = Math.min(0, ...all.map((s) => s.value));
  const high = Math.max(...all.map((s) => s.value));
  if (all.length === 0 || last <= first || high <= low) return null;
  const x = (seconds: number) => left + ((seconds - first) / (last - first)) * (width - left - 8);
  const y = (value: number) => 8 + (1 - (value - low) / (high - low)) * (height - bottom - 8);
  const near = (seconds: number) =>
    (lines[0] ?? []).reduce((a, b) => (Math.abs(b.seconds - seconds) < Math.abs(a.seconds - seconds) ? b : a));
  const step = 10 ** Math.floor(Math.log10(high - low));
  const ticks = [0, 1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => n * step).filter((t) => t <= high);
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      sx={(t) => ({
        display: "block",
        width,
        maxWidth: "100%",
        bgcolor: "background.paper",
        border: 1,
        borderColor: "divider",
        "& text": { fontSize: 11, fill: t.vars.palette.text.secondary },
        "& .rule": { stroke: t.vars.palette.divider },
        "& polyline": { fill: "none", strokeWidth: 1.5, stroke: t.vars.palette.primary.main },
        "& polyline:nth-of-type(2)": { stroke: t.vars.palette.text.secondary, strokeDasharray: "4 3" },
        "& circle": { fill: t.vars.palette.background.paper, stroke: t.vars.palette.primary.main, strokeWidth: 2 },
      })}
    >
      {ticks.map((t) => (
        <g key={t}>
          <line x1={left} x2={width - 8} y1={y(t)} y2={y(t)} className="rule" />
          <text x={left - 4} y={y(t) + 4} textAnchor="end">
            {Number(t.toPrecision(3))}
          </text>
        </g>
      ))}
      <text x={left} y={height - 5}>
        {unit}
      </text>
      {lines.map((line, i) => (
        <polyline key={i} points={line.map((s) => `${x(s.seconds).toFixed(1)},${y(s.value).toFixed(1)}`).join(" ")} />
      ))}
      {marks.map((seconds) => (
        <circle key={seconds} cx={x(seconds)} cy={y(near(seconds).value)} r={3.5} />
      ))}
    </Box>
  );
}
