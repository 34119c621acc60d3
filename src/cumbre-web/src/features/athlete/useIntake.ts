import { useEffect, useMemo, useRef, useState } from "react";
import { Problem } from "../../shared/api/client";
import type { Athlete, AthleteRequest, ClearanceQuestion, Intake } from "../../shared/api/types";
import type { Kind, Merged } from "../../shared/drafts/draft";
import { mergeFields } from "../../shared/drafts/merge";
import { omit } from "../../shared/drafts/omit";
import { useDraft } from "../../shared/drafts/useDraft";
import { useSaveAthlete } from "../../shared/athletes/useAthlete";
import { say as word } from "../../words/common";
import { say } from "../../words/athlete";

/** What is typed, as it stands in the fields. */
export interface IntakeText {
  name: string;
  birthYear: string;
  sex: string;
  statureCm: string;
  unit: string;
  minutes: string;
  trainingYears: string;
}

type Errors = Partial<Record<keyof IntakeText | "goals" | "complaints", string>>;

export function textOf(a: Athlete): IntakeText {
  return {
    name: a.name,
    birthYear: a.birthYear === null ? "" : String(a.birthYear),
    sex: a.sex ?? "",
    statureCm: a.statureCm === null ? "" : String(a.statureCm),
    unit: a.unit,
    minutes: a.intake.minutes === null ? "" : String(a.intake.minutes),
    trainingYears: a.intake.trainingYears === null ? "" : String(a.intake.trainingYears),
  };
}

/** What the server would not take: the value as it was typed, and why. */
export type Refused = Partial<Record<keyof Errors, { value: string; message: string }>>;

function valueOf(field: keyof Errors, text: IntakeText, intake: Intake) {
  return field === "goals" || field === "complaints" ? JSON.stringify(intake[field]) : text[field];
}

/** The refusals of values that still stand in their fields. */
function standing(refused: Refused, text: IntakeText, intake: Intake): Errors {
  return Object.fromEntries(
    (Object.keys(refused) as (keyof Errors)[])
      .filter((f) => refused[f]!.value === valueOf(f, text, intake))
      .map((f) => [f, refused[f]!.message]),
  );
}

/**
 * What can be stored of what is typed: a field that cannot be read, or that the server refused, keeps what is stored, so that one
 * slip does not hold up the others. The range is the server's to judge.
 */
export function requestOf(
  stored: Athlete,
  typed: IntakeText,
  said: Intake,
  refused: Refused = {},
): { body: AthleteRequest; errors: Errors } {
  const errors = standing(refused, typed, said);
  const text = { ...typed };
  const intake = { ...said };
  for (const field of Object.keys(errors) as (keyof Errors)[]) {
    if (field === "goals") intake.goals = stored.intake.goals;
    else if (field === "complaints") intake.complaints = stored.intake.complaints;
    else text[field] = textOf(stored)[field];
  }
  const number = (field: keyof IntakeText, whole: boolean, kept: number | null) => {
    const written = text[field].trim().replace(",", ".");
    if (written === "") return null;
    const value = Number(written);
    if (Number.isFinite(value) && (!whole || Number.isInteger(value))) return value;
    errors[field] = whole ? say("aWholeNumberBelongsHere") : say("aNumberBelongsHere");
    return kept;
  };
  const name = text.name.trim();
  if (name === "") errors.name = say("writeAName");
  return {
    body: {
      name: name || stored.name,
      birthYear: number("birthYear", true, stored.birthYear),
      unit: text.unit === "Lb" ? "Lb" : "Kg",
      sex: text.sex === "Female" || text.sex === "Male" ? text.sex : null,
      statureCm: number("statureCm", false, stored.statureCm),
      lengths: stored.lengths,
      schools: stored.schools,
      cleared: stored.cleared,
      kit: stored.kit,
      version: stored.version,
      intake: {
        ...intake,
        minutes: number("minutes", true, stored.intake.minutes),
        trainingYears: number("trainingYears", false, stored.intake.trainingYears),
        complaints: intake.complaints.filter((c) => c.place.trim() !== ""),
      },
    },
    errors,
  };
}

/** What a coach would still ask, in words. */
export function missing(athlete: Athlete, said: AthleteRequest, questions: ClearanceQuestion[]) {
  const intake = said.intake!;
  const unanswered = questions.filter((q) => !q.byAge && !intake.clearance.some((c) => c.question === q.slug)).length;
  return [
    said.birthYear === null && say("birthYear"),
    athlete.bodyMasses.length === 0 && say("bodyMass2"),
    intake.goals.length === 0 && say("goal"),
    intake.days.length === 0 && say("days2"),
    intake.minutes === null && say("minutesASession"),
    unanswered > 0 && say("ofClearance", { unanswered }),
    athlete.consentMissing && !intake.guardianConsent && say("aGuardiansConsent"),
  ].filter((x): x is string => typeof x === "string");
}

/** What is edited: the texts of the fields, and what is chosen. */
interface IntakeDoc {
  text: IntakeText;
  intake: Intake;
}

const docOf = (athlete: Athlete): IntakeDoc => ({ text: textOf(athlete), intake: athlete.intake });

