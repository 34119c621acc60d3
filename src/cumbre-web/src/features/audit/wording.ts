import { say } from "../../words/audit";

const fields: Record<string, string> = {
  name: say("field_name"),
  birthYear: say("field_birthYear"),
  sex: say("field_sex"),
  statureCm: say("field_statureCm"),
  lengths: say("field_lengths"),
  unit: say("field_unit"),
  plates: say("field_plates"),
  hasBelt: say("field_hasBelt"),
  trainingYears: say("field_trainingYears"),
  days: say("field_days"),
  minutes: say("field_minutes"),
  place: say("field_place"),
  shoulders: say("field_shoulders"),
  goals: say("field_goals"),
  guardianConsent: say("field_guardianConsent"),
  byAge: say("field_byAge"),
  clearance: say("field_clearance"),
  complaints: say("field_complaints"),
};

/** What an entry says, with the fields that it names in words: "statureCm: 170; sex: Female" is "height in cm: 170; …". */
export const inWords = (text: string | null) =>
  text?.replace(/(^|; )(\w+):/g, (all, before: string, field: string) =>
    field in fields ? `${before}${fields[field]}:` : all,
  ) ?? "";
