import type { DemandKind, LadderChange, MassUnit, StepStatus, Threshold } from "../api/types";
import { inUnit, number, unitName } from "../ui/format";
import type { Status } from "../ui/StatusShape";

const kilogramsPerPound = 0.45359237;

/** A figure of the gate language as people read it: a true times sign, loads in the reader's unit. */
export function figure(text: string, unit: MassUnit) {
  return text
    .replace(/([+-])(\d+(?:\.\d+)?) (kg|lb)/g, (_, sign: string, value: string, from: string) => {
      const kilograms = Number(value) * (from === "lb" ? kilogramsPerPound : 1);
      return `${sign === "-" ? "−" : "+"}${number(inUnit(kilograms, unit))} ${unitName[unit]}`;
    })
    .replaceAll(" x ", " × ")
    .replaceAll("% bm", "% of body mass")
    .replaceAll("..", "–")
    .replaceAll(" degrees", "°");
}

/** Have and need: "9 s / 10 s"; the side that decides stands with it. */
export function haveNeed(t: Threshold, unit: MassUnit) {
  return `${have(t, unit)} / ${need(t, unit)}`;
}

function have(t: Threshold, unit: MassUnit) {
  if (t.have === null) return "none";
  const side = t.missingSide ?? t.side;
  return `${side ? `${side.toLowerCase()} ` : ""}${t.missingSide ? "none" : figure(t.have, unit)}`;
}

export function need(t: Threshold, unit: MassUnit) {
  return `${figure(t.need, unit)}${t.eachSide ? " a side" : ""}`;
}

/** Why a threshold is open: not shown, short, or old. */
export function shortfall(t: Threshold, unit: MassUnit) {
  if (t.met && t.stale) return `${figure(t.have ?? "", unit)}, ${t.ageDays} days old: test again`;
  return haveNeed(t, unit);
}

export const statusWord: Record<StepStatus, string> = {
  Won: "won",
  Open: "open, goes on",
  Training: "in training",
  Support: "support work",
  Ahead: "ahead",
  Locked: "gate unmet",
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
  Moment: "shoulder moment",
  HandForce: "force on each hand",
  SystemMass: "system mass for one repetition",
  BodyShare: "share of body weight moved, a stated value",
  ContactHeight: "height of the pull (stated values)",
  House: "stated values of this project",
};

/** What a result changed, in sentences. */
export function changeText(change: LadderChange) {
  const parts = [
    change.won.length > 0 && `${list(change.won)} ${change.won.length === 1 ? "is" : "are"} won`,
    change.opened.length > 0 && `${list(change.opened)} may be trained`,
    change.lost.length > 0 && `${list(change.lost)} ${change.lost.length === 1 ? "is" : "are"} no longer won`,
    change.closed.length > 0 && `${list(change.closed)} ${change.closed.length === 1 ? "is" : "are"} closed again`,
  ].filter((p): p is string => typeof p === "string");
  return `${change.name}: ${parts.join("; ")}.`;
}

function list(names: string[]) {
  return names.length < 2 ? (names[0] ?? "") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}