const labels: Record<keyof IntakeText | keyof Intake, string> = {
  name: say("name"),
  birthYear: say("birthYear2"),
  sex: say("proportions"),
  statureCm: "Height",
  unit: say("unit"),
  minutes: say("minutesASession2"),
  trainingYears: say("yearsOfTraining"),
  days: say("days"),
  place: say("mostlyTrains"),
  shoulders: say("shoulders"),
  goals: word("goals"),
  complaints: say("whatHurts"),
  clearance: say("clearance"),
  guardianConsent: say("aGuardiansConsent2"),
  finished: "Finished",
};

function saidOf(value: unknown): string {
  if (value === true) return say("yes");
  if (typeof value === "string" || typeof value === "number") return String(value);
  if (!Array.isArray(value)) return "";
  return value
    .map((v: unknown) =>
      typeof v === "object" && v !== null
        ? Object.values(v)
            .filter((x) => typeof x === "string" || typeof x === "number")
            .join(" ")
        : String(v),
    )
    .join(", ");
}

/** Field by field: only a field that both wrote is asked. */
export function mergeIntakes(base: IntakeDoc, mine: IntakeDoc, theirs: IntakeDoc): Merged<IntakeDoc> {
  const text = mergeFields(base.text, mine.text, theirs.text, (f, d) => ({ where: labels[f], text: d[f] }));
  // The texts hold what is typed of these two.
  const bare = (all: Intake) => omit(all, "minutes", "trainingYears");
  const intake = mergeFields(bare(base.intake), bare(mine.intake), bare(theirs.intake), (f, d) => ({
    where: labels[f],
    text: saidOf(d[f]),
  }));
  return {
    doc: { text: text.doc, intake: { ...theirs.intake, ...intake.doc } },
    clashes: [
      ...text.clashes.map(({ key, where, mine: m, theirs: t, take }) => ({
        key,
        where,
        mine: m,
        theirs: t,
        take: (d: IntakeDoc) => ({ ...d, text: take(d.text) }),
      })),
      ...intake.clashes.map(({ key, where, mine: m, theirs: t, take }) => ({
        key,
        where,
        mine: m,
        theirs: t,
        take: (d: IntakeDoc) => ({ ...d, intake: { ...d.intake, ...take(bare(d.intake)) } }),
      })),
    ],
  };
}

/** What the server refused of a body, by field; null: it named none of these. */
function refusalsOf(error: unknown, sent: IntakeDoc, before: Refused): Refused | null {
  if (!(error instanceof Problem) || error.isConflict) return null;
  const known = error.fields.flatMap((f) => {
    const name = f.path.replace(/^intake\./, "").replace(/[[.].*$/, "") as keyof Errors;
    return name in sent.text || name === "goals" || name === "complaints" ? [[name, f.message] as const] : [];
  });
  const stand = standing(before, sent.text, sent.intake);
  if (known.length === 0 || known.some(([name]) => name in stand)) return null;
  return Object.fromEntries(
    known.map(([name, message]) => [name, { value: valueOf(name, sent.text, sent.intake), message }]),
  );
}

/** The intake as a draft: stored a moment after the last key, but for what cannot be read or is refused. */
export function useIntake(athlete: Athlete) {
  const { mutateAsync } = useSaveAthlete(athlete.id);
  const [refused, setRefused] = useState<Refused>({});
  const refusals = useRef<Refused>({});
  const newest = useRef(athlete);
  const kind = useMemo<Kind<IntakeDoc>>(
    () => ({
      title: say("intakeOf", { name: athlete.name }),
      path: `/athletes/${athlete.id}/intake`,
      auto: true,
      send: async (doc, version) => {
        for (;;) {
          try {
            const { body } = requestOf({ ...newest.current, version }, doc.text, doc.intake, refusals.current);
            newest.current = await mutateAsync(body);
            return newest.current;
          } catch (error) {
            const named = refusalsOf(error, doc, refusals.current);
            if (!named) throw error;
            refusals.current = { ...refusals.current, ...named };
            setRefused(refusals.current);
          }
        }
      },
      theirs: (current) => {
        const found = current as Athlete | null;
        if (!found) return null;
        newest.current = found;
        return { doc: docOf(found), version: found.version };
      },
      merge: mergeIntakes,
    }),
    [athlete.id, athlete.name, mutateAsync],
  );
  const stored = useMemo(() => ({ doc: docOf(athlete), version: athlete.version }), [athlete]);
  useEffect(() => {
    if (athlete.version > newest.current.version) newest.current = athlete;
  }, [athlete]);
  const { draft, now, ...rest } = useDraft(`intake:${athlete.id}`, stored, kind);
  const { text, intake } = now;
  const { body, errors } = requestOf(athlete, text, intake, refused);
  return {
    ...rest,
    text,
    intake,
    body,
    errors,
    wrong: Object.keys(errors).length,
    type: (field: keyof IntakeText, value: string) =>
      draft.edit((d) => ({ ...d, text: { ...d.text, [field]: value } }), field),
    change: (change: Partial<Intake>) =>
      draft.edit((d) => ({ ...d, intake: { ...d.intake, ...change } }), Object.keys(change).join()),
    pause: draft.pause,
    undo: draft.undo,
    redo: draft.redo,
    retry: draft.store,
    decide: draft.decide,
    seen: draft.seen,
  };
}
