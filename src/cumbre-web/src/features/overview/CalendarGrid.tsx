import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Consistency } from "../../shared/api/types";
import { dayWeek, number } from "../../shared/ui/format";
import { weekdays } from "../../shared/generation/wording";
import { weekInOrder } from "../../words/habits";
import { say as word } from "../../words/common";
import { say } from "../../words/overview";

type Day = Consistency["days"][number];

const size = 13,
  step = 19;
const dayNames = weekdays.map((w) => w.name);

const addDays = (day: string, by: number) => {
  const d = new Date(`${day}T12:00:00Z`);
  d.setUTCDate(d.getUTCDate() + by);
  return d.toISOString().slice(0, 10);
};

const words: Record<Day["fate"], string> = {
  Done: word("done"),
  Partly: word("partly"),
  Missed: word("missed"),
  Planned: word("planned"),
};

/** Twelve weeks as squares: filled is done, striped a deload, half is partly, a cross is missed. */
export function CalendarGrid({ consistency, today }: { consistency: Consistency; today: string }) {
  const byDay = new Map(consistency.days.map((d) => [d.day, d]));
  const week = weekInOrder();
  // The weeks of the server start on Mondays; a week that starts on another day begins before, and one more is seen.
  const from = addDays(consistency.from, week[0] === 1 ? 0 : week[0]! - 8);
  const rows = week
    .map((day, r) => ({ name: dayNames[day - 1]!, day, r }))
    .filter(({ day }) => consistency.days.some((d) => (new Date(`${d.day}T12:00:00Z`).getUTCDay() || 7) === day));
  // Only the days that come before Monday in the reader's week reach into a thirteenth column.
  const weeks = rows.some(({ day }) => week[0] !== 1 && day >= week[0]!) ? 13 : 12;
  const count = (fate: Day["fate"], easy?: boolean) =>
    consistency.days.filter((d) => d.fate === fate && (easy === undefined || d.isEasy === easy)).length;
  const legend = [
    ["Done", false, say("done", { count: count("Done", false) })],
    ["Done", true, say("deloadDone", { count: count("Done", true) })],
    ["Partly", false, say("partly", { count: count("Partly") })],
    ["Missed", false, say("missed", { count: count("Missed") })],
    ["Planned", false, say("planned", { count: count("Planned") })],
  ] as const;
  const share = consistency.adherence;
  return (
    <Box component="section" aria-label={say("consistency")}>
      <Typography variant="h2">{say("consistency")}</Typography>
      {consistency.days.length === 0 ? (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {say("noSessionInTheLastTwelveWeeks")}
        </Typography>
      ) : (
        <>
          {share != null && (
            <Box sx={{ display: "flex", gap: 3, alignItems: "center", mt: 1 }}>
              <Typography
                sx={{ fontSize: 30, lineHeight: "36px", whiteSpace: "nowrap", fontWeight: 650, fontStretch: "112%" }}
              >
                {number(Math.round(share * 100))} %
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {say("ofSessionsDoneInFullInTwelve", { inFull: consistency.inFull, due: consistency.due })}
              </Typography>
            </Box>
          )}
          <svg
            viewBox={`0 0 ${40 + weeks * step} ${rows.length * step + 4}`}
            width="100%"
            role="img"
            aria-label={say("sessionsOfTwelveWeeks", { legend: legend.map((l) => l[2]).join(", ") })}
            style={{ maxWidth: 300, display: "block", marginTop: 8 }}
          >
            {rows.map(({ name, r }, y) => (
              <g key={name}>
                <text x="0" y={y * step + 12} fontSize="12" fill="var(--mui-palette-ink3)">
                  {name}
                </text>
                {Array.from({ length: weeks }, (_, w) => {
                  const date = addDays(from, 7 * w + r);
                  const day = byDay.get(date);
                  return (
                    <g key={w} transform={`translate(${40 + w * step} ${y * step + 1})`}>
                      {day ? (
                        <Square day={day} now={date === today} />
                      ) : (
                        <path d="M4 7h5" stroke="var(--mui-palette-line2)" strokeWidth="1.5" />
                      )}
                    </g>
                  );
                })}
              </g>
            ))}
          </svg>
          <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 4, rowGap: 1, mt: 2, fontSize: 12 }}>
            {legend.map(([fate, isEasy, text]) => (
              <Box key={text} sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
                <svg width={size} height={size} aria-hidden>
                  <Square day={{ day: "", fate, isEasy }} now={false} />
                </svg>
                {text}
              </Box>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}

function Square({ day, now }: { day: Day; now: boolean }) {
  const glacier = "var(--mui-palette-primary-main)";
  const edge = day.fate === "Done" || day.fate === "Partly" ? glacier : "var(--mui-palette-ink3)";
  return (
    <g>
      {day.day && <title>{`${dayWeek(day.day)}: ${words[day.fate]}${day.isEasy ? ", deload" : ""}`}</title>}
      <rect
        x=".75"
        y=".75"
        width={size - 1.5}
        height={size - 1.5}
        fill={day.fate === "Done" && !day.isEasy ? glacier : "none"}
        stroke={now ? "var(--mui-palette-text-primary)" : edge}
        strokeWidth={now ? 2 : 1.25}
      />
      {day.fate === "Done" && day.isEasy && (
        <path d="M1 6 6 1M1 12 12 1M7 12l5-5" stroke={glacier} strokeWidth="1.75" fill="none" />
      )}
      {day.fate === "Partly" && <rect x="1" y={size / 2} width={size - 2} height={size / 2 - 1} fill={glacier} />}
      {day.fate === "Missed" && <path d="M4 4l5 5M9 4l-5 5" stroke="var(--mui-palette-ink3)" strokeWidth="1.25" />}
    </g>
  );
}
