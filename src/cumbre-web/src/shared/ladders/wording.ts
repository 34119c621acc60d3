import type { DemandKind, LadderChange, MassUnit, StepStatus, Threshold } from "../api/types";
import { writtenAdded } from "../ui/format";
import type { Status } from "../ui/StatusShape";
import { say as word } from "../../words/common";
import { say } from "../../words/ladders";
import { sideWord } from "../ui/nameWords";

/** A figure of the gate language as people read it: a true times sign, loads in the reader's unit. */
export function figure(text: string, unit: MassUnit) {
  return text
    .replace(/([+-]\d+(?:\.\d+)?) (kg|lb)/g, (_, value: string, from: string) =>
      writtenAdded({ value: Number(value), unit: from === "lb" ? "Lb" : "Kg" }, unit),
    )
    .replaceAll(" x ", " × ")
    .replaceAll("% bm", say("ofBodyMass"))
    .replaceAll("..", "–")
    .replaceAll(` ${word("degrees")}`, "°");
}

/** Have and need: "9 s / 10 s"; the side that decides stands with it. */
export function haveNeed(t: Threshold, unit: MassUnit) {
  return `${have(t, unit)} / ${need(t, unit)}`;
}

export function have(t: Threshold, unit: MassUnit) {
  if (t.have === null) return word("none");
  const side = t.missingSide ?? t.side;
  return [side && sideWord[side], t.missingSide ? word("none") : figure(t.have, unit)].filter(Boolean).join(" ");
}

export function need(t: Threshold, unit: MassUnit) {
  const figures = figure(t.need, unit);
  return t.eachSide ? say("figureEachSide", { figures }) : figures;
}

/** Why a threshold is open: not shown, short, or old. */
export function shortfall(t: Threshold, unit: MassUnit) {
  if (t.met && t.stale) return say("daysOldTestAgain", { figure: figure(t.have ?? "", unit), ageDays: t.ageDays });
  return haveNeed(t, unit);
}

export const statusWord: Record<StepStatus, string> = {
  Won: say("achieved"),
  Open: say("openGoesOn"),
  Training: say("inTraining"),
  Support: say("supportWork"),
  Ahead: say("ahead"),
  Locked: say("gateUnmet"),
};

export const statusShape: Record<StepStatus, Status> = {
  Won: "won",
  Open: "training",
  Training: "training",
  Support: "ahead",
  Ahead: "ahead",
  Locked: "locked",
};

export const demandWord: Record<DemandKind, string> = {
  Moment: say("shoulderMoment"),
  HandForce: say("forceOnEachHand"),
  SystemMass: say("systemMassForOneRepetition"),
  BodyShare: say("shareOfBodyWeightMovedAStated"),
  ContactHeight: say("heightOfThePullStatedValues"),
  House: say("statedValuesOfThisProject"),
};

/** What a result changed, in sentences. */
export function changeText(change: LadderChange) {
  const parts = [
    change.won.length > 0 && say("won", { won: list(change.won), count: change.won.length }),
    change.opened.length > 0 && say("mayBeTrained", { opened: list(change.opened) }),
    change.lost.length > 0 && say("noLongerWon", { lost: list(change.lost), count: change.lost.length }),
    change.closed.length > 0 && say("closedAgain", { closed: list(change.closed), count: change.closed.length }),
  ].filter((p): p is string => typeof p === "string");
  return `${change.name}: ${parts.join("; ")}.`;
}

/** All that a result changed: sentences, and in one more what only opens and is nobody's goal. */
export function changesTold(changes: LadderChange[]) {
  const begun = changes.filter((c) => !c.isGoal && c.won.length + c.lost.length + c.closed.length === 0);
  return {
    told: changes.filter((c) => !begun.includes(c)),
    begun: begun.length > 0 ? say("alsoOpen", { names: begun.map((c) => c.name).join(", ") }) : null,
  };
}

export function changesText(changes: LadderChange[]) {
  const { told, begun } = changesTold(changes);
  return [...told.map(changeText), begun].filter(Boolean).join(" ");
}

/** Names up to three; of more the first, the last and how many. */
function list(names: string[]) {
  if (names.length > 3) return say("fromTo", { first: names[0]!, last: names.at(-1)!, count: names.length });
  return names.length < 2
    ? (names[0] ?? "")
    : say("and", { slice: names.slice(0, -1).join(", "), at: names.at(-1) ?? "" });
}
