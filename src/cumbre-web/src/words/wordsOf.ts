import { createTranslator } from "use-intl/core";

/** The messages of one room: ICU text by key. */
export type Catalogue = Readonly<Record<string, string>>;

/** Says the messages of a catalogue; the compiler knows its keys and what each message needs. */
export function wordsOf<const M extends Catalogue>(name: string, messages: M) {
  return createTranslator({ locale: "en", messages, onError: fail, getMessageFallback: () => name });
}

function fail(error: Error): never {
  throw error;
}
