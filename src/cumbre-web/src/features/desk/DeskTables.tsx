import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Decision, Desk } from "../../shared/api/types";
import { dayShort, dayWeek, minutes, plural } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { takenText } from "../../shared/decisions/wording";
import { useUnit } from "../../shared/account/useMe";
import { shownLine } from "../../shared/notation/shownLine";
import { say } from "../../words/desk";

/** The cell that gives way where a row is too wide. */
const cut = {
  color: "text.secondary",
  maxWidth: 0,
  width: "99%",
  overflow: "hidden",
  textOverflow: "ellipsis",
  whiteSpace: "nowrap",
} as const;

/** Today's sessions, retests that are due, pain that was reported, and what was decided today. */
export function DeskTables({ desk, undo }: { desk: Desk; undo: (decision: Decision) => void }) {
  const unit = useUnit();
  const total = desk.sessions.reduce((sum, s) => sum + s.durationSeconds, 0);
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "1fr", md: "1.2fr 1fr 1fr" },
        columnGap: 6,
        rowGap: 5,
        px: { xs: 4, sm: 6 },
        py: 4.5,
      }}
    >
      <Panel
        title={say("today")}
        note={
          desk.sessions.length > 0 ? say("sessions", { sessions: desk.sessions.length, total: minutes(total) }) : ""
        }
        empty={desk.sessions.length === 0 ? say("noSessionIsPlannedForToday") : null}
      >
        {desk.sessions.map((s) => (
          <TableRow key={s.id}>
            <TableCell sx={{ whiteSpace: "nowrap" }}>
              <Quiet to={`/athletes/${s.athleteId}/sessions/${s.id}`}>{s.athleteName}</Quiet>
            </TableCell>
            <TableCell sx={cut}>
              {s.easy && say("easy")}
              {s.held.length > 0 && say("stopped", { held: s.held.join(", ") })}
              {s.line
                ? `${s.movement}, ${shownLine(s.line, unit)}`
                : `${s.title ? `${s.title}, ` : ""}${plural(s.items, "item")}`}
            </TableCell>
            <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
              {s.status === "Done" ? say("done") : minutes(s.durationSeconds)}
            </TableCell>
            <TableCell align="right" sx={{ width: 18 }}>
              {s.decisionWaits && <StatusShape status="pending" title={say("aDecisionWaits")} />}
            </TableCell>
          </TableRow>
        ))}
      </Panel>
      <Panel title={say("retestsDue")} empty={desk.retests.length === 0 ? say("noTestGrowsOldWithinTwoWeeks") : null}>
        {byAthlete(desk.retests)
          .slice(0, 7)
          .map(([first, ...others]) => (
            <TableRow key={`${first.athleteId}-${first.dueDay}`}>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                <Quiet to={`/athletes/${first.athleteId}`}>{first.athleteName}</Quiet>
              </TableCell>
              <TableCell sx={cut}>
                {others.length > 0
                  ? say("testsFor", { others: others.length + 1, goals: first.goals.join(", ") })
                  : say("for", { name: first.name, goals: first.goals.join(", ") })}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap", fontWeight: first.overdue ? 600 : 400 }}>
                {first.overdue ? say("overdue") : dayWeek(first.dueDay)}
              </TableCell>
            </TableRow>
          ))}
      </Panel>
      {desk.taken.length > 0 ? (
        <Panel title={say("decidedToday")}>
          {desk.taken.slice(0, 7).map((d) => (
            <TableRow key={d.id}>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                <Quiet to={`/athletes/${d.athleteId}`}>{d.athleteName}</Quiet>
              </TableCell>
              <TableCell sx={{ color: "text.secondary" }}>{takenText(d)}</TableCell>
              <TableCell align="right">
                <Button
                  size="small"
                  variant="text"
                  onClick={() => undo(d)}
                  aria-label={say("undo", { athleteName: d.athleteName, d: takenText(d) })}
                  sx={{ minHeight: 24, py: 0 }}
                >
                  {say("undo2")}
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </Panel>
      ) : (
        <Panel title={say("painReported")} empty={desk.pain.length === 0 ? say("noneInTheLastSevenDays") : null}>
          {desk.pain.map((p) => (
            <TableRow key={`${p.athleteId}-${p.place}`}>
              <TableCell sx={{ width: 22 }}>
                <StatusShape status={p.stopped ? "stop" : "caution"} />
              </TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                <Quiet
                  to={p.sessionId ? `/athletes/${p.athleteId}/sessions/${p.sessionId}` : `/athletes/${p.athleteId}`}
                >
                  {p.athleteName}
                </Quiet>
              </TableCell>
              <TableCell sx={cut}>
                {say("of10", { place: p.place, pain: p.pain, movement: p.movement ? `, ${p.movement}` : "" })}
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: "nowrap" }}>
                {dayShort(p.day)}
              </TableCell>
            </TableRow>
          ))}
        </Panel>
      )}
    </Box>
  );
}

function Panel({
  title,
  note = "",
  empty = null,
  children,
}: {
  title: string;
  note?: string;
  empty?: string | null;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" sx={{ minWidth: 0 }}>
      <Typography variant="h2" sx={{ pb: 1, borderBottom: 1, borderColor: "text.primary" }}>
        {title}
        <Typography component="span" variant="body2" color="textSecondary" sx={{ ml: 1.5, fontWeight: 400 }}>
          {note}
        </Typography>
      </Typography>
      {empty ? (
        <Typography variant="body2" color="textSecondary" sx={{ py: 2 }}>
          {empty}
        </Typography>
      ) : (
        <Table aria-label={title}>
          <TableBody>{children}</TableBody>
        </Table>
      )}
    </Box>
  );
}

type Retest = Desk["retests"][number];

/** Tests of one athlete that fall due on one day are one evening's work, and one row. */
function byAthlete(retests: Retest[]): [Retest, ...Retest[]][] {
  const groups = new Map<string, [Retest, ...Retest[]]>();
  for (const r of retests) {
    const key = `${r.athleteId} ${r.dueDay}`;
    const group = groups.get(key);
    if (group) group.push(r);
    else groups.set(key, [r]);
  }
  return [...groups.values()];
}

function Quiet({ to, children }: { to: string; children: React.ReactNode }) {
  return (
    <Box
      component={Link}
      to={to}
      sx={{ color: "inherit", textDecoration: "none", "&:hover, &:focus-visible": { textDecoration: "underline" } }}
    >
      {children}
    </Box>
  );
}
