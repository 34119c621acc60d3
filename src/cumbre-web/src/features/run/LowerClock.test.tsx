// @vitest-environment jsdom
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import { LowerClock, lowerAt } from "./LowerClock";

const quiet = { sound: false, vibration: false, leftHanded: false };

it.each([
  [0, "ready", 5],
  [4.9, "ready", 1],
  [5, "lower", 1],
  [7.9, "lower", 3],
  [8, "down", 3],
])("after %s s is %s at %s", (seconds, phase, count) => {
  expect(lowerAt(0, seconds * 1000, 3)).toEqual({ phase, count });
});

it("counts what was dropped as done and not as clean", async () => {
  const onStop = vi.fn();
  const at = Date.now();
  const clock = (seconds: number) => (
    <LowerClock target={3} reps={2} startedAt={at} now={at + seconds * 1000} habits={quiet} onStop={onStop} />
  );
  const page = render(clock(6));
  expect(screen.getByRole("status")).toHaveTextContent("Rep 1 of 2: lower");
  await userEvent.click(screen.getByRole("button", { name: "Dropped too fast" }));
  expect(screen.getByRole("status")).toHaveTextContent("Rep 1: too fast");
  await userEvent.click(screen.getByRole("button", { name: "Next: rep 2" }));
  page.rerender(clock(60));
  expect(screen.getByRole("status")).toHaveTextContent("Rep 2: 3 s");
  expect(screen.queryByRole("button", { name: "End the set here" })).not.toBeInTheDocument();
  await userEvent.click(screen.getByRole("button", { name: "Set done" }));
  expect(onStop).toHaveBeenCalledWith(2, 1);
});
