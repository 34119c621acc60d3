import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import type { Trends } from "../../shared/api/types";
import { dayWeek } from "../../shared/ui/format";
import { Section } from "../../shared/ui/Section";
import { say as word } from "../../words/common";
import { say } from "../../words/trends";
import { weekInOrder } from "../../words/habits";
import { monthName, monthsOf } from "./months";

type Day = Trends["calendar"]["days"][number];

const fates: Record<Day["fate"], string> = {
  Done: word("done"),
  Partly: word("partly"),
  Missed: word("missed"),
  Planned: word("planned"),
};

/** Month after month as a calendar shows it: filled is done, half is partly, a cross is missed. */
export function Months({ calendar, today }: { calendar: Trends["calendar"]; today: string }) {
  if (calendar.days.length === 0) return null;
  const byDay = new Map(calendar.days.map((d) => [d.day, d]));
  return (
    <Section
      title={say("calendar")}
      note={say("calendarNote", { inFull: calendar.inFull, partly: calendar.partly, due: calendar.due })}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 5 }}>
        {monthsOf(calendar.from, today, weekInOrder()[0]!).map(({ month, cells }) => {
          const days = calendar.days.filter((d) => d.day.startsWith(month) && d.day < today);
          return (
            <Box key={month} component="section" aria-label={say("monthOf", { month: monthName(month) })}>
              <Typography variant="h3" sx={{ fontSize: 13, fontWeight: 600 }}>
                {say("monthOf", { month: monthName(month) })}{" "}
                <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
                  {days.length > 0 &&
                    say("monthKept", { inFull: days.filter((d) => d.fate === "Done").length, due: days.length })}
                </Box>
              </Typography>
              <Box sx={{ display: "grid", gridTemplateColumns: "repeat(7, 22px)", gap: "2px", pt: 1 }}>
                {cells.map((day, i) =>
                  day === null ? <span key={-i} /> : <Cell key={day} day={day} session={byDay.get(day)} />,
                )}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Section>
  );
}

function Cell({ day, session }: { day: string; session: Day | undefined }) {
  const number = Number(day.slice(8));
  const filled = session?.fate === "Done" && !session.isEasy;
  const label = session && say("dayIs", { day: dayWeek(day), fate: fates[session.fate] });
  return (
    <Box
      role={label ? "img" : undefined}
      aria-label={label}
      title={label}
      aria-hidden={label ? undefined : true}
      sx={{
        height: 22,
        display: "grid",
        placeItems: "center",
        fontSize: 12,
        color: filled ? "primary.contrastText" : session ? "text.primary" : "ink3",
        border: session ? 1 : 0,
        borderColor: session?.fate === "Missed" ? "ink3" : "primary.main",
        textDecoration: session?.fate === "Missed" ? "line-through" : undefined,
        bgcolor: filled ? "primary.main" : undefined,
        backgroundImage:
          session?.fate === "Partly"
            ? "linear-gradient(to top, var(--mui-palette-glacierMid) 45%, transparent 45%)"
            : session?.fate === "Done" && session.isEasy
              ? "repeating-linear-gradient(45deg, var(--mui-palette-glacierMid) 0 2px, transparent 2px 6px)"
              : undefined,
      }}
    >
      {number}
    </Box>
  );
}
