import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import type { BlockSession, BlockWeek, PublishedBlock } from "../../shared/api/types";
import { letters } from "../../shared/sessions/letters";
import { weekKinds } from "../../shared/blocks/wording";
import { clock, dayFull, dayWeek, minutes, listed } from "../../shared/ui/format";
import { FailedPage, Loading } from "../../shared/ui/states";
import { Paper } from "../../shared/paper/Paper";
import { ownSheetsQuery, sheetsQuery } from "../../shared/blocks/publishing";
import { SessionSheet, Small, type Sheet } from "../../shared/paper/SessionSheet";
import { say } from "../../words/publish";

/** Sheets of a week: one page a session with boxes to log by pen, or the week on one page. */
export default function SheetsPage() {
  const { athleteId = "", blockId = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const version = Number(search.get("version")) || null;
  const { isCoach } = useSignedIn();
  const drafts = useQuery({ ...sheetsQuery(athleteId, blockId, version), enabled: isCoach });
  const own = useQuery({ ...ownSheetsQuery(athleteId, blockId), enabled: !isCoach });
  const block = isCoach ? drafts : own;
  if (block.isPending) return <Loading />;
  if (block.isError) return <FailedPage error={block.error} retry={() => void block.refetch()} />;
  const weeks = block.data.block.weeks;
  const week = Math.min(Math.max(1, Number(search.get("week")) || 1), weeks.length);
  const overview = search.get("sheet") === "week";
  const set = (key: string, value: string) =>
    setSearch(
      (now) => {
        now.set(key, value);
        return now;
      },
      { replace: true },
    );
  return (
    <Paper
      back={isCoach ? `/athletes/${athleteId}/blocks/${blockId}` : `/athletes/${athleteId}/programme`}
      tools={
        <>
          <TextField
            select
            label={say("week")}
            value={week}
            onChange={(e) => set("week", e.target.value)}
            sx={{ width: 150 }}
          >
            {weeks.map((w, i) => (
              <MenuItem key={i} value={i + 1}>
                {i + 1}, {weekKinds[w.kind]}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            label={say("sheet")}
            value={overview ? "week" : "sessions"}
            onChange={(e) => set("sheet", e.target.value)}
            sx={{ width: 190 }}
          >
            <MenuItem value="sessions">{say("aPageASession")}</MenuItem>
            <MenuItem value="week">{say("theWeekOnAPage")}</MenuItem>
          </TextField>
        </>
      }
    >
      {overview ? (
        <WeekSheet block={block.data} week={weeks[week - 1]!} number={week} />
      ) : (
        weeks[week - 1]!.sessions.map((s) => <SessionSheet key={s.id} sheet={sheetOf(block.data, s, week)} />)
      )}
      {weeks[week - 1]!.sessions.length === 0 && <div className="page">{say("nothingIsPlannedInThisWeek")}</div>}
    </Paper>
  );
}

const edition = (block: PublishedBlock) =>
  listed(
    block.number === null ? say("aDraft") : say("version", { number: block.number }),
    dayFull(block.at.slice(0, 10)),
  );

function meaningsOf(block: PublishedBlock, session: BlockSession) {
  const all = new Map(block.items.map((i) => [i.id, i]));
  return session.items.map((i) => all.get(i.id));
}

function sheetOf(block: PublishedBlock, session: BlockSession, week: number): Sheet {
  const meanings = meaningsOf(block, session);
  return {
    club: block.club,
    athlete: block.athleteName,
    unit: block.unit,
    edition: edition(block),
    day: session.day,
    title: session.title,
    week: say("week2", { week }),
    seconds: block.seconds[session.id] ?? 0,
    warmUp: session.warmUp,
    coolDown: session.coolDown,
    items: session.items.map((item, i) => ({
      ...item,
      movement: meanings[i]?.movement ?? null,
      name: meanings[i]?.movement?.name ?? item.movement,
      plan: meanings[i]?.plan ?? null,
    })),
    cautions: block.cautions[session.id] ?? [],
    kept: null,
  };
}

function WeekSheet({ block, week, number }: { block: PublishedBlock; week: BlockWeek; number: number }) {
  return (
    <section className="page" aria-label={say("week3", { number })}>
      <div className="head">
        <h1>{say("week4", { athleteName: block.athleteName, number })}</h1>
        <span>{edition(block)}</span>
      </div>
      <div>{say("week5", { club: block.club, name: block.block.name, weekKinds: weekKinds[week.kind] })}</div>
      <table>
        <thead>
          <tr>
            {week.sessions.map((s) => (
              <th key={s.id}>
                {dayWeek(s.day)}
                <br />
                {s.title || say("session")}, {minutes(block.seconds[s.id] ?? 0)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            {week.sessions.map((s) => {
              const names = letters(s.items);
              const meanings = meaningsOf(block, s);
              return (
                <td key={s.id}>
                  {s.warmUp.text && <p>{say("warmUp", { seconds: clock(s.warmUp.seconds), text: s.warmUp.text })}</p>}
                  {s.items.map((item, i) => (
                    <p key={item.id}>
                      <b>
                        {names[i]} {meanings[i]?.movement?.name ?? item.movement}
                      </b>
                      <br />
                      {item.line}
                    </p>
                  ))}
                </td>
              );
            })}
          </tr>
        </tbody>
      </table>
      <Small />
    </section>
  );
}
