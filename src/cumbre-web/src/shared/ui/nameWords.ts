import type { Effort, Side } from "../api/types";
import { say as word } from "../../words/common";

export const sideWord: Record<NonNullable<Side>, string> = { Left: word("leftSide"), Right: word("rightSide") };

export const gripWord: Record<NonNullable<Effort["grip"]>, string> = {
  Wide: word("gripWide"),
  Medium: word("gripMedium"),
  Narrow: word("gripNarrow"),
  Under: word("gripUnder"),
  Neutral: word("gripNeutral"),
};

const keepCapital = new Set(word("keepCapital").split(" "));

/** A name within a sentence: "ring dip", but "L-sit" and "German hang". */
export function inSentence(name: string) {
  const [first = ""] = name.split(/[ -]/);
  return first.length === 1 || keepCapital.has(first) ? name : name.charAt(0).toLowerCase() + name.slice(1);
}
