import { z } from "zod";
import { say } from "../../words/ui";

/** A decimal number as people type it: comma or point. Ranges are the server's business. */
export function decimal(what: string) {
  return z
    .string()
    .trim()
    .min(1, say("write", { what }))
    .transform((text, context) => {
      const value = Number(text.replace(",", ".").replace("−", "-"));
      if (!Number.isFinite(value)) {
        context.addIssue({ code: "custom", message: say("isNotANumberWriteLike72", { text, what }) });
        return z.NEVER;
      }
      return value;
    });
}

/** A whole number. */
export function whole(what: string) {
  return z
    .string()
    .trim()
    .min(1, say("write", { what }))
    .transform((text, context) => {
      if (!/^[-−]?\d{1,9}$/.test(text)) {
        context.addIssue({ code: "custom", message: say("isNotAWholeNumber", { text }) });
        return z.NEVER;
      }
      return Number(text.replace("−", "-"));
    });
}
