import type { BlockStory, GrowthKind, GuessKind, GuessStory, LeftOut } from "../api/types";
import { capital, dayWeek } from "../ui/format";
import { say } from "../../words/generation";

const guessKinds: Record<GuessKind, string> = {
  Level: say("theFirstSetsFindTheLevel"),
  Reps: say("repsFromARelatedMovement"),
  Load: say("aLoadFromSetsWithoutLoad"),
};

const growthKinds: Record<GrowthKind, string> = {
  Sets: say("moreSets"),
  Load: say("moreLoad"),
  Reps: say("moreReps"),
  Seconds: say("longerHolds"),
  Slower: say("slowerLowering"),
  LessRest: say("lessRest"),
};

const list = (names: string[]) =>
  names.length < 2 ? names.join("") : say("and", { slice: names.slice(0, -1).join(", "), at: names.at(-1) ?? "" });

/** In the middle of a sentence; "L-sit" keeps its letter. */
const lower = (name: string) => (/^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name);

/** A sentence of what a block is for, what it guesses, how it grows, whose choices it shows. */
export interface Said {
  head: string;
  text: string;
}

/** The block in a paragraph, sentence by sentence. */
export function storyText(story: BlockStory, leftOut: LeftOut[]): Said[] {
  const said: Said[] = story.goals.map((g) => {
    const days = [
      g.hard > 0 && say("hardDays", { count: g.hard }),
      g.light > 0 && say("lightDays", { count: g.light }),
    ].filter((d) => d !== false);
    const step = g.step ? lower(g.step) : say("itsFirstGateComesFirst");
    const placed = days.length > 0 ? say("aWeek", { step, days: list(days) }) : say("onNoDay", { step });
    const text = g.heldBackBy
      ? say("heldBackBy", { goal: placed, heldBackBy: lower(g.heldBackBy) })
      : say("goalAlone", { goal: placed });
    return {
      head: g.goal,
      text,
    };
  });
  if (story.growth.length > 0)
    said.push({
      head: say("weekByWeek"),
      text: `${story.growth.map((g) => say("growsIn", { how: growthKinds[g.kind], movements: list(g.movements.map(lower)) })).join("; ")}.`,
    });
  if (story.guesses.length > 0) {
    const alike = new Map<string, GuessStory[]>();
    for (const g of story.guesses) {
      const key = `${g.kind} ${g.knownOn}`;
      alike.set(key, [...(alike.get(key) ?? []), g]);
    }
    said.push({
      head: say("guessed"),
      text: `${[...alike.values()]
        .map((of) =>
          say("knownAfter", {
            list: list(of.map((g) => lower(g.movement))),
            guessKinds: guessKinds[of[0]!.kind],
            knownOn: dayWeek(of[0]!.knownOn),
          }),
        )
        .join("; ")}.`,
    });
  }
  const gone = [...new Set(leftOut.map((l) => lower(l.movement)))];
  if (gone.length > 0) said.push({ head: say("givesWayForTime"), text: `${list(gone)}.` });
  if (story.schools.length > 0)
    said.push({
      head: say("byTheSchools"),
      text: `${story.schools.map((s) => `${lower(s.choice)} (${lower(s.question)})`).join("; ")}.`,
    });
  return said.map((s) => ({ head: capital(s.head), text: s.text }));
}
