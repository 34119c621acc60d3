import type { Decision, MassUnit, ProposalCause, ProposalKind, Quantity } from "../api/types";
import { added, plural } from "../ui/format";
import type { Status } from "../ui/StatusShape";

export const kindStatus: Record<ProposalKind, Status> = {
  Refer: "stop",
  Deload: "caution",
  Ease: "caution",
  BackOff: "caution",
  Hold: "pending",
  AddReps: "pending",
  AddLoad: "pending",
};

const kindWord: Record<ProposalKind, string> = {
  Refer: "stop and refer",
  Deload: "easy week",
  Ease: "ease for pain",
  BackOff: "back off",
  Hold: "same line again",
  AddReps: "add reps",
  AddLoad: "add load",
};

/** What is proposed, without its figure: the figure stands behind it and can be opened. */
export function headline(d: Decision, unit: MassUnit): { before: string; figure: string | null; after: string } {
  const from = added(d.fromKg, unit);
  const to = d.to ? added(d.to.value.number ?? 0, unit) : null;
  switch (d.kind) {
    case "Refer":
      return { before: "Stop weighted pull-ups and refer", figure: null, after: "" };
    case "Deload":
      return { before: "Easy week: half the sets at", figure: to, after: "" };
    case "Ease":
      return { before: `Ease: ${from} →`, figure: to, after: "" };
    case "BackOff":
      return { before: `Back off: ${from} →`, figure: to, after: "" };
    case "Hold":
      return { before: d.nextIsEasy ? "Easy week goes on at" : "Same line again at", figure: to, after: "" };
    case "AddReps":
      return { before: "One rep more, still at", figure: to, after: "" };
    case "AddLoad":
      return { before: `Weighted pull-up: ${from} →`, figure: to, after: "next session" };
  }
}

function input(d: Decision, key: string): Quantity | undefined {
  return d.why.inputs.find((i) => i.key === key)?.value;
}

const causes: Record<ProposalCause, (d: Decision) => string> = {
  Pain: (d) => {
    const place = input(d, "PainPlace")?.code ?? "";
    const pains = d.why.inputs.filter((i) => i.key === "PainReported").map((i) => i.value.number ?? 0);
    const where = place ? `${place.charAt(0).toUpperCase()}${place.slice(1)}: pain` : "Pain";
    return pains.length > 1
      ? `${where} ${pains[0]} of 10, after ${pains[1]} the session before`
      : `${where} ${pains[0] ?? 0} of 10`;
  },
  LoadingWeeks: (d) => `${plural(input(d, "LoadingWeeks")?.number ?? 0, "loading week")} done`,
  EasyWeek: () => "Until Sunday",
  NoProgress: (d) => `${plural(input(d, "ExposuresWithoutProgress")?.number ?? 0, "exposure")} without progress`,
  CleanSessions: (d) => {
    const count = input(d, "CleanSessions")?.number ?? 0;
    return count === 1 ? "The last session was clean" : `${count} clean sessions running`;
  },
  NotYetClean: (d) => {
    const stuck = input(d, "ExposuresWithoutProgress")?.number ?? 0;
    const clean = input(d, "CleanSessions")?.number ?? 0;
    if (stuck > 0) return `Not clean yet; ${plural(stuck, "exposure")} without progress`;
    return clean > 0 ? `${plural(clean, "clean session")}, one more earns load` : "Not clean yet";
  },
  KitGap: () => "Clean, but the kit’s next step is a large one",
  Unfinished: () => "The plan was not finished",
};

export function causeText(d: Decision) {
  return causes[d.cause](d);
}

/** How a taken decision reads in the list of today. */
export function takenText(d: Decision) {
  const what = kindWord[d.kind];
  switch (d.state) {
    case "Deferred":
      return `${what}, put off`;
    case "Edited":
      return `${what}, with a changed line`;
    case "Accepted":
    case "Proposed":
    case "Superseded":
      return what;
  }
}

export function overruledText(d: Decision) {
  return d.overruled.length > 0 ? `Overrules: ${d.overruled.map((k) => kindWord[k]).join(", ")}.` : "";
}
