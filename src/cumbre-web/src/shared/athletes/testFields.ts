import { z } from "zod";
import type { Benchmark, MassUnit, Result } from "../api/types";
import type { components } from "../api/schema";
import { decimal, whole } from "../ui/shapes";
import { say } from "../../words/athletes";

export const contacts = ["Chin", "Collarbone", "Chest", "Belly", "Hip"] as const;

const empty = z.literal("");

/** Shape only: which fields a measure needs, and their ranges, are the server's business. */
export const shape = z.object({
  benchmark: z.string().min(1, say("chooseATest")),
  day: z.iso.date(say("chooseADay")),
  added: z.union([decimal(say("theLoad")), empty]),
  reps: z.union([whole(say("theReps")), empty]),
  sets: z.union([whole(say("theSets")), empty]),
  seconds: z.union([decimal(say("theSeconds")), empty]),
  degrees: z.union([decimal(say("theDegrees")), empty]),
  restSeconds: z.union([whole(say("theRestInSeconds")), empty]),
  reserve: z.union([whole("the reps left, 0 if none"), empty]),
  contact: z.union([z.enum(contacts), empty]),
  side: z.union([z.enum(["Left", "Right"]), empty]),
  setUp: z.string(),
  pain: z.string(),
  painPlace: z.string(),
  form: z.enum(["Clean", "Broken"]),
});

export type TestFields = z.input<typeof shape>;
export type TestValues = z.output<typeof shape>;
type Request = components["schemas"]["ResultRequest"];

export function fieldsOf(benchmark: string, today: string): TestFields {
  return {
    benchmark,
    day: today,
    added: "",
    reps: "",
    sets: "1",
    seconds: "",
    degrees: "",
    restSeconds: "",
    reserve: "0",
    contact: "",
    side: "",
    setUp: "",
    pain: "0",
    painPlace: "",
    form: "Clean",
  };
}

/** The fields of a result that was recorded, to be corrected. */
export function fieldsFrom(r: Result): TestFields {
  const { reps, sets, seconds, contact, degrees, restSeconds } = r.score;
  const held = r.measure === "Seconds" || degrees !== null;
  return {
    ...fieldsOf(r.benchmark, r.day),
    added: r.measure === "LoadTimesReps" ? String(r.added.value) : "",
    reps: held || !reps ? "" : String(reps),
    sets: String(sets),
    seconds: textOf(seconds),
    degrees: textOf(degrees),
    restSeconds: textOf(restSeconds),
    reserve: textOf(r.reserve),
    contact: contact ?? "",
    side: r.side ?? "",
    setUp: r.setUp ?? "",
    pain: textOf(r.pain) || "0",
    painPlace: r.painPlace ?? "",
    form: r.form,
  };
}

const textOf = (value: number | null | undefined) => (value === null || value === undefined ? "" : String(value));

/** Only the fields of the benchmark's measure are sent: what was typed for another test stays in the form. */
export function requestOf(f: TestValues, benchmark: Benchmark, unit: MassUnit): Request {
  const { measure } = benchmark;
  const counted = measure !== "Seconds" && measure !== "Degrees";
  const pain = Number(f.pain);
  return {
    benchmark: f.benchmark,
    day: f.day,
    form: f.form,
    reps: counted ? orNull(f.reps) : null,
    sets: measure === "Degrees" || measure === "ContactHeight" ? null : orNull(f.sets),
    seconds: measure === "Seconds" || measure === "SecondsPerDescent" ? orNull(f.seconds) : null,
    degrees: measure === "Degrees" ? orNull(f.degrees) : null,
    contact: measure === "ContactHeight" ? orNull(f.contact) : null,
    restSeconds: measure === "Capacity" ? orNull(f.restSeconds) : null,
    added: measure === "LoadTimesReps" && f.added !== "" ? { value: f.added, unit } : null,
    reserve: measure === "LoadTimesReps" ? orNull(f.reserve) : null,
    side: benchmark.eachSide ? orNull(f.side) : null,
    setUp: f.setUp.trim() || null,
    pain: pain > 0 ? pain : null,
    painPlace: pain > 0 ? f.painPlace || null : null,
  };
}

function orNull<T>(value: T | ""): T | null {
  return value === "" ? null : value;
}
