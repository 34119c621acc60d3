import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useUnit } from "../../shared/account/useMe";
import type { Effort, Load, LoggedSet, MassUnit, Session, SessionItem } from "../../shared/api/types";
import { number, writtenAdded, listed } from "../../shared/ui/format";
import { StatusShape } from "../../shared/ui/StatusShape";
import { effortText, isBeyond, loadWords } from "../../shared/sessions/effortText";
import { setUpText } from "../../shared/logging/setUp";
import { SetForm } from "../../shared/logging/SetForm";
import { say as word } from "../../words/common";
import { say } from "../../words/session";
import { gripWord } from "../../shared/ui/nameWords";

interface Props {
  session: Session;
  item: SessionItem;
  effort: Effort;
  load: Load;
  set?: LoggedSet;
  /** The form is open: the next one to do, or one to correct. */
  active: boolean;
  /** Null: who looks on corrects nothing. */
  onCorrect: (() => void) | null;
  onDone: () => void;
}

/** A set of the plan, as asked for and as done. */
export function SetRow({ session, item, effort: e, load, set, active, onCorrect, onDone }: Props) {
  const unit = useUnit();
  const met =
    set && set.form === "Clean" && (e.seconds === null ? set.reps >= e.repsLow : (set.seconds ?? 0) >= e.seconds);
  const parts = (item.plan?.efforts ?? []).some((x) => x.part > 1);
  return (
    <Box
      component="li"
      aria-current={active ? "step" : undefined}
      sx={{
        borderBottom: 1,
        borderColor: "divider",
        bgcolor: active ? "background.paper" : "transparent",
        px: active ? 4 : 0,
        py: 2,
      }}
    >
      <Box sx={{ display: "flex", gap: 3, alignItems: "center", flexWrap: "wrap", minHeight: 32 }}>
        <StatusShape
          status={set ? (met ? "won" : "training") : "ahead"}
          title={set ? (met ? say("targetMet") : word("done")) : say("toDo")}
        />
        <Typography sx={{ fontWeight: 600, minWidth: 76 }}>
          {say("set", { set: e.set })}
          {parts && `.${e.part}`} {isBeyond(item, e) && say("extra")}
        </Typography>
        <Typography color="textSecondary" sx={{ minWidth: 150 }}>
          {effortText(e)} {loadWords(load, unit)}
          {e.grip && `, ${gripWord[e.grip]}`}
          {e.takeOff.length > 0 && (
            <Box component="span" sx={{ color: "secondary.main", fontWeight: 600 }}>
              {" "}
              {say("takeOff", { takeOff: e.takeOff.map((p) => number(p.size.value)).join(" + ") })}
            </Box>
          )}
        </Typography>
        {set && (
          <>
            <Typography sx={{ fontWeight: 600, mr: "auto" }}>
              {doneText(set, unit)}
              {(setUpText(set.setUp, item.setUp) || set.note || set.was) && (
                <Typography variant="body2" component="span" color="textSecondary" sx={{ display: "block" }}>
                  {[
                    setUpText(set.setUp, item.setUp),
                    set.note,
                    set.was &&
                      say("correctedWasAt", {
                        reps: String(set.was.seconds === null ? set.was.reps : `${set.was.seconds} s`),
                        added: writtenAdded(set.was.added, unit),
                      }),
                  ]
                    .filter(Boolean)
                    .join("; ")}
                </Typography>
              )}
            </Typography>
            {onCorrect && (
              <Button
                size="small"
                variant="text"
                onClick={onCorrect}
                aria-label={listed(
                  say(active ? "leaveSet" : "correctSet", { set: e.set }),
                  e.part > 1 && say("part", { part: e.part }),
                )}
              >
                {active ? say("leaveIt2") : say("correct")}
              </Button>
            )}
          </>
        )}
      </Box>
      {/* Another unit is another form: its figures would be read otherwise. */}
      {active && <SetForm key={unit} session={session} item={item} effort={e} load={load} set={set} onDone={onDone} />}
    </Box>
  );
}

/** What was done, for instance "9 of 12 clean at +6.25 kg, 1 in reserve, form broke down: half reps". */
function doneText(set: LoggedSet, unit: MassUnit) {
  const broken = set.form === "Broken";
  const amount = set.seconds === null ? String(set.reps) : `${set.seconds} s`;
  return listed(
    say("at", {
      amount: broken && set.total ? say("cleanOf", { clean: amount, total: set.total }) : amount,
      added: writtenAdded(set.added, unit),
    }),
    set.reserve !== null && say("left", { reserve: set.reserve }),
    broken && (set.fault ? say("formBrokeBy", { fault: set.fault }) : !set.total && say("formBroke")),
    set.failedAt && say(set.failedAt === "Start" ? "failedAtTheStart" : "failedAtTheTop"),
    set.pain !== null &&
      set.pain > 0 &&
      say("painOfSet", { place: set.painPlace ?? say("withoutPlace"), pain: set.pain }),
  );
}
