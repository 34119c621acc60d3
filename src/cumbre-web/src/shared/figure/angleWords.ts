import type { PoseFinding, PoseHandle, PoseVariable } from "../api/types";
import { say } from "../../words/figure";

type Solved = NonNullable<PoseHandle["solved"]>;

export const solvedWord: Record<Solved, string> = {
  Balance: say("solvedBalance"),
  Feet: say("solvedFeet"),
  FootLeft: say("solvedFeet"),
  Stay: say("solvedStay"),
  Plumb: say("solvedPlumb"),
  Grip: say("solvedGrip"),
  Wall: say("solvedWall"),
  Level: say("solvedLevel"),
  Upright: say("solvedUpright"),
  Head: say("solvedHead"),
  Knees: say("solvedKnees"),
  Seat: say("solvedSeat"),
};

const names: Record<PoseVariable, string> = {
  Trunk: say("angleTrunk"),
  Arm: say("angleArm"),
  Elbow: say("angleElbow"),
  Out: say("angleOut"),
  Twist: say("angleTwist"),
  ArmLeft: say("angleArm"),
  ElbowLeft: say("angleElbow"),
  OutLeft: say("angleOut"),
  Hip: say("angleHip"),
  Knee: say("angleKnee"),
  Foot: say("angleFoot"),
  LegOut: say("angleLegOut"),
  HipLeft: say("angleHip"),
  KneeLeft: say("angleKnee"),
  LegOutLeft: say("angleLegOut"),
};

/** What an angle is of; a side is said where the sides differ. */
export const angleName = (variable: PoseVariable, differs: boolean) =>
  !differs || variable === "Trunk"
    ? names[variable]
    : say("angleOfSide", { side: variable.endsWith("Left") ? "left" : "right", angle: names[variable] });

/** Why a pose cannot be. */
export function findingText({ fault, of, value, from, to }: PoseFinding): string {
  switch (fault) {
    case "Joint":
      return say("findingJoint", { of: partOf(of), value: Math.round(value), from, to });
    case "Contact":
      return say("findingContact", { value: Math.round(value) });
    case "Floor":
      return say("findingFloor", { value: Math.round(value) });
  }
}

const parts: Record<string, string> = {
  shoulder: say("angleArm"),
  elbow: say("angleElbow"),
  armOut: say("angleOut"),
  hip: say("angleHip"),
  knee: say("angleKnee"),
  legOut: say("angleLegOut"),
  foot: say("angleFoot"),
};

const partOf = (of: string) => parts[of.replace(/Right$|Left$/, "")] ?? of;
