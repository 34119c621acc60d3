import type { DemandKind, LadderEntry, StepEntry } from "../../../shared/api/types";

/** A name as a slug: small letters, digits and hyphens. */
export function slugOf(name: string) {
  return name
    .toLowerCase()
    .normalize("NFD")
    .replace(/[̀-ͯ]/g, "")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "");
}

export function emptyLadder(): LadderEntry {
  return {
    slug: "",
    name: "",
    skill: "",
    pattern: "vertical pull",
    about: "",
    demandKind: "House",
    steps: [newStep([], "House")],
  };
}

/** A step with a slug of its own; slugs are stable names and are never shown. */
export function newStep(steps: StepEntry[], kind: DemandKind): StepEntry {
  let number = steps.length + 1;
  while (steps.some((s) => s.slug === `step-${number}`)) number++;
  const modelled = kind === "Moment" || kind === "HandForce";
  return {
    slug: `step-${number}`,
    name: "",
    movement: "",
    demand: modelled
      ? { kind, posture: "Full" }
      : kind === "SystemMass"
        ? { kind, addedPercent: 0, reps: 5 }
        : { kind, percent: 100 },
    opens: "",
    dose: "",
    weeks: 4,
    preparation: false,
    exposure: false,
    assisted: false,
  };
}

export function changeStep(entry: LadderEntry, index: number, change: Partial<StepEntry>): LadderEntry {
  return { ...entry, steps: entry.steps.map((s, i) => (i === index ? { ...s, ...change } : s)) };
}

/** Puts a step at another place; outside of the ladder nothing happens. */
export function moveStep(entry: LadderEntry, from: number, to: number): LadderEntry {
  if (to < 0 || to >= entry.steps.length || from === to) return entry;
  const steps = [...entry.steps];
  const [step] = steps.splice(from, 1);
  steps.splice(to, 0, step!);
  return { ...entry, steps };
}

export function addStep(entry: LadderEntry, after: number): LadderEntry {
  const steps = [...entry.steps];
  steps.splice(after + 1, 0, newStep(entry.steps, entry.demandKind));
  return { ...entry, steps };
}

/** Takes a step out; steps that followed it follow what it followed. */
export function removeStep(entry: LadderEntry, index: number): LadderEntry {
  const gone = entry.steps[index];
  if (!gone) return entry;
  const before = gone.after ?? (index > 0 ? [entry.steps[index - 1]!.slug] : []);
  const steps = entry.steps
    .filter((_, i) => i !== index)
    .map((s) =>
      s.after?.includes(gone.slug)
        ? { ...s, after: [...new Set(s.after.flatMap((a) => (a === gone.slug ? before : [a])))] }
        : s,
    );
  return { ...entry, steps };
}

/** One entry a line, as a list; an empty text is no list. */
export function lines(text: string) {
  const list = text.split("\n");
  return list.every((l) => l.trim() === "") ? null : list;
}
