import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { ReadinessDay } from "../../shared/api/types";
import { visuallyHidden } from "../../shared/ui/hidden";
import { dayShort, number } from "../../shared/ui/format";
import { say } from "../../words/overview";

interface Row {
  name: string;
  /** What is done about it, and from where. */
  limit: string;
  at: number | null;
  top: number;
  of: (day: ReadinessDay) => number | null;
  text: (value: number) => string;
}

const rows: Row[] = [
  {
    name: say("sleep"),
    limit: say("least6H"),
    at: 6,
    top: 10,
    of: (d) => d.sleepHours,
    text: (v) => `${number(v, 1)} h`,
  },
  {
    name: say("soreness"),
    limit: say("actAt7"),
    at: 7,
    top: 10,
    of: (d) => d.soreness,
    text: (v) => say("tenth", { v: number(v) }),
  },
  {
    name: say("readiness"),
    limit: say("n10IsFresh"),
    at: null,
    top: 10,
    of: (d) => d.readiness,
    text: (v) => say("tenth", { v: number(v) }),
  },
  {
    name: say("pain"),
    limit: say("actAt3"),
    at: 3,
    top: 10,
    of: (d) => d.pain,
    text: (v) => say("tenth", { v: number(v) }),
  },
  {
    name: say("effort"),
    limit: say("ofTheSession"),
    at: null,
    top: 10,
    of: (d) => d.effort,
    text: (v) => say("rpe", { v: number(v, 1) }),
  },
];

const width = 150,
  height = 26;

/** What was told around the last nine training days, against the limits at which something is done. */
export function ReadinessPanel({ days, today }: { days: ReadinessDay[]; today: string }) {
  const told = rows.filter((r) => days.some((d) => r.of(d) !== null));
  return (
    <Box component="section" aria-label={say("readiness")}>
      <Typography variant="h2">{say("readiness")}</Typography>
      {told.length === 0 ? (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {say("noCheckInYetItIsAsked")}
        </Typography>
      ) : (
        <>
          <Typography variant="body2" color="textSecondary">
            {say("lastToldTo", {
              value: days.length === 1 ? "day" : say("days", { days: days.length }),
              day: dayShort(days[0]!.day, today),
              day2: dayShort(days.at(-1)!.day, today),
            })}
          </Typography>
          {told.map((r) => {
            const last = [...days].reverse().find((d) => r.of(d) !== null)!;
            return (
              <Box
                key={r.name}
                sx={{ display: "grid", gridTemplateColumns: "84px 1fr 64px", alignItems: "end", mt: 3, fontSize: 13 }}
              >
                <Box>
                  <b>{r.name}</b>
                  <Box sx={{ color: "text.secondary", fontSize: 12 }}>{r.limit}</Box>
                </Box>
                <svg viewBox={`0 0 ${width} ${height}`} width="100%" height={height} aria-hidden>
                  {days.map((d, i) => {
                    const value = r.of(d);
                    if (value === null) return null;
                    const tall = Math.max(1, (Math.min(value, r.top) / r.top) * (height - 2));
                    return (
                      <rect
                        key={d.day}
                        x={4 + i * 16}
                        y={height - 1 - tall}
                        width="11"
                        height={tall}
                        fill="var(--mui-palette-ink3)"
                      />
                    );
                  })}
                  {r.at !== null && (
                    <path
                      d={`M0 ${height - 1 - (r.at / r.top) * (height - 2)}H${width}`}
                      stroke="var(--mui-palette-text-primary)"
                      strokeDasharray="3 2"
                      strokeWidth="1"
                    />
                  )}
                  <path d={`M0 ${height - 0.5}H${width}`} stroke="var(--mui-palette-rock)" />
                </svg>
                <Box sx={{ textAlign: "right", fontWeight: 600 }}>{r.text(r.of(last)!)}</Box>
              </Box>
            );
          })}
          <Box sx={visuallyHidden}>
            <table aria-label={say("readinessDayByDay")}>
              <thead>
                <tr>
                  <th>{say("day")}</th>
                  {told.map((r) => (
                    <th key={r.name}>{r.name}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {days.map((d) => (
                  <tr key={d.day}>
                    <td>{d.day}</td>
                    {told.map((r) => {
                      const value = r.of(d);
                      return <td key={r.name}>{value === null ? say("notTold") : r.text(value)}</td>;
                    })}
                  </tr>
                ))}
              </tbody>
            </table>
          </Box>
        </>
      )}
    </Box>
  );
}
