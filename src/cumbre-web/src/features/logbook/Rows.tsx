import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";
import { Link } from "react-router";
import { useSignedIn, useUnit } from "../../shared/account/useMe";
import type { LogbookSession, LogbookSet, MassUnit } from "../../shared/api/types";
import { contactWord } from "../../shared/athletes/painPlaces";
import { SetForm } from "../../shared/logging/SetForm";
import { amountText } from "../../shared/run/runText";
import { useRead } from "../../shared/notation/useRead";
import { effortsOf } from "../../shared/sessions/effortText";
import { sessionQuery } from "../../shared/sessions/useSession";
import { dayShort, dayWeek, inUnit, listed, number, timeOf, unitName, writtenAdded } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { Failed, Loading } from "../../shared/ui/states";
import { say } from "../../words/logbook";

const columns = 9;

const unlike = {
  Deload: () => say("deload"),
  Eased: () => say("unlikeEased"),
  Line: () => say("unlikeLine"),
  Load: () => say("unlikeLoad"),
};

interface Place {
  /** Set by set, each with its day and athlete, in place of the head of its session. */
  flat: boolean;
  /** The sessions whose sets are hidden. */
  folded: ReadonlySet<string>;
  onFold: (session: string) => void;
  /** The set that is corrected. */
  correcting: string | null;
  onCorrect: (set: string | null) => void;
}

