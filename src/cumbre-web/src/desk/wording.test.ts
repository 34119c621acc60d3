import { describe, expect, it } from "vitest";
import type { Decision, ProposalKind } from "../api/types";
import { causeText, headline, kindStatus, overruledText, takenText } from "./wording";

const decision = (d: Partial<Decision>): Decision => ({
  id: "1",
  athleteId: "2",
  athleteName: "Ilse",
  movement: "weighted-pull-up",
  kind: "AddLoad",
  cause: "CleanSessions",
  state: "Proposed",
  deferredUntil: null,
  nextDay: "2026-03-16",
  before: "3 x 10 @ +12.5 kg",
  next: "3 x 10 @ +15 kg",
  nextIsEasy: false,
  fromKg: 12.5,
  to: { value: { kind: "AddedLoad", number: 15 }, why: undefined as never },
  why: {
    rule: { id: "AddLoad", args: [] },
    inputs: [{ key: "CleanSessions", value: { kind: "Count", number: 2 } }],
    working: [],
    rounding: [],
    sources: [],
    cautions: [],
    exposures: [],
  },
  overruled: [],
  ...d,
});

describe("decisions in words", () => {
  it("puts the figure apart, so that it can be opened", () => {
    expect(headline(decision({}), "Kg")).toEqual({
      before: "Weighted pull-up: +12.5 kg →",
      figure: "+15 kg",
      after: "next session",
    });
  });

  it("has no figure where a pattern stops", () => {
    expect(headline(decision({ kind: "Refer", to: null, next: null }), "Kg").figure).toBeNull();
  });

  it("tells the cause by its inputs", () => {
    expect(causeText(decision({}))).toBe("2 clean sessions running");
    const pain = decision({
      kind: "Refer",
      cause: "Pain",
      why: {
        ...decision({}).why,
        inputs: [
          { key: "PainReported", value: { kind: "Pain", number: 4 } },
          { key: "PainPlace", value: { kind: "Code", code: "right elbow" } },
          { key: "PainReported", value: { kind: "Pain", number: 3 } },
        ],
      },
    });
    expect(causeText(pain)).toBe("Right elbow: pain 4 of 10, after 3 the session before");
  });

  it("marks only what waits on the coach with the flag, and what is cautious with its own shape", () => {
    const shapes = Object.entries(kindStatus) as [ProposalKind, string][];
    expect(shapes.filter(([, s]) => s === "stop").map(([k]) => k)).toEqual(["Refer"]);
    expect(shapes.filter(([, s]) => s === "caution").map(([k]) => k)).toEqual(["Deload", "Ease", "BackOff"]);
  });

  it("names what it overrules and how it was taken", () => {
    expect(overruledText(decision({ overruled: ["AddLoad", "Hold"] }))).toBe("Overrules: add load, same line again.");
    expect(takenText(decision({ state: "Deferred" }))).toBe("add load, put off");
  });
});
