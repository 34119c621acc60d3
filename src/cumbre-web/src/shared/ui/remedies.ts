import type { Problem } from "../api/client";
import { say } from "../../words/ui";

/** Where what is missing is added, by the message that names it. */
const remedies: Record<string, { label: string; to: (athlete: string | undefined) => string | undefined }> = {
  bodyweightMissing: { label: say("addBodyweight"), to: profile },
  bodyweightMissingHere: { label: say("addBodyweight"), to: profile },
  bodyweightMissingOn: { label: say("addBodyweight"), to: profile },
  planBodyweightMissing: { label: say("addBodyweight"), to: profile },
  planHeavySetMissing: { label: say("recordHeavySet"), to: (athlete) => athlete && `/athletes/${athlete}/movement` },
  planBestHoldMissing: { label: say("recordHold"), to: (athlete) => athlete && `/athletes/${athlete}/ladders` },
  planNoBandNear: { label: say("openKit"), to: () => "/kit" },
  planNoBand: { label: say("openKit"), to: () => "/kit" },
  planNoPieces: { label: say("openKit"), to: () => "/kit" },
  planTooFewPieces: { label: say("openKit"), to: () => "/kit" },
  athleteArchived: { label: say("openProfile"), to: profile },
};

function profile(athlete: string | undefined) {
  return athlete && `/athletes/${athlete}/profile`;
}

/** The way to what an error says is missing, where there is one. */
export function remedyOf(problem: Problem, athlete: string | undefined) {
  const remedy = remedies[problem.code];
  const to = remedy?.to(athlete);
  return remedy && to ? { label: remedy.label, to } : null;
}
