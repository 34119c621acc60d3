import { describe, expect, it } from "vitest";
import type { Athlete, ClearanceQuestion } from "../../shared/api/types";
import { emptyIntake } from "./intake";
import { mergeIntakes, missing, requestOf, textOf } from "./useIntake";

const athlete: Athlete = {
  id: "a",
  name: "Tess Trial",
  birthYear: 1990,
  unit: "Kg",
  sex: null,
  statureCm: 170,
  lengths: { armCm: null, trunkCm: null, thighCm: null, shankCm: null },
  schools: [],
  cleared: false,
  kit: { plates: [], hasBelt: true, vest: null },
  version: 3,
  bodyMasses: [],
  intake: { ...emptyIntake, minutes: 60 },
  archived: false,
  openClearances: [],
  consentMissing: false,
  kitInUse: { plates: [], hasBelt: true, vest: null },
};

describe("an intake as it is typed", () => {
  it("stores what can be read and keeps the rest as it is stored", () => {
    const { body, errors } = requestOf(
      athlete,
      { ...textOf(athlete), birthYear: "199o", statureCm: "171,5", name: " " },
      { ...athlete.intake, days: [1] },
    );
    expect(body).toMatchObject({ name: "Tess Trial", birthYear: 1990, statureCm: 171.5, version: 3 });
    expect(body.intake).toMatchObject({ days: [1], minutes: 60 });
    expect(errors).toEqual({ name: "Enter a name.", birthYear: "Enter a whole number." });
  });

  it("does not let a refused field hold up the others, until something else is typed there", () => {
    const text = { ...textOf(athlete), minutes: "5", trainingYears: "3" };
    const refused = { minutes: { value: "5", message: "5 is outside 10 to 240." } };
    const stuck = requestOf(athlete, text, athlete.intake, refused);
    expect(stuck.body.intake).toMatchObject({ minutes: 60, trainingYears: 3 });
    expect(stuck.errors).toEqual({ minutes: "5 is outside 10 to 240." });
    const mended = requestOf(athlete, { ...text, minutes: "50" }, athlete.intake, refused);
    expect(mended.body.intake!.minutes).toBe(50);
    expect(mended.errors).toEqual({});
  });

  it("leaves a line of pain without a place out until it has one", () => {
    const complaints = [
      { place: " ", level: 3, note: null },
      { place: "elbow", level: 2, note: null },
    ];
    expect(requestOf(athlete, textOf(athlete), { ...athlete.intake, complaints }).body.intake!.complaints).toEqual([
      complaints[1],
    ]);
  });

  it("empties a field that is emptied", () => {
    expect(requestOf(athlete, { ...textOf(athlete), minutes: "" }, athlete.intake).body.intake!.minutes).toBeNull();
  });
});

describe("what is still open", () => {
  const questions = [
    { slug: "heart", byAge: false },
    { slug: "under-18", byAge: true },
  ] as ClearanceQuestion[];

  it("names what a coach would ask, and nothing that the age answers", () => {
    const { body } = requestOf(athlete, textOf(athlete), athlete.intake);
    expect(missing({ ...athlete, consentMissing: true }, body, questions)).toEqual([
      "bodyweight",
      "a goal",
      "training days",
      "1 clearance question",
      "a guardian’s consent",
    ]);
  });

  it("counts what stands in the fields, before and after it is stored", () => {
    const unasked = { ...athlete, birthYear: null, intake: emptyIntake };
    const empty = requestOf(unasked, textOf(unasked), emptyIntake).body;
    const typed = requestOf(unasked, { ...textOf(unasked), birthYear: "1991", minutes: "75" }, emptyIntake).body;
    expect(missing(unasked, empty, questions)).toEqual(
      expect.arrayContaining(["birth year", "minutes per session"]) as string[],
    );
    expect(missing(unasked, typed, questions)).toEqual([
      "bodyweight",
      "a goal",
      "training days",
      "1 clearance question",
    ]);
  });
});

describe("an intake that two write", () => {
  const base = { text: textOf(athlete), intake: athlete.intake };
  const mine = { text: { ...base.text, statureCm: "171" }, intake: { ...base.intake, days: [1, 3] } };

  it("is put together field by field", () => {
    const theirs = { text: { ...base.text, birthYear: "1991" }, intake: { ...base.intake, place: "Home" as const } };
    const { doc, clashes } = mergeIntakes(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(doc.text).toMatchObject({ statureCm: "171", birthYear: "1991" });
    expect(doc.intake).toMatchObject({ days: [1, 3], place: "Home" });
  });

  it("asks for a field that both wrote, showing both", () => {
    const theirs = { text: { ...base.text, statureCm: "172" }, intake: { ...base.intake, days: [2] } };
    const { doc, clashes } = mergeIntakes(base, mine, theirs);
    expect(clashes.map((c) => [c.where, c.mine, c.theirs])).toEqual([
      ["Height", "171", "172"],
      ["Days", "1, 3", "2"],
    ]);
    const taken = clashes.reduce((d, c) => c.take(d), doc);
    expect([taken.text.statureCm, taken.intake.days]).toEqual(["172", [2]]);
  });
});
