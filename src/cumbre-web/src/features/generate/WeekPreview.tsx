import Box from "@mui/material/Box";
import type { BlockWeek, ItemWhy, WeekReading } from "../../shared/api/types";
import { clock, dayWeek, minutes } from "../../shared/ui/format";
import { WhyFigure } from "../../shared/why/WhyFigure";
import { useRead } from "../../shared/notation/useRead";
import { say } from "../../words/generate";

/** A week side by side: each exercise with its line, its time, and why it is there. */
export function WeekPreview({
  week,
  reading,
  why,
  athlete,
}: {
  week: BlockWeek;
  reading: WeekReading | undefined;
  why: Map<string, ItemWhy>;
  athlete: string;
}) {
  const written = useRead();
  return (
    <Box
      role="group"
      aria-label={say("sessionsOfTheWeek")}
      tabIndex={0}
      sx={(t) => ({
        display: "grid",
        gridAutoFlow: "column",
        gridAutoColumns: "minmax(212px, 1fr)",
        border: `1px solid ${t.vars.palette.line2}`,
        overflowX: "auto",
        bgcolor: "background.paper",
      })}
    >
      {week.sessions.map((session) => {
        const read = reading?.sessions.find((s) => s.id === session.id);
        return (
          <Box
            component="section"
            key={session.id}
            aria-label={`${dayWeek(session.day)}, ${session.title}`}
            sx={(t) => ({
              borderRight: `1px solid ${t.vars.palette.line2}`,
              "&:last-child": { borderRight: 0 },
              pb: 3,
            })}
          >
            <Box sx={{ px: 3, py: 2, fontSize: 13, lineHeight: "17px" }}>
              <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2, fontWeight: 600 }}>
                <span>{dayWeek(session.day)}</span>
                <span>{minutes(read?.seconds ?? 0)}</span>
              </Box>
              <Box sx={{ fontWeight: 600, minHeight: 17 }}>{session.title}</Box>
              <Box sx={{ color: "text.secondary", fontSize: 12, lineHeight: "16px", mt: 1 }}>
                {say("text2", {
                  sets: read?.sets ?? 0,
                  hardSets: read?.hardSets ?? 0,
                  seconds: clock(session.warmUp.seconds),
                })}
                {session.warmUp.text && `: ${session.warmUp.text}`}
              </Box>
            </Box>
            <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
              {session.items.map((item) => {
                const summary = read?.items.find((i) => i.id === item.id);
                const reasons = why.get(item.id);
                const name = summary?.movement ?? item.movement;
                return (
                  <Box
                    component="li"
                    key={item.id}
                    sx={(t) => ({
                      px: 3,
                      py: 1.5,
                      ml: item.joined ? 2 : 0,
                      borderTop: item.joined ? 0 : `1px solid ${t.vars.palette.divider}`,
                      borderLeft: item.joined ? `2px solid ${t.vars.palette.text.primary}` : 0,
                      fontSize: 13,
                      lineHeight: "17px",
                    })}
                  >
                    <Box sx={{ fontWeight: 600, fontStretch: "92%" }}>
                      {reasons ? (
                        <WhyFigure
                          wrap
                          figure={{
                            key: `made:${item.id}`,
                            shown: name,
                            subject: `${athlete}, ${written(item.line)}`,
                            why: reasons.why,
                          }}
                        >
                          {name}
                        </WhyFigure>
                      ) : (
                        name
                      )}
                    </Box>
                    <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2 }}>
                      <span>{written(summary?.line ?? item.line)}</span>
                      <Box component="span" sx={{ color: "text.secondary", fontVariantNumeric: "tabular-nums" }}>
                        {summary && clock(summary.seconds)}
                      </Box>
                    </Box>
                  </Box>
                );
              })}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
