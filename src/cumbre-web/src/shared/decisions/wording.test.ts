import { describe, expect, it } from "vitest";
import type { Decision } from "../api/types";
import { causeText, headline, kindStatus, overruledText, takenText } from "./wording";

const decision = (d: Partial<Decision>): Decision => ({
  id: "1",
  athleteId: "2",
  athleteName: "Ilse",
  movement: "weighted-dip",
  movementName: "Weighted dip",
  role: "Main",
  kind: "AddLoad",
  cause: "CleanSessions",
  state: "Proposed",
  deferredUntil: null,
  basisDay: "2026-03-12",
  nextDay: "2026-03-16",
  before: "3 x 10 @ +12.5 kg",
  next: { movement: "weighted-dip", name: "Weighted dip", line: "3 x 10 @ +15 kg" },
  first: null,
  confirms: false,
  place: null,
  harmless: true,
  cleared: false,
  renews: null,
  overruled: [],
  facts: [{ key: "CleanSessions", value: { kind: "Count", number: 2 } }],
  evidence: [],
  changedItems: 0,
  details: null,
  ...d,
});

const withInputs = (d: Partial<Decision>, facts: Decision["facts"]) => decision({ ...d, facts });

describe("decisions in words", () => {
  it("calls another movement by its name, and other sets of the same one other sets", () => {
    const stuck = { kind: "Variation", cause: "NoProgress" } as const;
    const own = { movement: "weighted-dip", name: "Weighted dip", line: "5 x 4 @ +20 kg" };
    expect(headline(decision({ ...stuck, next: own }), "Kg").before).toBe("Weighted dip: different sets,");
    const other = { movement: "ring-dip", name: "Ring dip", line: "3 x 5" };
    expect(headline(decision({ ...stuck, next: other }), "Kg").before).toBe("Weighted dip: change the movement,");
  });

  it("names the movement and what becomes of it, and puts the line apart, so that it can be opened", () => {
    expect(headline(decision({}), "Kg")).toEqual({ before: "Weighted dip: add load,", figure: "3 x 10 @ +15 kg" });
  });

  it("says what it was only where that changes", () => {
    expect(causeText(decision({}), "Kg")).toBe("2 clean sessions in a row; was 3 x 10 @ +12.5 kg");
    const same = { movement: "weighted-dip", name: "Weighted dip", line: "3 x 10 @ +12.5 kg" };
    expect(causeText(decision({ kind: "Hold", cause: "NotEarned", next: same }), "Kg")).toBe(
      "The plan asks for more next time, but the log has not earned it",
    );
  });

  it("names the other movement where it is another", () => {
    const next = { movement: "assisted-dip", name: "Assisted dip", line: "2 x 8 @ band 10 kg" };
    expect(headline(decision({ kind: "Ease", cause: "Pain", next }), "Kg").figure).toBe(
      "Assisted dip, 2 x 8 @ band 10 kg",
    );
  });

  it("tells a step in singles before the one that gives way", () => {
    const first = { movement: "front-lever-advanced-tuck", name: "Advanced tuck", line: "hold 3 x 3 s" };
    const next = { movement: "front-lever-tuck", name: "Tuck", line: "hold 3 x 7 s" };
    const d = decision({ kind: "NextStep", movement: "front-lever-tuck", movementName: "Tuck", first, next });
    expect(headline(d, "Kg").figure).toBe("Advanced tuck, hold 3 x 3 s, then hold 3 x 7 s");
  });

  it("has no figure where a place stops", () => {
    const d = decision({ kind: "Refer", cause: "Pain", place: "right shoulder", next: null });
    expect(headline(d, "Kg")).toEqual({ before: "Right shoulder: stop and refer", figure: null });
  });

  it("says that a planned increase is earned rather than adding it again", () => {
    const d = decision({ confirms: true });
    expect(headline(d, "Kg").before).toBe("Weighted dip: the planned increase is earned,");
    expect(causeText(d, "Kg")).toBe("2 clean sessions in a row");
  });

  it("tells the cause by its inputs, and what it was", () => {
    expect(causeText(decision({}), "Kg")).toBe("2 clean sessions in a row; was 3 x 10 @ +12.5 kg");
    const pain = withInputs({ kind: "Refer", cause: "Pain", place: "right elbow", next: null }, [
      { key: "PainReported", value: { kind: "Pain", number: 4 } },
      { key: "PainReported", value: { kind: "Pain", number: 3 } },
    ]);
    expect(causeText(pain, "Kg")).toBe("Weighted dip: pain 4/10, after 3 last time");
  });

  it("says that the log was corrected, and what it said before", () => {
    expect(causeText(decision({ renews: "3 x 10 @ +17.5 kg" }), "Kg")).toContain(
      "before that it said 3 x 10 @ +17.5 kg",
    );
  });

  it("marks what is cautious with its own shape", () => {
    expect(kindStatus("Refer")).toBe("stop");
    expect(kindStatus("Ease")).toBe("caution");
    expect(kindStatus("AddReps")).toBe("pending");
  });

  it("names what it goes before and how it was taken", () => {
    expect(overruledText(decision({ overruled: ["AddLoad", "Deload"] }))).toBe("Overrides: add load, deload.");
    expect(takenText(decision({ state: "Deferred" }))).toBe("Weighted dip: add load, postponed");
  });
});
