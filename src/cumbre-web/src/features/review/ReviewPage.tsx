import Button from "@mui/material/Button";
import { queryOptions, useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { useSignedIn } from "../../shared/account/useMe";
import { api, ask } from "../../shared/api/client";
import type { BlockReview } from "../../shared/api/types";
import { measureName, valueText } from "../../shared/athletes/trendText";
import { weekdays } from "../../shared/generation/wording";
import { figure, shortfall } from "../../shared/ladders/wording";
import { Paper } from "../../shared/paper/Paper";
import { dayFull, dayShort, listed, number } from "../../shared/ui/format";
import { sideWord } from "../../shared/ui/nameWords";
import { FailedPage, Loading } from "../../shared/ui/states";
import { say } from "../../words/review";

const reviewQuery = (athleteId: string, blockId: string) =>
  queryOptions({
    queryKey: ["review", athleteId, blockId],
    queryFn: ({ signal }) =>
      ask(
        api.GET("/api/athletes/{athleteId}/blocks/{blockId}/review", {
          params: { path: { athleteId, blockId } },
          signal,
        }),
      ),
  });

/** What a block brought, on two pages for the athlete; the next one can be planned from here. */
export default function ReviewPage() {
  const { athleteId = "", blockId = "" } = useParams();
  const read = useQuery(reviewQuery(athleteId, blockId));
  if (read.isPending) return <Loading />;
  if (read.isError) return <FailedPage error={read.error} retry={() => void read.refetch()} />;
  const review = read.data;
  return (
    <Paper
      back={`/athletes/${athleteId}/blocks/${blockId}`}
      tools={
        <Button component={Link} to={`/athletes/${athleteId}/generate?${wishAddress(review)}`}>
          {say("planNext")}
        </Button>
      }
    >
      <First review={review} />
      <Second review={review} />
    </Paper>
  );
}

/** The wish as the page that generates a block reads it. */
const wishAddress = ({ wish }: BlockReview) =>
  new URLSearchParams({
    start: wish.start,
    days: wish.days.join(" "),
    minutes: String(wish.minutes),
    weeks: String(wish.loadingWeeks),
  }).toString();

function Head({ review, page }: { review: BlockReview; page: number }) {
  const { club } = useSignedIn();
  return (
    <>
      <div className="head">
        <h1>{say("title", { athlete: review.athleteName, block: review.name })}</h1>
        <span>{say("page", { page })}</span>
      </div>
      <div>
        {say("span", { club, from: dayFull(review.start), until: dayFull(review.until) })}{" "}
        {!review.isOver && <b>{say("notOver")}</b>}
      </div>
    </>
  );
}

function First({ review }: { review: BlockReview }) {
  const { today } = useSignedIn();
  const { calendar, sets, skills, unit } = review;
  return (
    <section className="page" aria-label={say("page", { page: 1 })}>
      <Head review={review} page={1} />
      <h2>{say("plannedDone")}</h2>
      <div>
        {calendar.due === 0
          ? say("noneDue")
          : say("kept", {
              due: calendar.due,
              inFull: calendar.inFull,
              partly: calendar.partly,
              missed: calendar.due - calendar.inFull - calendar.partly,
            })}
      </div>
      {sets && (
        <table>
          <thead>
            <tr>
              <th>{say("week")}</th>
              {sets.rows.map((r) => (
                <th key={r.monday}>{dayShort(r.monday, today)}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {(["planned", "done"] as const).map((row) => (
              <tr key={row}>
                <th>{say(row === "planned" ? "setsPlanned" : "setsDone")}</th>
                {sets.rows.map((r) => (
                  <td key={r.monday}>{r.values[sets.columns.indexOf(row)]}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2>{say("skills")}</h2>
      {skills.length === 0 && <div>{say("noSkill")}</div>}
      {skills.map((s) => (
        <div className="item" key={s.ladder}>
          <b>{s.name}</b>
          {": "}
          {s.before === s.after
            ? say("still", { step: s.after ?? say("notStarted") })
            : say("moved", { before: s.before ?? say("notStarted"), after: s.after ?? say("notStarted") })}
          {s.won.length > 0 && <div>{say(s.isFirstMeasured ? "shownFirst" : "won", { steps: listed(...s.won) })}</div>}
          {s.opened.length > 0 && <div>{say("opened", { steps: listed(...s.opened) })}</div>}
          {s.lost.length > 0 && <div>{say("lostSteps", { steps: listed(...s.lost) })}</div>}
          {s.isGoal && s.limiting && (
            <div>{say("limiting", { name: s.limiting.name, short: shortfall(s.limiting, unit) })}</div>
          )}
        </div>
      ))}
    </section>
  );
}

function Second({ review }: { review: BlockReview }) {
  const { today } = useSignedIn();
  const { exercises, tests, pain, unit } = review;
  return (
    <section className="page" aria-label={say("page", { page: 2 })}>
      <Head review={review} page={2} />
      <h2>{say("exercises")}</h2>
      {exercises.length === 0 ? (
        <div>{say("noExercise")}</div>
      ) : (
        <table>
          <thead>
            <tr>
              <th>{say("exercise")}</th>
              <th>{say("daysCompared")}</th>
              <th>{say("firstTwo")}</th>
              <th>{say("lastTwo")}</th>
              <th>{say("verdict")}</th>
            </tr>
          </thead>
          <tbody>
            {exercises.map((e) => (
              <tr key={e.movement}>
                <th>{listed(e.name, e.measure === "OneRepMax" && measureName[e.measure])}</th>
                <td>{e.days}</td>
                <td>{e.before === null ? "" : valueText(e.measure, e.before, unit)}</td>
                <td>{e.after === null ? "" : valueText(e.measure, e.after, unit)}</td>
                <td>{yields[e.yield]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2>{say("tests")}</h2>
      {tests.length === 0 ? (
        <div>{say("noTest")}</div>
      ) : (
        <table>
          <thead>
            <tr>
              <th>{say("test")}</th>
              <th>{say("before")}</th>
              <th>{say("after")}</th>
              <th>{say("difference")}</th>
            </tr>
          </thead>
          <tbody>
            {tests.map((t) => (
              <tr key={`${t.name} ${t.side}`}>
                <th>{listed(t.name, t.side && sideWord[t.side])}</th>
                <td>
                  {t.before === null
                    ? say("firstTime")
                    : say("resultOn", { result: figure(t.before, unit), day: dayShort(t.beforeDay!, today) })}
                </td>
                <td>{say("resultOn", { result: figure(t.after, unit), day: dayShort(t.afterDay, today) })}</td>
                <td>{differenceText(t)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <h2>{say("pain")}</h2>
      {pain.length === 0 && <div>{say("noPain")}</div>}
      {pain.map((p) => (
        <div key={p.place}>
          {say("painAt", { place: p.place, worst: p.worst, days: p.days, last: dayShort(p.last, today) })}
        </div>
      ))}
      <h2>{say("next")}</h2>
      <Next review={review} />
    </section>
  );
}

const yields: Record<BlockReview["exercises"][number]["yield"], string> = {
  Gained: say("gained"),
  Held: say("held"),
  Lost: say("lost"),
  TooFew: say("tooFew"),
};

const reasons: Record<BlockReview["wish"]["reasons"][number], string> = {
  FewerDays: say("fewerDays"),
  OtherMinutes: say("otherMinutes"),
  EarlierDeload: say("earlierDeload"),
};

/** What changed, and whether it is more than a test gives from one day to the next. */
function differenceText(t: BlockReview["tests"][number]) {
  if (t.before === null) return "";
  if (t.difference === null) return say("notComparable");
  const sign = t.difference > 0 ? "+" : "";
  const value = say(`difference${t.in}`, { value: `${sign}${number(t.difference, 1)}`, count: Math.abs(t.difference) });
  return say(t.isNoise ? "withinNoise" : "beyondNoise", { value });
}

function Next({ review: { wish, skills, unit } }: { review: BlockReview }) {
  const days = wish.days.map((d) => weekdays.find((w) => w.day === d)?.name ?? d);
  const focus = skills.filter((s) => s.isGoal && s.limiting);
  return (
    <>
      <div>
        {say("wish", {
          start: dayFull(wish.start),
          days: listed(...days),
          minutes: wish.minutes,
          weeks: wish.loadingWeeks,
        })}
      </div>
      {wish.reasons.map((r) => (
        <div key={r}>{reasons[r]}</div>
      ))}
      {focus.length > 0 && (
        <div>
          {say("focus", {
            factors: listed(...focus.map((s) => `${s.limiting!.name} ${shortfall(s.limiting!, unit)}`)),
          })}
        </div>
      )}
    </>
  );
}
