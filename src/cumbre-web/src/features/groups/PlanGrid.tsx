import { Listed } from "../../shared/ui/Listed";
import Box from "@mui/material/Box";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { Link } from "react-router";
import { useUnit } from "../../shared/account/useMe";
import type { GroupItem, GroupPlan, GroupSession } from "../../shared/api/types";
import { noticeText } from "../../shared/generation/wording";
import { dayWeek } from "../../shared/ui/format";
import { cautionText } from "../../shared/why/wording";
import { classMinutes, stationLabel } from "./wording";
import { useRead } from "../../shared/notation/useRead";
import { say } from "../../words/groups";

/** A week of a group: stations down, athletes across. */
export function PlanGrid({ plan, week }: { plan: GroupPlan; week: number }) {
  return (
    <Box sx={{ display: "grid", gap: 6 }}>
      {plan.weeks[week]!.sessions.map((s) => (
        <SessionGrid key={s.day} session={s} plan={plan} />
      ))}
    </Box>
  );
}

function SessionGrid({ session, plan }: { session: GroupSession; plan: GroupPlan }) {
  const longest = classMinutes(session);
  return (
    <section aria-label={dayWeek(session.day)}>
      <Typography variant="h3" component="h2">
        {dayWeek(session.day)}
        {session.title && `, ${session.title}`}
        <Box component="span" sx={{ color: "text.secondary", fontWeight: 400, ml: 2, fontSize: 13 }}>
          <Listed>
            {say(session.form === "Circuit" ? "circuit" : "class")}
            {longest !== null && say("minForWhomItTakesLongest", { longest })}
          </Listed>
        </Box>
      </Typography>
      <Box sx={{ overflowX: "auto", mt: 1 }}>
        <Table size="small" aria-label={say("stationsAndAthletes", { day: dayWeek(session.day) })}>
          <TableHead>
            <TableRow>
              <TableCell sx={{ minWidth: 120 }}>{say("station")}</TableCell>
              {plan.members.map((m, i) => (
                <TableCell key={m.athleteId} sx={{ minWidth: 150 }}>
                  {m.hasBlock ? <Link to={`/athletes/${m.athleteId}/blocks/${m.blockId}`}>{m.name}</Link> : m.name}
                  {session.minutes[i] != null && (
                    <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
                      {" "}
                      {say("min", { minutes: session.minutes[i] })}
                    </Box>
                  )}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {session.stations.map((station) => (
              <TableRow key={station.key} sx={{ verticalAlign: "top" }}>
                <TableCell component="th" scope="row" sx={{ fontWeight: 600 }}>
                  {stationLabel(station)}
                </TableCell>
                {station.cells.map((items, i) => (
                  <TableCell key={plan.members[i]!.athleteId}>
                    <Cell items={items} />
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </Box>
    </section>
  );
}

function Cell({ items }: { items: GroupItem[] }) {
  const read = useRead();
  if (items.length === 0)
    return (
      <Box component="span" sx={{ color: "text.secondary" }}>
        –
      </Box>
    );
  return items.map((item) => (
    <Box key={`${item.movement} ${item.line}`} sx={{ mb: 1, fontSize: 13, lineHeight: "17px" }}>
      <div>{item.movement}</div>
      <Box sx={{ fontWeight: 600 }}>{read(item.line)}</Box>
      {item.easier && (
        <Box sx={{ color: "text.secondary", fontSize: 12 }}>
          {say("easier", { movement: item.easier.movement, line: read(item.easier.line) })}
        </Box>
      )}
    </Box>
  ));
}

/** What to know of each athlete beside the stations. */
export function MemberNotes({ plan }: { plan: GroupPlan }) {
  const unit = useUnit();
  const told = plan.members.filter((m) => m.withoutMass || m.notices.length > 0 || m.cautions.length > 0);
  if (told.length === 0) return null;
  return (
    <Box component="section" aria-label={say("toKnow")} sx={{ fontSize: 13, lineHeight: "18px" }}>
      <Typography variant="h3" component="h2">
        {say("toKnow")}
      </Typography>
      {told.map((m) => (
        <Box key={m.athleteId} sx={{ mt: 2 }}>
          <b>{m.name}</b>
          <Box component="ul" sx={{ m: 0, pl: 4 }}>
            {m.withoutMass && (
              <li>
                {say("neverWeighed")} <Link to={`/athletes/${m.athleteId}/profile`}>{say("aBodyMassIsNeeded")}</Link>.
              </li>
            )}
            {m.notices.map((n, i) => (
              <li key={i}>{noticeText(n, unit)}</li>
            ))}
            {m.cautions.map((c, i) => (
              <li key={`caution-${i}`}>{cautionText(c, unit)}</li>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
