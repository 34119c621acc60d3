import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Trends } from "../../shared/api/types";
import { dayShort, number } from "../../shared/ui/format";
import { useWidth } from "../../shared/ui/useWidth";
import { say } from "../../words/trends";
import { share } from "./share";

const height = 190,
  left = 44,
  bottom = 34,
  top = 10;

type Day = Trends["readiness"]["days"][number];

/** Days as points: what was told before them, and how they went against the three days before. */
export function Scatter({
  days,
  figure,
  label,
  most,
  today,
}: {
  days: Day[];
  figure: (day: Day) => number | null;
  label: string;
  /** The end of the axis. */
  most: number;
  today: string;
}) {
  const [width, ref] = useWidth();
  const shown = days.filter((d) => d.change !== null && figure(d) !== null);
  const reach = Math.max(0.1, ...shown.map((d) => Math.abs(d.change!)));
  const room = Math.max(1, width - left - 12);
  const x = (v: number) => left + (v / most) * room;
  const y = (change: number) => top + (height - bottom - top) * (0.5 - change / (2 * reach));
  const ink = "var(--mui-palette-text-primary)",
    grey = "var(--mui-palette-ink3)";
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg width={width} height={height} role="img" aria-label={label} style={{ display: "block", fontSize: 12 }}>
          {[reach, 0, -reach].map((v) => (
            <g key={v}>
              <path
                d={`M${left} ${y(v)}h${room}`}
                stroke={v === 0 ? ink : "var(--mui-palette-line2)"}
                strokeWidth="1"
              />
              <text x={left - 6} y={y(v) + 4} textAnchor="end" fill={grey}>
                {share(v)}
              </text>
            </g>
          ))}
          {Array.from({ length: 6 }, (_, i) => (i * most) / 5).map((v) => (
            <text key={v} x={x(v)} y={height - bottom + 16} textAnchor="middle" fill={grey}>
              {number(v, 1)}
            </text>
          ))}
          <text x={left + room / 2} y={height - 3} textAnchor="middle" fill={ink}>
            {label}
          </text>
          {shown.map((d) => (
            <circle
              key={d.day}
              cx={x(figure(d)!)}
              cy={y(d.change!)}
              r="4"
              fill="none"
              stroke="var(--mui-palette-primary-main)"
              strokeWidth="1.5"
            >
              <title>{`${dayShort(d.day, today)}: ${share(d.change!)}`}</title>
            </circle>
          ))}
        </svg>
      )}
    </div>
  );
}

/** What groups of days showed, with how many they are. */
export function Groups({
  title,
  groups,
  name,
}: {
  title: string;
  groups: Trends["readiness"]["bySleep"];
  name: (from: number | null, to: number | null) => string;
}) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" sx={{ fontSize: 13, fontWeight: 600, pb: 1 }}>
        {title}
      </Typography>
      <Box
        component="dl"
        sx={{
          m: 0,
          color: "text.primary",
          fontSize: 13,
          display: "grid",
          gridTemplateColumns: "1fr auto auto",
          gap: "2px 16px",
        }}
      >
        {groups.map((g) => (
          <Box key={`${g.from} ${g.to}`} sx={{ display: "contents" }}>
            <Box component="dt">{name(g.from, g.to)}</Box>
            <Box component="dd" sx={{ m: 0, color: "text.secondary", textAlign: "right" }}>
              {say("days", { days: g.days })}
            </Box>
            <Box component="dd" sx={{ m: 0, textAlign: "right", fontWeight: 600 }}>
              {g.change === null ? say("tooFew") : share(g.change)}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
