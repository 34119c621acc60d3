import { useEffect, useRef, useState } from "react";
import { Problem } from "../api/client";
import type { Athlete, AthleteRequest, ClearanceQuestion, Intake } from "../api/types";
import { messageOf } from "../ui/states";
import { useSaveAthlete } from "./useAthlete";

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

const pause = 500;

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
    errors[field] = whole ? "A whole number belongs here." : "A number belongs here.";
    return kept;
  };
  const name = text.name.trim();
  if (name === "") errors.name = "Write a name.";
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
export function missing(athlete: Athlete, intake: Intake, questions: ClearanceQuestion[]) {
  const unanswered = questions.filter((q) => !q.byAge && !intake.clearance.some((c) => c.question === q.slug)).length;
  return [
    athlete.birthYear === null && "birth year",
    athlete.bodyMasses.length === 0 && "body mass",
    intake.goals.length === 0 && "a goal",
    intake.days.length === 0 && "days",
    intake.minutes === null && "minutes a session",
    unanswered > 0 && `${unanswered} ${unanswered === 1 ? "question" : "questions"} of clearance`,
    athlete.consentMissing && !intake.guardianConsent && "a guardian’s consent",
  ].filter((x): x is string => typeof x === "string");
}

/** The intake as it is typed, stored half a second after the last key. */
export function useIntake(athlete: Athlete) {
  const [text, setText] = useState(() => textOf(athlete));
  const [intake, setIntake] = useState(athlete.intake);
  const [waiting, setWaiting] = useState(false);
  const [refused, setRefused] = useState<Refused>({});
  const save = useSaveAthlete(athlete.id);
  const { mutateAsync } = save;
  const refusals = useRef<Refused>({});
  const stored = useRef(athlete);
  const newest = useRef({ text, intake });
  const running = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);

  /** Is there a way on: the refused fields left out, or the newest version underneath? */
  const mend = (error: unknown, sent: { text: IntakeText; intake: Intake }) => {
    if (!(error instanceof Problem)) return false;
    if (error.isConflict && error.current) {
      // Somebody else wrote meanwhile: what is typed here goes over the newest.
      stored.current = error.current as Athlete;
      return true;
    }
    const known = error.fields.flatMap((f) => {
      const name = f.path.replace(/^intake\./, "").replace(/[[.].*$/, "") as keyof Errors;
      return name in sent.text || name === "goals" || name === "complaints" ? [[name, f.message] as const] : [];
    });
    const before = standing(refusals.current, sent.text, sent.intake);
    if (known.length === 0 || known.some(([name]) => name in before)) return false;
    refusals.current = {
      ...refusals.current,
      ...Object.fromEntries(
        known.map(([name, message]) => [name, { value: valueOf(name, sent.text, sent.intake), message }]),
      ),
    };
    setRefused(refusals.current);
    return true;
  };
  const send = async () => {
    if (running.current) return;
    running.current = true;
    try {
      for (;;) {
        const sent = newest.current;
        try {
          stored.current = await mutateAsync(requestOf(stored.current, sent.text, sent.intake, refusals.current).body);
          if (newest.current === sent) break;
        } catch (error) {
          if (!mend(error, sent)) return;
        }
      }
      setWaiting(false);
    } finally {
      running.current = false;
    }
  };
  const later = () => {
    setWaiting(true);
    clearTimeout(timer.current);
    timer.current = setTimeout(() => void send(), pause);
  };
  const sendNow = useRef(send);
  useEffect(() => {
    sendNow.current = send;
  });
  // Leaving the page sends what was typed last.
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      const { body } = requestOf(stored.current, newest.current.text, newest.current.intake, refusals.current);
      if (
        JSON.stringify(body) !==
        JSON.stringify(requestOf(stored.current, textOf(stored.current), stored.current.intake).body)
      )
        void sendNow.current();
    },
    [],
  );

  const errors = requestOf(athlete, text, intake, refused).errors;
  const wrong = Object.keys(errors).length;
  return {
    text,
    intake,
    errors,
    status: {
      failed: save.isError && waiting,
      text:
        save.isError && waiting
          ? messageOf(save.error)
          : waiting || save.isPending
            ? "storing"
            : wrong > 0
              ? `${wrong} to mend, everything else stored`
              : "stored",
    },
    type: (field: keyof IntakeText, value: string) => {
      const next = { ...text, [field]: value };
      newest.current = { ...newest.current, text: next };
      setText(next);
      later();
    },
    change: (change: Partial<Intake>) => {
      const next = { ...newest.current.intake, ...change };
      newest.current = { ...newest.current, intake: next };
      setIntake(next);
      later();
    },
    retry: () => void send(),
  };
}
