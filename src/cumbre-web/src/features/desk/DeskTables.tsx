import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import type { Decision, Desk } from "../../shared/api/types";
import { dayShort, dayWeek, minutes, plural } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { takenText } from "../../shared/decisions/wording";
import { useUnit } from "../../shared/account/useMe";
import { shownLine } from "../../shared/notation/shownLine";
import { say } from "../../words/desk";

/** Today's sessions, retests that are due, pain that was reported, and what was decided today. */
export function DeskTables({ desk, undo }: { desk: Desk; undo: (decision: Decision) => void }) {
  const unit = useUnit();
  const total = desk.sessions.reduce((sum, s) => sum + s.durationSeconds, 0);
  return (
    <Box sx={{ containerType: "inline-size" }}>
      <Box
        sx={(t) => ({
          display: "grid",
          gap: 5,
          px: { xs: 4, sm: 6 },
          py: 4.5,
          [t.containerQueries.up(780)]: { gridTemplateColumns: "repeat(3, minmax(0, 1fr))", columnGap: 6 },
        })}
      >
        <Panel
          title={say("today")}
          note={
            desk.sessions.length > 0 ? say("sessions", { sessions: desk.sessions.length, total: minutes(total) }) : ""
          }
          empty={desk.sessions.length === 0 ? say("noSessionIsPlannedForToday") : null}
          more={
            desk.sessions.length > 0 && (
              <Box
                component={Link}
                to="/class"
                sx={{ ml: "auto", fontSize: 13, fontWeight: 400, color: "primary.main" }}
              >
                {say("runTheClass")}
              </Box>
            )
          }
        >
          {desk.sessions.map((s) => (
            <Row
              key={s.id}
              mark={s.decisionWaits && <StatusShape status="pending" title={say("aDecisionWaits")} />}
              to={`/athletes/${s.athleteId}/sessions/${s.id}`}
              name={s.athleteName}
              end={s.status === "Done" ? say("done") : minutes(s.durationSeconds)}
            >
              {s.easy && say("easy")} {s.held.length > 0 && say("stopped", { held: s.held.join(", ") })}{" "}
              {s.line
                ? `${s.movement}, ${shownLine(s.line, unit)}`
                : `${s.title ? `${s.title}, ` : ""}${plural(s.items, "item")}`}
            </Row>
          ))}
        </Panel>
        <Panel title={say("retestsDue")} empty={desk.retests.length === 0 ? say("noTestGrowsOldWithinTwoWeeks") : null}>
          {byAthlete(desk.retests)
            .slice(0, 7)
            .map(([first, ...others]) => (
              <Row
                key={`${first.athleteId}-${first.dueDay}`}
                to={`/athletes/${first.athleteId}`}
                name={first.athleteName}
                end={first.overdue ? <b>{say("overdue")}</b> : dayWeek(first.dueDay)}
              >
                {others.length > 0
                  ? say("testsFor", { others: others.length + 1, goals: first.goals.join(", ") })
                  : say("for", { name: first.name, goals: first.goals.join(", ") })}
              </Row>
            ))}
        </Panel>
        {desk.taken.length > 0 ? (
          <Panel title={say("decidedToday")}>
            {desk.taken.slice(0, 7).map((d) => (
              <Row
                key={d.id}
                to={`/athletes/${d.athleteId}`}
                name={d.athleteName}
                end={
                  <Button
                    size="small"
                    variant="text"
                    onClick={() => undo(d)}
                    aria-label={say("undo", { athleteName: d.athleteName, d: takenText(d) })}
                    sx={{ minHeight: 24, py: 0, mr: -2 }}
                  >
                    {say("undo2")}
                  </Button>
                }
              >
                {takenText(d)}
              </Row>
            ))}
          </Panel>
        ) : (
          <Panel title={say("painReported")} empty={desk.pain.length === 0 ? say("noneInTheLastSevenDays") : null}>
            {desk.pain.map((p) => (
              <Row
                key={`${p.athleteId}-${p.place}`}
                mark={<StatusShape status={p.stopped ? "stop" : "caution"} />}
                to={p.sessionId ? `/athletes/${p.athleteId}/sessions/${p.sessionId}` : `/athletes/${p.athleteId}`}
                name={p.athleteName}
                end={dayShort(p.day)}
              >
                {say("of10", { place: p.place, pain: p.pain, movement: p.movement ? `, ${p.movement}` : "" })}
              </Row>
            ))}
          </Panel>
        )}
      </Box>
    </Box>
  );
}

/** Who and when on one line, what on the next: nothing is cut. */
function Row({
  mark,
  to,
  name,
  end,
  children,
}: {
  mark?: React.ReactNode;
  to: string;
  name: string;
  end: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <Box component="li" sx={{ py: 1.5, borderBottom: 1, borderColor: "divider", fontSize: 13 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "center" }}>
        <Box
          component={Link}
          to={to}
          sx={{ color: "inherit", textDecoration: "none", "&:hover, &:focus-visible": { textDecoration: "underline" } }}
        >
          {name}
        </Box>
        {mark}
        <Box sx={{ ml: "auto", whiteSpace: "nowrap" }}>{end}</Box>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {children}
      </Typography>
    </Box>
  );
}

function Panel({
  title,
  note = "",
  empty = null,
  more = null,
  children,
}: {
  title: string;
  note?: string;
  empty?: string | null;
  more?: React.ReactNode;
  children: React.ReactNode;
}) {
  return (
    <Box component="section" sx={{ minWidth: 0 }}>
      <Box sx={{ display: "flex", alignItems: "baseline", pb: 1, borderBottom: 1, borderColor: "text.primary" }}>
        <Typography variant="h2">
          {title}
          <Typography component="span" variant="body2" color="textSecondary" sx={{ ml: 1.5, fontWeight: 400 }}>
            {note}
          </Typography>
        </Typography>
        {more}
      </Box>
      {empty ? (
        <Typography variant="body2" color="textSecondary" sx={{ py: 2 }}>
          {empty}
        </Typography>
      ) : (
        <Box component="ul" aria-label={title} sx={{ listStyle: "none", m: 0, p: 0 }}>
          {children}
        </Box>
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
