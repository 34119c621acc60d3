import { Listed } from "../../shared/ui/Listed";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { Group, GroupSession } from "../../shared/api/types";
import { weekKinds } from "../../shared/blocks/wording";
import { Paper } from "../../shared/paper/Paper";
import { Small } from "../../shared/paper/SessionSheet";
import { dayWeek } from "../../shared/ui/format";
import { FailedPage, Loading } from "../../shared/ui/states";
import { groupQuery } from "../../shared/blocks/groups";
import { classMinutes, stationLabel, whoTrains } from "./wording";
import { say } from "../../words/groups";

/** Columns that a sheet holds before its figures become too small to read at the bar. */
const across = 5;

/** One sheet with names for the whole group, a page a session; each athlete's own sheets are a link away. */
export default function GroupSheet() {
  const { id = "" } = useParams();
  const { club } = useSignedIn();
  const [search, setSearch] = useSearchParams();
  const group = useQuery(groupQuery(id));
  if (group.isPending) return <Loading />;
  if (group.isError) return <FailedPage error={group.error} retry={() => void group.refetch()} />;
  const { weeks, members } = group.data.plan;
  const number = Math.min(Math.max(1, Number(search.get("week")) || 1), weeks.length);
  const week = weeks[number - 1]!;
  return (
    <Paper
      back={`/groups/${id}`}
      tools={
        <>
          <TextField
            select
            label={say("week")}
            value={number}
            onChange={(e) =>
              setSearch(
                (now) => {
                  now.set("week", e.target.value);
                  return now;
                },
                { replace: true },
              )
            }
            sx={{ width: 150 }}
          >
            {weeks.map((w, i) => (
              <MenuItem key={i} value={i + 1}>
                {i + 1}, {weekKinds[w.kind]}
              </MenuItem>
            ))}
          </TextField>
          <span>
            {say("eachAthletesOwn2")}{" "}
            {members
              .filter((m) => m.hasBlock)
              .map((m, i) => (
                <span key={m.athleteId}>
                  {i > 0 && ", "}
                  <Link to={`/athletes/${m.athleteId}/blocks/${m.blockId}/print?week=${number}`}>{m.name}</Link>
                </span>
              ))}
          </span>
        </>
      }
    >
      {week.sessions.flatMap((s) =>
        inPages(whoTrains(s)).map((who) => (
          <SessionPage key={`${s.day} ${who[0]}`} session={s} group={group.data} club={club} week={number} who={who} />
        )),
      )}
    </Paper>
  );
}

function inPages(who: number[]) {
  return Array.from({ length: Math.ceil(who.length / across) }, (_, i) => who.slice(i * across, (i + 1) * across));
}

function SessionPage({
  session,
  group,
  club,
  week,
  who,
}: {
  session: GroupSession;
  group: Group;
  club: string;
  week: number;
  /** Positions of the athletes of the page. */
  who: number[];
}) {
  const members = who.map((i) => group.plan.members[i]!);
  const minutes = classMinutes(session);
  return (
    <section className="page" aria-label={`${dayWeek(session.day)}, ${members.map((m) => m.name).join(", ")}`}>
      <div className="head">
        <h1>
          {group.outline.name}, {dayWeek(session.day)}
          {session.title && `, ${session.title}`}
        </h1>
        <span>{say("week2", { week })}</span>
      </div>
      <div>
        <Listed>
          {club}
          {session.form === "Circuit" ? say("circuitOneSetAtEachStationIn") : say("class")}
          {minutes !== null && say("min", { minutes })}
        </Listed>
      </div>
      <table className="group">
        <thead>
          <tr>
            <th>{say("station")}</th>
            {members.map((m) => (
              <th key={m.athleteId}>{m.name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {session.stations.map((station, n) => (
            <tr key={station.key}>
              <th scope="row">
                {n + 1}. {stationLabel(station)}
              </th>
              {who.map((i) => (
                <td key={i}>
                  {station.cells[i]!.length === 0 && "–"}
                  {station.cells[i]!.map((item) => (
                    <p key={`${item.movement} ${item.line}`}>
                      {item.movement}
                      <br />
                      <b>{item.line}</b>
                      {item.easier && (
                        <>
                          <br />
                          <i>{say("easier", { movement: item.easier.movement, line: item.easier.line })}</i>
                        </>
                      )}
                    </p>
                  ))}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Small>{say("eachColumnIsOneAthletesOwn")}</Small>
    </section>
  );
}
