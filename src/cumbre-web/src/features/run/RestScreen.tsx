import Box from "@mui/material/Box";
import Typography from "@mui/material/Typography";
import { useEffect, useRef } from "react";
import type { MassUnit } from "../../shared/api/types";
import { contactWord } from "../../shared/athletes/painPlaces";
import { movesTo, onBelt } from "../../shared/run/plates";
import { doneText, loadText, restName, stepName, targetOf, whereIn } from "../../shared/run/runText";
import { loadOf, type Rest, type Step } from "../../shared/run/session";
import { signal, type Habits } from "../../shared/run/signals";
import type { Running } from "../../shared/run/useRun";
import { announce } from "../../shared/ui/announce";
import { clock } from "../../shared/ui/format";
import { inSentence } from "../../shared/ui/nameWords";
import { Plates } from "../../shared/ui/Plates";
import { say } from "../../words/run";
import { Choices, Large, Primary } from "../../shared/run/Big";
import { MovementFigure } from "../../shared/figure/MovementFigure";
import { Instead, MoveText, part, twoColumns } from "./SetScreen";

const warnAt = 10;
const secondsOfBreath = 3;

/** The rest before the next step: how long still, what was done, and what comes. */
export function RestScreen({
  running,
  rest,
  next,
  unit,
  habits,
  onPain,
  onMore,
}: {
  running: Running;
  rest: Rest;
  next: Step;
  unit: MassUnit;
  habits: Habits;
  onPain: () => void;
  onMore: () => void;
}) {
  const { now, place, steps } = running;
  const left = Math.ceil((rest.until - now) / 1000);
  const told = useRef(left);
  useEffect(() => {
    const before = told.current;
    told.current = left;
    if (before > warnAt && left <= warnAt && left > 0) signal("warn", habits);
    if (before > 0 && left <= 0) signal("go", habits);
  }, [left, habits]);
  const { after } = rest;
  const set = after.set!;
  const moves = movesTo(onBelt(steps, place), loadOf(next, place).pieces);
  const target = targetOf(next);
  const breaths = after.item.plan?.breaths ?? null;
  const asksReserve =
    after.effort.seconds === null &&
    !after.item.movement.drill &&
    ["Work", "Top", "BackOff", "Practice", "Slot"].includes(after.effort.role);
  const repeats = after.effort.role === "Rung" && set.reps < after.effort.repsLow;
  const fell = after.effort.role === "Fast" && set.reps < after.effort.repsLow && next.item.id === after.item.id;
  const adjust = (by: number) =>
    running.move({ adjusted: { ...place.adjusted, [after.key]: (place.adjusted[after.key] ?? 0) + by } });
  return (
    <Box sx={twoColumns}>
      <Box sx={part}>
        <Box sx={{ display: "flex", alignItems: "baseline", gap: 3, flexWrap: "wrap" }}>
          <Typography variant="h1" tabIndex={-1} data-step sx={{ fontSize: 22, mr: "auto", outline: "none" }}>
            {restName[rest.kind]}
          </Typography>
          <Typography color="textSecondary" sx={{ fontSize: 16 }}>
            {say("beforeStep", { name: stepName(next), where: whereIn(next) })}
          </Typography>
        </Box>
        {rest.kind === "None" ? null : (
          <Box>
            <Typography
              role="timer"
              aria-live="off"
              color={left <= 0 ? "secondary" : "textPrimary"}
              sx={{
                fontSize: left <= -600 ? 84 : 132,
                lineHeight: "120px",
                fontWeight: 650,
                fontStretch: "112%",
                letterSpacing: "-.03em",
              }}
            >
              {clock(Math.abs(left))}
            </Typography>
            <Box sx={{ height: 14, bgcolor: "background.paper" }}>
              <Box
                sx={{ height: 14, bgcolor: "primary.main" }}
                style={{ width: `${Math.max(0, Math.min(100, (left / Math.max(1, rest.seconds)) * 100))}%` }}
              />
            </Box>
            <Box
              sx={{ display: "flex", justifyContent: "space-between", color: "text.secondary", fontSize: 15, mt: 1 }}
            >
              <span>
                {left <= 0
                  ? say("late", { late: clock(-left) })
                  : rest.kind === "Gap" && breaths !== null
                    ? say("breathe", { left: Math.ceil(left / secondsOfBreath) })
                    : say("ofRest", { rest: clock(rest.seconds) })}
              </span>
              <span>{left > 0 ? say("beeps") : ""}</span>
            </Box>
          </Box>
        )}
        {rest.kind !== "None" && rest.kind !== "Slot" && (
          <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 2 }}>
            <Large onClick={() => adjust(-15)}>{say("minus15")}</Large>
            <Large onClick={() => adjust(15)}>{say("plus15")}</Large>
          </Box>
        )}
        <Box>
          <Box sx={{ display: "flex", justifyContent: "space-between", gap: 3, mb: 2, fontSize: 16, flexWrap: "wrap" }}>
            <b>{asksReserve ? say("reserveLast") : stepName(after)}</b>
            <Box component="span" sx={{ color: "text.secondary" }}>
              {say("lastSet", { set: after.effort.set, done: doneText(set, unit) })}
            </Box>
          </Box>
          {asksReserve && (
            <Choices
              label={say("reserveLast")}
              value={set.reserve}
              onChoose={(reserve) => running.tell(set.id, after.item.id, { reserve })}
              choices={[0, 1, 2, 3, 4].map((value) => ({ value, text: value === 4 ? say("fourMore") : String(value) }))}
            />
          )}
          {after.item.movement.asksContact && (
            <Box sx={{ mt: 2 }}>
              <Typography sx={{ fontSize: 16, fontWeight: 600, mb: 1 }}>{say("contactLast")}</Typography>
              <Choices
                label={say("contactLast")}
                columns={3}
                value={set.contact}
                onChoose={(contact) => running.tell(set.id, after.item.id, { contact })}
                choices={(["Chin", "Collarbone", "Chest", "Belly", "Hip"] as const).map((value) => ({
                  value,
                  text: contactWord[value],
                }))}
              />
            </Box>
          )}
          {set.form === "Broken" && after.item.movement.faults.length > 0 && (
            <Box sx={{ mt: 2 }}>
              <Typography sx={{ fontSize: 16, fontWeight: 600, mb: 1 }}>{say("whichFault")}</Typography>
              <Choices
                label={say("whichFault")}
                columns={1}
                height={52}
                value={set.fault}
                onChoose={(fault) => running.tell(set.id, after.item.id, { fault })}
                choices={after.item.movement.faults.map((fault) => ({ value: fault, text: fault }))}
              />
            </Box>
          )}
          {repeats && (
            <Large
              sx={{ width: "100%", mt: 2 }}
              onClick={() => running.move({ again: after.key, chosen: after.item.id, started: after.key })}
            >
              {say("repeatStep", { reps: set.reps, n: after.effort.repsHigh })}
            </Large>
          )}
        </Box>
      </Box>
      <Box sx={{ ...part, flex: 1 }}>
        {fell && (
          <Large
            onClick={() => {
              running.note({ kind: "Skip", item: after.item.id, reason: say("fellReason") });
              running.move({ chosen: null });
            }}
          >
            {say("endFast", { name: inSentence(after.item.movement.name) })}
          </Large>
        )}
        <Instead running={running} step={next} />
        <Box
          sx={{
            mt: "auto",
            borderTop: 1,
            borderColor: "line2",
            pt: 3,
            display: "flex",
            gap: 3,
            justifyContent: "space-between",
          }}
        >
          <MovementFigure movement={next.item.movement.slug} size={next.item.id === after.item.id ? 72 : 160} />
          <Box sx={{ mr: "auto" }}>
            <Typography sx={{ fontSize: 20, fontWeight: 650 }}>
              {say("nextTarget", { name: stepName(next), target: `${target.figure} ${target.unit}` })}
            </Typography>
            {(loadOf(next, place).added.value !== 0 || moves.off.length > 0) && (
              <Typography sx={{ fontSize: 18 }}>{loadText(loadOf(next, place), unit)}</Typography>
            )}
            <MoveText moves={moves} unit={unit} />
          </Box>
          {(moves.on.length > 0 || moves.off.length > 0) && (
            <Plates pieces={moves.stay} takeOff={moves.on.length > 0 ? moves.on : moves.off} scale={1.3} />
          )}
        </Box>
        <Primary onClick={() => running.move({ started: after.key })}>
          {next.item.id === after.item.id
            ? say(left > 0 && rest.kind !== "None" ? "startSetNow" : "startSet", { set: next.effort.set })
            : say("startNext", { name: inSentence(stepName(next)) })}
        </Primary>
        <Box sx={{ display: "grid", gridTemplateColumns: "repeat(3, 1fr)", gap: 2 }}>
          <Large
            keyed="undoSet"
            onClick={() => {
              running.undo(set.id, after.item.id);
              running.move({ chosen: after.item.id, started: null });
              announce(say("undone", { name: after.item.movement.name, set: after.effort.set }));
            }}
          >
            {say("undoLast")}
          </Large>
          <Large keyed="pain" onClick={onPain}>
            {say("itHurts")}
          </Large>
          <Large keyed="moreOfSet" onClick={onMore}>
            {say("more")}
          </Large>
        </Box>
      </Box>
    </Box>
  );
}
