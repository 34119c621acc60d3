import { describe, expect, it } from "vitest";
import type { GroupSession } from "../../shared/api/types";
import { changeDay, draftOf, emptyDraft, freeDay, moveStation, newDay, newStation, readDraft } from "./outline";
import { classMinutes, stationLabel, whoTrains } from "./wording";

const station = newStation("Ladder", "front-lever");
const ready = () => {
  const draft = { ...emptyDraft("2026-03-23"), athletes: ["a"] };
  return { ...draft, days: [{ ...draft.days[0]!, stations: [station] }] };
};

describe("an outline as it is written", () => {
  it("is asked for once somebody comes and every day has a station", () => {
    expect(readDraft(emptyDraft("2026-03-23"), 0)).toEqual({ request: null, faults: {} });
    expect(readDraft({ ...ready(), athletes: [] }, 0).request).toBeNull();
    expect(readDraft({ ...ready(), days: [...ready().days, newDay("Friday")] }, 0).request).toBeNull();
    expect(readDraft(ready(), 4).request).toMatchObject({
      version: 4,
      outline: { name: "Group", minutes: 60, loadingWeeks: 4, easyWeek: true, days: [{ sets: null }] },
    });
  });

  it("says what is no number at its field, and keeps it", () => {
    const draft = changeDay({ ...ready(), minutes: "an hour" }, 0, { sets: "many" });
    expect(readDraft(draft, 0)).toEqual({
      request: null,
      faults: {
        "outline.minutes": "Enter the minutes per session, 10 to 240.",
        "outline.days.0.sets": "Enter a number, 1 to 8.",
      },
    });
    expect(draft.days[0]!.sets).toBe("many");
  });

  it("gives a circuit three rounds, and keeps those that were written", () => {
    expect(changeDay(ready(), 0, { form: "Circuit" }).days[0]!.sets).toBe("3");
    expect(changeDay(changeDay(ready(), 0, { sets: "5" }), 0, { form: "Circuit" }).days[0]!.sets).toBe("5");
    // Emptied while it is a circuit it stays empty: the server asks for rounds.
    expect(changeDay(changeDay(ready(), 0, { form: "Circuit" }), 0, { sets: "" }).days[0]!.sets).toBe("");
  });

  it("finds the next free day, and moves a station", () => {
    expect(freeDay(ready())).toBe("Tuesday");
    const other = newStation("Pattern", "Legs");
    const day = { ...ready().days[0]!, stations: [station, other] };
    expect(moveStation(day, 0, 1)).toEqual([other, station]);
  });

  it("comes back from the server as it went", () => {
    const { request } = readDraft(ready(), 0);
    expect(readDraft(draftOf(request!.outline, ["a"]), 0).request).toEqual(request);
  });
});

describe("a session of a group", () => {
  const item = { movement: "Pull-up", line: "3 x 5", easier: null };
  const session = (cells: GroupSession["stations"][number]["cells"], minutes: (number | null)[]): GroupSession => ({
    day: "2026-03-23",
    title: "",
    form: "Class",
    stations: [{ key: "a", name: "vertical pull", light: false, cells }],
    minutes,
  });

  it("lasts as long as for whom it takes longest", () => {
    expect(classMinutes(session([[item], [item]], [41, 54]))).toBe(54);
    expect(classMinutes(session([[], []], [null, null]))).toBeNull();
  });

  it("has on paper only those who do anything", () =>
    expect(whoTrains(session([[], [item], []], [null, 30, null]))).toEqual([1]));

  it("names its stations", () => {
    const [plain] = session([], []).stations;
    expect(stationLabel(plain!)).toBe("Vertical pull");
    expect(stationLabel({ ...plain!, light: true })).toBe("Vertical pull, light");
    expect(stationLabel({ ...plain!, key: "", name: "" })).toBe("Added by hand");
  });
});
