import type { PoseReading } from "../api/types";
import { capital } from "../ui/format";
import { say } from "../../words/figure";

const kit: Record<PoseReading["on"], string> = {
  None: "",
  Bar: say("bar"),
  Rings: say("rings"),
  Bars: say("bars"),
  Floor: say("floor"),
  Pole: say("pole"),
  Blocks: say("blocks"),
};

/** A pose read out, for those who do not see it. */
export function poseWords(pose: PoseReading): string {
  const parts = [
    held(pose),
    trunk(pose),
    pose.armLeft ? say("armRight", { arm: arm(pose.arm) }) : say("armsOf", { arm: arm(pose.arm) }),
    pose.armLeft && say("armLeft", { arm: arm(pose.armLeft) }),
    pose.legLeft ? say("legRight", { leg: leg(pose.leg) }) : say("legsOf", { leg: leg(pose.leg) }),
    pose.legLeft && say("legLeft", { leg: leg(pose.legLeft) }),
  ];
  return `${capital(parts.filter(Boolean).join("; "))}.`;
}

function held({ hold, on, shouldersOver, legLeft }: PoseReading): string {
  switch (hold) {
    case "Hands":
      if (on === "Pole") return say("onPole");
      if (on === "None") return say("handsFree");
      return shouldersOver === null
        ? say("handsOn", { kit: kit[on] })
        : say("hands", { kit: kit[on], over: String(shouldersOver) });
    case "Hand":
      return say("hand", { kit: kit[on] });
    case "Wrists":
      return say("wrists", { kit: kit[on] });
    case "Feet":
      return legLeft ? say("oneFoot") : say("feet");
    case "Hips":
      return say("hips");
    case "Knees":
      return say("knees");
    case "Elbows":
      return say("elbows");
  }
}

function trunk({ trunk: is, degrees }: PoseReading): string {
  switch (is) {
    case "Upright":
      return say("trunkUpright");
    case "HeadDown":
      return say("trunkHeadDown");
    case "LevelFaceDown":
      return say("trunkFaceDown");
    case "LevelFaceUp":
      return say("trunkFaceUp");
    case "LevelSideOn":
      return say("trunkSideOn");
    case "LeansForward":
      return say("trunkForward", { degrees });
    case "LeansBack":
      return say("trunkBack", { degrees });
    case "LeansSideways":
      return say("trunkSideways", { degrees });
    case "HeadLow":
      return say("trunkHeadLow", { degrees });
  }
}

function arm({ is, degrees, bend }: PoseReading["arm"]): string {
  const where = {
    AtSide: say("atSide"),
    InFront: say("inFront", { degrees }),
    Behind: say("behind", { degrees }),
    Overhead: say("overhead"),
    OutToSide: say("outToSide"),
  }[is];
  return bend === 0 ? say("straight", { where }) : say("bent", { bend, where });
}

function leg({ hip, knee, out }: PoseReading["leg"]): string {
  return [
    hip === 0 ? say("inLine") : hip > 0 ? say("hipBent", { degrees: hip }) : say("hipArched", { degrees: -hip }),
    knee === 0 ? say("kneeStraight") : say("kneeBent", { degrees: knee }),
    out !== 0 && say("apart", { degrees: Math.abs(out) }),
  ]
    .filter(Boolean)
    .join(", ");
}
