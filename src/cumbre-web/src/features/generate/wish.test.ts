import { expect, test } from "vitest";
import { wishOf } from "./wish";

test("the address asks for what a review of the last block proposes", () => {
  expect(wishOf(new URLSearchParams("start=2026-03-16&days=Monday+Thursday&minutes=75&weeks=3"))).toEqual({
    start: "2026-03-16",
    days: ["Monday", "Thursday"],
    minutes: "75",
    loadingWeeks: "3",
  });
});

test("what the address does not say, or says wrongly, is left to the intake", () => {
  const nothing = { start: null, days: null, minutes: null, loadingWeeks: null };
  expect(wishOf(new URLSearchParams(""))).toEqual(nothing);
  expect(wishOf(new URLSearchParams("start=soon&days=Payday"))).toEqual(nothing);
});
