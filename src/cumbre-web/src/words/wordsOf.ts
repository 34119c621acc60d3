import { createTranslator } from "use-intl/core";
import { perHabits } from "./habits";
import { isPseudo, pseudo } from "./pseudo";

/** The messages of one room: ICU text by key. */
export type Catalogue = Readonly<Record<string, string>>;

const all = new Map<string, Catalogue>();

/** Every catalogue that was loaded, by its name. */
export const catalogues = (): ReadonlyMap<string, Catalogue> => all;

/** Says the messages of a catalogue; the compiler knows its keys and what each message needs. */
export function wordsOf<const M extends Catalogue>(name: string, written: M) {
  const messages = isPseudo()
    ? (Object.fromEntries(Object.entries(written).map(([key, text]) => [key, pseudo(text)])) as unknown as M)
    : written;
  all.set(name, messages);
  const translator = perHabits(({ locale }) =>
    createTranslator({ locale, timeZone: "UTC", messages, onError: fail, getMessageFallback: () => name }),
  );
  type Say = ReturnType<typeof translator>;
  const say = ((...given: Parameters<Say>) => translator()(...given)) as Say;
  say.rich = ((...given: Parameters<Say["rich"]>) => translator().rich(...given)) as Say["rich"];
  say.markup = ((...given: Parameters<Say["markup"]>) => translator().markup(...given)) as Say["markup"];
  say.has = (...given: Parameters<Say["has"]>) => translator().has(...given);
  return say;
}

function fail(error: Error): never {
  throw error;
}
