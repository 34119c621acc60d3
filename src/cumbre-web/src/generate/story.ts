import type { BlockStory, GrowthKind, GuessKind, GuessStory, LeftOut } from "../api/types";
import { capital, dayWeek, plural } from "../ui/format";

const guessKinds: Record<GuessKind, string> = {
  Level: "the first sets find the level",
  Reps: "reps from a related movement",
  Load: "a load from sets without load",
};

const growthKinds: Record<GrowthKind, string> = {
  Sets: "more sets",
  Load: "more load",
  Reps: "more reps",
  Seconds: "longer holds",
  Slower: "slower lowering",
  LessRest: "less rest",
};

const list = (names: string[]) =>
  names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;

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
      g.hard > 0 && `${plural(g.hard, "hard day")}`,
      g.light > 0 && `${plural(g.light, "light day")}`,
    ].filter((d) => d !== false);
    const step = g.step ? lower(g.step) : "its first gate comes first";
    const held = g.heldBackBy ? `; held back by ${lower(g.heldBackBy)}` : "";
    return { head: g.goal, text: `${step}${days.length > 0 ? `, ${list(days)} a week` : ", on no day"}${held}.` };
  });
  if (story.growth.length > 0)
    said.push({
      head: "Week by week",
      text: `${story.growth.map((g) => `${growthKinds[g.kind]} in ${list(g.movements.map(lower))}`).join("; ")}.`,
    });
  if (story.guesses.length > 0) {
    const alike = new Map<string, GuessStory[]>();
    for (const g of story.guesses) {
      const key = `${g.kind} ${g.knownOn}`;
      alike.set(key, [...(alike.get(key) ?? []), g]);
    }
    said.push({
      head: "Guessed",
      text: `${[...alike.values()]
        .map(
          (of) =>
            `${list(of.map((g) => lower(g.movement)))} (${guessKinds[of[0]!.kind]}; known after ${dayWeek(of[0]!.knownOn)})`,
        )
        .join("; ")}.`,
    });
  }
  const gone = [...new Set(leftOut.map((l) => lower(l.movement)))];
  if (gone.length > 0) said.push({ head: "Gives way for time", text: `${list(gone)}.` });
  if (story.schools.length > 0)
    said.push({
      head: "By the schools",
      text: `${story.schools.map((s) => `${lower(s.choice)} (${lower(s.question)})`).join("; ")}.`,
    });
  return said.map((s) => ({ head: capital(s.head), text: s.text }));
}
