import { number } from "../../shared/ui/format";
import { say } from "../../words/trends";

/** A change as people say it: +3 %, −12.5 %. */
export const share = (value: number) => {
  const text = number(Math.round(value * 1000) / 10, 1);
  return say("percent", { value: value > 0 ? `+${text}` : text });
};
