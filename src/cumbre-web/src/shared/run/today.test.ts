import { describe, expect, it } from "vitest";
import { todayOf } from "./today";

describe("the day without a signal", () => {
  const at = (text: string) => new Date(text).getTime();

  it.each([
    // The server's day holds as long as the device's day does, whatever the device's calendar says.
    ["2026-03-16T08:00", "2026-03-16T23:59", "2026-03-16"],
    ["2026-03-16T23:59", "2026-03-17T00:01", "2026-03-17"],
    ["2026-11-30T08:00", "2026-12-01T07:00", "2026-03-17"],
    ["2026-03-16T08:00", "2026-03-23T08:00", "2026-03-23"],
    // A clock that was set back tells nothing.
    ["2026-03-16T08:00", "2026-03-10T08:00", "2026-03-16"],
  ])("told at %s is, at %s, %s", (fetched, now, today) => {
    expect(todayOf("2026-03-16", at(fetched), at(now))).toBe(today);
  });
});
