import { expect, test } from "vitest";
import { catalogues } from "./wordsOf";
import "./server";

import.meta.glob(["./*.ts", "!./*.test.ts"], { eager: true });

const messages = [...catalogues()].flatMap(([room, said]) =>
  Object.entries(said).map(([key, text]): [string, string] => [`${room}.${key}`, text]),
);

// The comma of lists is the one mark that stands between messages.
const whole = messages.filter(([key]) => key !== "common.listComma");

test("every catalogue is read", () => {
  expect(messages.length).toBeGreaterThan(1900);
});

test("no message is a piece that another is glued to", () => {
  const pieces = whole.filter(([, text]) => /^[\s,;:.)]|[\s,;(]$/.test(text));
  expect(pieces).toEqual([]);
});

// The vocabulary of the interface: the word on the left is never read on a screen.
test.each([
  /\bwon\b/i,
  /\bstored\b/i,
  /\beasy week/i,
  /\bstature\b/i,
  /\bdescents?\b/i,
  /\bbody mass\b/i,
  /\bheavy test/i,
  /\bin turn with\b/i,
  /\bas many as possible\b(?! in one set)/i,
  /\bhall\b/i,
  /\bput away\b/i,
  /\bon paper\b/i,
  /(?<![\d.]|\/ )\+?0 kg/,
])("no message says %s", (word) => {
  expect(whole.filter(([, text]) => word.test(text.replaceAll(/\{[^{}]*\}/g, "")))).toEqual([]);
});