/** Sessions with their sets. */
export function Rows({ sessions, ...place }: { sessions: readonly LogbookSession[] } & Place) {
  const unit = useUnit();
  return (
    <Box sx={{ overflowX: "auto" }} tabIndex={0} role="region" aria-label={say("logbook")}>
      <Box
        component="table"
        aria-label={say("logbook")}
        sx={(t) => ({
          width: "100%",
          minWidth: 760,
          borderCollapse: "collapse",
          fontSize: 13,
          "& th, & td": { textAlign: "left", py: 1, px: 2, fontWeight: 400, verticalAlign: "baseline" },
          "& th:first-of-type, & td:first-of-type": { pl: 0 },
          "& .n": { textAlign: "right", whiteSpace: "nowrap" },
          "& tbody tr": { borderTop: `1px solid ${t.vars.palette.divider}` },
          "& thead th": { color: "text.secondary" },
          "& tr[data-row]:focus-visible": { outline: `2px solid ${t.vars.palette.primary.main}`, outlineOffset: -2 },
        })}
      >
        <thead>
          <tr>
            <th>{say("movement")}</th>
            <th className="n">{say("set")}</th>
            <th className="n">{say("done")}</th>
            <th className="n">{`${say("load")}, ${unitName[unit]}`}</th>
            <th className="n">{`${say("system")}, ${unitName[unit]}`}</th>
            <th className="n">{say("rir")}</th>
            <th>{say("setUp")}</th>
            <th className="n">{`${say("e1rm")}, ${unitName[unit]}`}</th>
            <th className="n">{say("at")}</th>
          </tr>
        </thead>
        <tbody>
          {sessions.map((s) => (
            <Session key={place.flat ? s.sets[0]!.set.id : s.id} session={s} unit={unit} {...place} />
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function Session({ session: s, unit, ...place }: { session: LogbookSession; unit: MassUnit } & Place) {
  const { today } = useSignedIn();
  const isOpen = !place.folded.has(s.id);
  const reps = s.sets.filter((x) => x.set.seconds === null).reduce((sum, x) => sum + x.set.reps, 0);
  const seconds = s.sets.reduce((sum, x) => sum + (x.set.seconds ?? 0), 0);
  const best = Math.max(0, ...s.sets.map((x) => x.oneRepMaxKg ?? 0));
  const worst = s.sets
    .map((x) => x.set)
    .reduce<LogbookSet["set"] | null>(
      (a, b) => ((b.pain ?? 0) > (a?.pain ?? 0) || (b.sign !== null && !a?.sign) ? b : a),
      null,
    );
  return (
    <>
      {!place.flat && (
        <Box component="tr" data-row data-session={s.id} tabIndex={-1} sx={{ bgcolor: "background.paper" }}>
          <Box component="th" scope="colgroup" colSpan={columns - 2} sx={{ maxWidth: 0 }}>
            <Box sx={{ display: "flex", alignItems: "baseline", gap: 2, flexWrap: "wrap" }}>
              <ButtonBase
                data-fold
                aria-expanded={isOpen}
                aria-label={say("fold", { day: dayWeek(s.day), name: s.athleteName })}
                onClick={() => place.onFold(s.id)}
                sx={{ font: "inherit", fontWeight: 650, fontSize: 14, gap: 2 }}
              >
                <Box
                  component="span"
                  aria-hidden
                  sx={{
                    width: 0,
                    height: 0,
                    borderLeft: "6px solid currentColor",
                    borderTop: "4px solid transparent",
                    borderBottom: "4px solid transparent",
                    transform: isOpen ? "rotate(90deg)" : "none",
                  }}
                />
                {listed(dayWeek(s.day), s.athleteName)}
              </ButtonBase>
              <Box component="span" sx={{ color: "text.secondary" }}>
                {listed(
                  s.title,
                  s.bodyMassKg !== null && `${number(inUnit(s.bodyMassKg, unit), 1)} ${unitName[unit]}`,
                  say("sessionSum", { sets: s.sets.length, reps, seconds }),
                  s.easy && say("deload"),
                  s.effort !== null && say("rpe", { effort: s.effort }),
                  s.status === "Started" && s.day < today && say("notFinished"),
                )}
              </Box>
              {worst && (
                <Box component="span" sx={{ display: "inline-flex", gap: 1, alignItems: "center", fontWeight: 600 }}>
                  <StatusShape status={worst.sign !== null || (worst.pain ?? 0) >= 6 ? "stop" : "caution"} title="" />
                  {say("painAt", { pain: worst.pain ?? 0, place: worst.painPlace ?? "" })}
                </Box>
              )}
              <Box component={Link} to={`/athletes/${s.athlete}/sessions/${s.id}`} sx={{ color: "inherit" }}>
                {say("openSession")}
              </Box>
            </Box>
          </Box>
          <Box component="td" className="n" sx={{ fontWeight: 600 }}>
            {best > 0 ? number(inUnit(best, unit), 1) : ""}
          </Box>
          <td />
        </Box>
      )}
      {(isOpen || place.flat) &&
        s.sets.map((row, i) => (
          <Fragment key={row.set.id}>
            <SetOf row={row} before={s.sets[i - 1]} session={s} unit={unit} {...place} />
            {place.correcting === row.set.id && (
              <tr>
                <td colSpan={columns}>
                  <Correction session={s} row={row} onDone={() => place.onCorrect(null)} />
                </td>
              </tr>
            )}
          </Fragment>
        ))}
    </>
  );
}

function SetOf({
  row: { set, name, line, systemKg, oneRepMaxKg, item, compared },
  before,
  session: s,
  unit,
  flat,
  correcting,
  onCorrect,
}: {
  row: LogbookSet;
  before: LogbookSet | undefined;
  session: LogbookSession;
  unit: MassUnit;
} & Place) {
  const read = useRead();
  const setUp = Object.entries(set.setUp)
    .map(([part, value]) => `${part} ${value}`)
    .join(", ");
  const isOpen = correcting === set.id;
  return (
    <tr data-row data-set={set.id} tabIndex={-1}>
      <Box component="td" sx={{ color: "text.secondary", maxWidth: 280 }}>
        {before?.item !== item && (
          <>
            {flat && (
              <Box
                component={Link}
                to={`/athletes/${s.athlete}/sessions/${s.id}`}
                sx={{ color: "text.primary", display: "block" }}
              >
                {listed(dayWeek(s.day), s.athleteName)}
              </Box>
            )}
            <Box component="b" sx={{ color: "text.primary", fontWeight: 600 }}>
              {name}
            </Box>{" "}
            {read(line)}
            {compared && (
              <Box component="span" sx={{ display: "block" }}>
                {compared.holds
                  ? say("compared")
                  : say("notCompared", {
                      why: listed(
                        ...compared.unlike.map((why) =>
                          why === "SetUp" ? say("unlikeSetUp", { parts: listed(...compared.parts) }) : unlike[why](),
                        ),
                      ),
                    })}
              </Box>
            )}
          </>
        )}
      </Box>
      <td className="n">{s.sets.some((x) => x.item === item && x.set.part > 1) ? say("partOf", set) : set.set}</td>
      <td className="n">
        <b>{amountText(set)}</b>
        {set.contact && ` ${contactWord[set.contact]}`}
      </td>
      <td className="n">
        {set.added.value === 0 ? "0" : writtenAdded(set.added, unit).replace(` ${unitName[unit]}`, "")}
      </td>
      <td className="n">{systemKg === null ? "" : number(inUnit(systemKg, unit), 1)}</td>
      <td className="n">{set.reserve ?? ""}</td>
      <td>
        {listed(
          set.form === "Broken" && (set.fault ?? say("broken")),
          setUp,
          set.pain !== null && set.pain > 0 && say("painAt", { pain: set.pain, place: set.painPlace ?? "" }),
          set.note,
          set.was && say("wasBefore", { was: listed(amountText(set.was), writtenAdded(set.was.added, unit)) }),
        )}
      </td>
      <td className="n">{oneRepMaxKg === null ? "" : number(inUnit(oneRepMaxKg, unit), 1)}</td>
      <td className="n">
        {set.doneAt ? timeOf(set.doneAt) : ""}{" "}
        <Button
          data-correct
          size="small"
          variant="text"
          sx={{ minHeight: 24, py: 0 }}
          aria-label={say("correctSet", { set: set.set, movement: name, name: s.athleteName, day: dayShort(s.day) })}
          aria-expanded={isOpen}
          onClick={() => onCorrect(isOpen ? null : set.id)}
        >
          {isOpen ? say("leave") : say("correct")}
        </Button>
      </td>
    </tr>
  );
}

/** The form of the session's page, in place: what it changes is told before it is saved. */
function Correction({ session: s, row, onDone }: { session: LogbookSession; row: LogbookSet; onDone: () => void }) {
  const session = useQuery(sessionQuery(s.athlete, s.id));
  if (session.isPending) return <Loading />;
  if (session.isError) return <Failed error={session.error} retry={() => void session.refetch()} />;
  const item = session.data.items.find((i) => i.id === row.item);
  const set = item?.sets.find((x) => x.id === row.set.id);
  const effort = item && effortsOf(item, false).find((e) => e.set === row.set.set && e.part === row.set.part);
  const load = effort && item.plan?.loads[effort.load];
  if (!item || !set || !effort || !load) return <Typography role="alert">{say("changedMeanwhile")}</Typography>;
  return <SetForm session={session.data} item={item} effort={effort} load={load} set={set} onDone={onDone} />;
}
