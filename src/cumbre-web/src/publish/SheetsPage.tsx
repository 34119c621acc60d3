import Button from "@mui/material/Button";
import GlobalStyles from "@mui/material/GlobalStyles";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import type { BlockSession, BlockWeek, ItemMeaning, MassUnit, PublishedBlock } from "../api/types";
import { letters } from "../programmes/doc";
import { weekKinds } from "../programmes/wording";
import { effortText, loadWords, piecesText } from "../session/effortText";
import { clock, dayFull, dayWeek, minutes, plural } from "../ui/format";
import { Failed, Loading } from "../ui/states";
import { cautionText } from "../why/wording";
import { sheetsQuery } from "./queries";
import "./sheets.css";

const papers = { a4: "A4", letter: "letter" } as const;
type Paper = keyof typeof papers;

/** Sheets of a week: one page a session with boxes to log by pen, or the week on one page. */
export default function SheetsPage() {
  const { athleteId = "", blockId = "" } = useParams();
  const [search, setSearch] = useSearchParams();
  const version = Number(search.get("version")) || null;
  const block = useQuery(sheetsQuery(athleteId, blockId, version));
  if (block.isPending) return <Loading />;
  if (block.isError) return <Failed error={block.error} retry={() => void block.refetch()} />;
  const weeks = block.data.block.weeks;
  const week = Math.min(Math.max(1, Number(search.get("week")) || 1), weeks.length);
  const paper: Paper = search.get("paper") === "letter" ? "letter" : "a4";
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
    <main className="sheets">
      <GlobalStyles styles={{ "@page": { size: papers[paper] } }} />
      <div className="tools">
        <Button variant="contained" color="secondary" onClick={() => window.print()}>
          Print
        </Button>
        <TextField select label="Week" value={week} onChange={(e) => set("week", e.target.value)} sx={{ width: 150 }}>
          {weeks.map((w, i) => (
            <MenuItem key={i} value={i + 1}>
              {i + 1}, {weekKinds[w.kind]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Sheet"
          value={overview ? "week" : "sessions"}
          onChange={(e) => set("sheet", e.target.value)}
          sx={{ width: 190 }}
        >
          <MenuItem value="sessions">a page a session</MenuItem>
          <MenuItem value="week">the week on a page</MenuItem>
        </TextField>
        <TextField
          select
          label="Paper"
          value={paper}
          onChange={(e) => set("paper", e.target.value)}
          sx={{ width: 110 }}
        >
          <MenuItem value="a4">A4</MenuItem>
          <MenuItem value="letter">Letter</MenuItem>
        </TextField>
        <Button component={Link} to={`/athletes/${athleteId}/blocks/${blockId}`}>
          Back
        </Button>
      </div>
      {overview ? (
        <WeekSheet block={block.data} week={weeks[week - 1]!} number={week} />
      ) : (
        weeks[week - 1]!.sessions.map((s) => <SessionSheet key={s.id} block={block.data} session={s} week={week} />)
      )}
      {weeks[week - 1]!.sessions.length === 0 && <div className="page">Nothing is planned in this week.</div>}
    </main>
  );
}

const edition = (block: PublishedBlock) =>
  `${block.number === null ? "draft" : `version ${block.number}`}, ${dayFull(block.at.slice(0, 10))}`;

function meaningsOf(block: PublishedBlock, session: BlockSession) {
  const all = new Map(block.items.map((i) => [i.id, i]));
  return session.items.map((i) => all.get(i.id));
}

function WeekSheet({ block, week, number }: { block: PublishedBlock; week: BlockWeek; number: number }) {
  return (
    <section className="page" aria-label={`Week ${number}`}>
      <div className="head">
        <h1>
          {block.athleteName}, week {number}
        </h1>
        <span>{edition(block)}</span>
      </div>
      <div>
        {block.club}, {block.block.name}, {weekKinds[week.kind]} week
      </div>
      <table>
        <thead>
          <tr>
            {week.sessions.map((s) => (
              <th key={s.id}>
                {dayWeek(s.day)}
                <br />
                {s.title || "Session"}, {minutes(block.seconds[s.id] ?? 0)}
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
                  {s.warmUp.text && (
                    <p>
                      Warm-up {clock(s.warmUp.seconds)}: {s.warmUp.text}
                    </p>
                  )}
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

function SessionSheet({ block, session, week }: { block: PublishedBlock; session: BlockSession; week: number }) {
  const { unit } = block;
  const meanings = meaningsOf(block, session);
  const names = letters(session.items);
  const plans = meanings.flatMap((m) => (m?.plan ? [m] : []));
  const cautions = block.cautions[session.id] ?? [];
  const tempos = plans.filter(
    (m, i) => m.plan!.tempo && plans.findIndex((x) => x.movement?.slug === m.movement?.slug) === i,
  );
  return (
    <section className="page" aria-label={`${dayWeek(session.day)}, ${session.title}`}>
      <div className="head">
        <h1>{block.athleteName}</h1>
        <span>{edition(block)}</span>
      </div>
      <div>
        {block.club}, {dayFull(session.day)}
        {session.title && `, ${session.title}`}, week {week}, {minutes(block.seconds[session.id] ?? 0)},{" "}
        {plural(session.items.length, "exercise")}
      </div>
      {session.warmUp.text && (
        <div>
          <b>Warm-up</b> {clock(session.warmUp.seconds)}: {session.warmUp.text}
        </div>
      )}
      <div style={{ marginTop: 6 }}>
        {session.items.map((item, i) => (
          <Item
            key={item.id}
            letter={names[i]!}
            joined={item.joined}
            line={item.line}
            movement={item.movement}
            meaning={meanings[i]}
            unit={unit}
          />
        ))}
      </div>
      {session.coolDown.text && (
        <div>
          <b>Cool-down</b> {clock(session.coolDown.seconds)}: {session.coolDown.text}
        </div>
      )}
      {tempos.length > 0 && (
        <>
          <h2>Tempo: lowering, pause at the bottom, lifting (X: as fast as possible), pause at the top, in seconds</h2>
          <div>{tempos.map((m) => `${m.movement?.name}: the bottom is ${m.movement?.bottom}`).join("; ")}.</div>
        </>
      )}
      <h2>Cautions</h2>
      <ul className="cautions">
        {cautions.map((c) => (
          <li key={c.id}>{cautionText(c, unit)}</li>
        ))}
      </ul>
      <Small />
    </section>
  );
}

function Item({
  letter,
  joined,
  line,
  movement,
  meaning,
  unit,
}: {
  letter: string;
  joined: boolean;
  line: string;
  movement: string;
  meaning: ItemMeaning | undefined;
  unit: MassUnit;
}) {
  const plan = meaning?.plan;
  const loads =
    plan?.loads.map(
      (l) => `${loadWords(l, unit).replace(/^at /, "")}${l.pieces.length > 0 ? ` (${piecesText(l.pieces)})` : ""}`,
    ) ?? [];
  // A drill between the sets of another exercise is not logged by pen.
  const between = joined && plan?.hardSets === 0 && plan.restSeconds === 0;
  const loaded = plan?.loads.some((l) => l.pieces.length > 0 || l.band || l.byFeet || l.counted);
  return (
    <div className={joined ? "item joined" : "item"}>
      <div className="what">
        <span className="letter">{letter}</span>
        <span>
          <b>{meaning?.movement?.name ?? movement}</b> <span className="line">{line}</span>
        </span>
        <span>{plan?.restAssumed && `rest ${clock(plan.restSeconds)}`}</span>
        <span />
        <span className="standard">
          {loaded && `${loads.join(" / ")}. `}
          {!between && meaning?.movement?.standard}
        </span>
      </div>
      {plan && !between && (
        <div className="boxes" aria-label={`Boxes of ${letter}`}>
          {plan.efforts.map((e) => (
            <div className="box" key={`${e.set}-${e.part}`}>
              {e.set}
              {plan.efforts.some((x) => x.part > 1) && `.${e.part}`}: {effortText(e)}
              {e.takeOff.length > 0 && `, off ${piecesText(e.takeOff)}`}
            </div>
          ))}
          <div className="box">left, pain</div>
        </div>
      )}
    </div>
  );
}

/** What stands on every sheet. */
function Small() {
  return (
    <p style={{ marginBottom: 0 }}>
      In a box: reps or seconds done. Stop on sharp pain, a pinch on top of the shoulder, a pop, numbness or tingling;
      ask again the next morning. Training arithmetic, not medical advice; local rules and licensed practice come first.
    </p>
  );
}
