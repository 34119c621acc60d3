import { expect, it } from "vitest";
import { strengthOf } from "./strength";

it.each([
  ["password1234", 0, 1],
  ["123456789012", 0, 1],
  ["correct horse battery staple", 3, 4],
])("weighs %s", (password, least, most) => {
  expect(strengthOf(password)).toBeGreaterThanOrEqual(least);
  expect(strengthOf(password)).toBeLessThanOrEqual(most);
});
