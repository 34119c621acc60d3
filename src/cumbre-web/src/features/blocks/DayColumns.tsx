import { Listed } from "../../shared/ui/Listed";
import { useDroppable } from "@dnd-kit/core";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import IconButton from "@mui/material/IconButton";
import type { BlockSession, BlockWeek, WeekReading } from "../../shared/api/types";
import { dayWeek } from "../../shared/ui/format";
import { weekKinds } from "../../shared/blocks/wording";
import { say } from "../../words/blocks";

/** From so many sessions on, the way to add one more is a sign of its own width. */
const roomForWords = 5;
/** So many lines a day shows; a longer one says how many more there are. */
const most = 5;

/** The sessions of a week side by side; an item can be dropped on another day. */
export function DayColumns({
  week,
  reading,
  open,
  minutes,
  onOpen,
  onAdd,
}: {
  week: BlockWeek;
  reading: WeekReading | undefined;
  open: string | null;
  minutes: number | null;
  onOpen: (session: string) => void;
  onAdd: () => void;
}) {
  return (
    <Box
      sx={(t) => ({
        display: "flex",
        border: `1px solid ${t.vars.palette.line2}`,
        borderBottom: 0,
        overflowX: "auto",
        mt: 3,
      })}
    >
      <Box role="tablist" aria-label={say("sessions")} sx={{ display: "flex", flex: `${week.sessions.length} 1 0` }}>
        {week.sessions.map((s) => (
          <Day
            key={s.id}
            session={s}
            reading={reading?.sessions.find((r) => r.id === s.id)}
            on={s.id === open}
            minutes={minutes}
            onOpen={() => onOpen(s.id)}
          />
        ))}
      </Box>
      {week.sessions.length < roomForWords ? (
        <Box sx={{ p: 2, display: "flex", alignItems: "center", color: "text.secondary", fontSize: 13, gap: 2 }}>
          {week.sessions.length === 0 && say("noSessionInThisWeek", { weekKinds: weekKinds[week.kind] })}
          <Button size="small" onClick={onAdd}>
            {say("addASession")}
          </Button>
        </Box>
      ) : (
        // Stays in view where the days have to be scrolled.
        <Box
          sx={{
            position: "sticky",
            right: 0,
            display: "flex",
            alignItems: "center",
            px: 1,
            bgcolor: "background.default",
          }}
        >
          <IconButton size="small" aria-label={say("addASession")} title={say("addASession")} onClick={onAdd}>
            +
          </IconButton>
        </Box>
      )}
    </Box>
  );
}

function Day({
  session,
  reading,
  on,
  minutes,
  onOpen,
}: {
  session: BlockSession;
  reading: WeekReading["sessions"][number] | undefined;
  on: boolean;
  minutes: number | null;
  onOpen: () => void;
}) {
  const { setNodeRef, isOver } = useDroppable({
    id: `day:${session.id}`,
    data: { name: dayWeek(session.day) },
    disabled: session.fixed,
  });
  const items = reading?.items ?? [];
  const shown = items.length > most ? items.slice(0, most - 1) : items;
  const takes = reading ? Math.ceil(reading.seconds / 60) : 0;
  return (
    <Box
      component="button"
      type="button"
      role="tab"
      aria-selected={on}
      ref={setNodeRef}
      onClick={onOpen}
      sx={(t) => ({
        all: "unset",
        boxSizing: "border-box",
        display: "flex",
        flexDirection: "column",
        cursor: "pointer",
        flex: "1 1 0",
        minWidth: 128,
        maxWidth: 260,
        px: 2.5,
        py: 2,
        fontSize: 12,
        lineHeight: "16px",
        fontStretch: "90%",
        bgcolor: on ? "background.paper" : isOver ? t.vars.palette.primary.light : "transparent",
        borderRight: `1px solid ${t.vars.palette.line2}`,
        boxShadow: on ? `inset 0 2px 0 ${t.vars.palette.text.primary}` : "none",
        "&:focus-visible": { outline: `2px solid ${t.vars.palette.primary.main}`, outlineOffset: -2 },
      })}
    >
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          flexWrap: "wrap",
          columnGap: 2,
          fontSize: 13,
          fontWeight: 600,
        }}
      >
        <span>{dayWeek(session.day)}</span>
        <Box component="span" sx={{ fontStretch: "105%" }}>
          {session.title}
        </Box>
      </Box>
      <Box sx={{ color: minutes !== null && takes > minutes ? "warning.main" : "text.secondary" }}>
        <Listed>
          {say("min", { takes, sets: reading?.sets ?? 0 })}
          {session.fixed && say("started")}
        </Listed>
      </Box>
      {shown.map((i) => (
        <Box
          key={i.id}
          sx={{
            whiteSpace: "nowrap",
            overflow: "hidden",
            textOverflow: "ellipsis",
            color: i.readable ? "inherit" : "error.main",
          }}
        >
          {i.movement}
        </Box>
      ))}
      {items.length > shown.length && (
        <Box sx={{ color: "text.secondary" }}>{say("andMore", { items: items.length - shown.length })}</Box>
      )}
    </Box>
  );
}
