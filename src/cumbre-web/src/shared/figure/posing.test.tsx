// @vitest-environment jsdom
import { act, fireEvent, screen } from "@testing-library/react";
import { expect, it } from "vitest";
import type { Posed, PoseHandle, PoseRequest } from "../api/types";
import { show } from "../testing/page";
import { PoseEditor } from "./PoseEditor";
import { stepped } from "./usePosing";

const kit = {
  on: "Bar",
  height: null,
  wall: null,
  box: null,
  band: null,
  load: null,
  isTurnedOut: false,
  isSeat: false,
} as const;

/** A body whose joints all lie apart, so that each can be found. */
const points = Array.from({ length: 28 }, (_, i) => [i * 20, -i * 15, 0]).flat();

const handle = (variable: PoseHandle["variable"], joint: PoseHandle["joint"], value: number, solved = false) =>
  ({ variable, joint, value, from: -30, to: 140, solved: solved ? "Balance" : null }) satisfies PoseHandle;

function answer(hip: number): { posed: Posed } {
  return {
    posed: {
      pose: {
        like: null,
        view: "Side",
        hold: "Hands",
        kit,
        trunk: -90,
        arm: [48, 0, 0, 0],
        armLeft: null,
        leg: [hip, 0, 0],
        legLeft: null,
        round: 0,
        neck: 0,
        blades: [0, 0],
        grip: null,
        stay: null,
        free: { Arm: "Balance" },
      },
      figure: {
        name: "posed",
        view: "Side",
        hold: "Hands",
        kit,
        onFloor: false,
        floor: null,
        points,
        centre: [0, 0],
        reading: {
          hold: "Hands",
          on: "Bar",
          shouldersOver: false,
          trunk: "LevelFaceUp",
          degrees: 0,
          arm: { is: "InFront", degrees: 50, bend: 0 },
          armLeft: null,
          leg: { hip, knee: 0, out: 0 },
          legLeft: null,
        },
      },
      handles: [handle("Arm", "ShoulderRight", 48, true), handle("Hip", "KneeRight", hip)],
      findings: hip > 140 ? [{ fault: "Joint", of: "hipRight", value: hip, from: -30, to: 140 }] : [],
    },
  };
}

/** A stand-in server that turns the hip as it is asked, each answer when it is let go. */
function server() {
  const asked: PoseRequest[] = [];
  const waiting: (() => void)[] = [];
  return {
    asked,
    ask: (request: PoseRequest) =>
      new Promise<{ posed: Posed }>((resolve) => {
        asked.push(request);
        const hip = request.turn?.value ?? (request.drag ? 90 : (request.pose.leg?.[0] ?? 10));
        waiting.push(() => resolve(answer(hip)));
      }),
    next: () =>
      act(async () => {
        waiting.shift()?.();
        await Promise.resolve();
        await Promise.resolve();
      }),
  };
}

const start = { like: "front-lever-full" };

async function open() {
  const { ask, asked, next } = server();
  show(<PoseEditor start={start} ask={ask} />, { path: "/", at: "/", answers: {} });
  await screen.findByText((_, element) => element?.tagName === "BODY");
  await next();
  return { asked, next, hip: () => screen.getByRole("slider", { name: "Hip" }) };
}

it("turns a joint with the arrow keys, every press from where the one before came to", async () => {
  const { asked, next, hip } = await open();
  expect(hip()).toHaveAttribute("aria-valuenow", "10");
  for (let i = 0; i < 3; i++) fireEvent.keyDown(hip(), { key: "ArrowUp" });
  expect(asked).toHaveLength(2);
  await next();
  await next();
  await next();
  expect(asked.slice(1).map((r) => r.turn?.value)).toEqual([15, 20, 25]);
  expect(hip()).toHaveAttribute("aria-valuenow", "25");
  fireEvent.keyDown(hip(), { key: "ArrowDown", shiftKey: true });
  await next();
  expect(asked.at(-1)?.turn?.value).toBe(24);
});

it("leaves what is solved to what solves it", async () => {
  const { asked } = await open();
  const arm = screen.getByRole("slider", { name: "Arm to trunk" });
  expect(arm).toHaveAttribute("aria-disabled", "true");
  expect(arm).toHaveAttribute("aria-valuetext", "48 degrees, set by balance");
  fireEvent.keyDown(arm, { key: "ArrowUp" });
  expect(asked).toHaveLength(1);
});

it("takes the last change back", async () => {
  const { asked, next, hip } = await open();
  const undo = screen.getByRole("button", { name: "Undo" });
  expect(undo).toBeDisabled();
  fireEvent.keyDown(hip(), { key: "ArrowUp" });
  await next();
  fireEvent.click(undo);
  await next();
  expect(asked.at(-1)?.pose.leg).toEqual([10, 0, 0]);
  expect(hip()).toHaveAttribute("aria-valuenow", "10");
});

it("takes a typed angle within its limits, and keeps the field for the arrow keys", async () => {
  const { asked, next } = await open();
  const field = screen.getByRole("textbox", { name: "Hip" });
  fireEvent.change(field, { target: { value: "141" } });
  fireEvent.keyDown(field, { key: "Enter" });
  expect(field).toHaveValue("10");
  expect(asked).toHaveLength(1);
  fireEvent.change(field, { target: { value: "140" } });
  fireEvent.keyDown(field, { key: "Enter" });
  await next();
  expect(asked.at(-1)?.turn).toEqual({ variable: "Hip", value: 140 });
  fireEvent.keyDown(field, { key: "ArrowDown" });
  await next();
  expect(asked.at(-1)?.turn).toEqual({ variable: "Hip", value: 135 });
  expect(field).toHaveValue("135");
  expect(field).toBeInTheDocument();
});

it("says why a body cannot be so", async () => {
  const { next, hip } = await open();
  expect(screen.queryByRole("alert")).toBeNull();
  // The stand-in lets a hip be turned further than it bends.
  for (let i = 0; i < 27; i++) {
    fireEvent.keyDown(hip(), { key: "ArrowUp" });
    await next();
  }

  expect(screen.getByRole("alert")).toHaveTextContent("Hip: 145° is outside -30 to 140°.");
});

it("steps to the next multiple", () => {
  expect(stepped(10, 1, 5)).toBe(15);
  expect(stepped(12, 1, 5)).toBe(15);
  expect(stepped(12, -1, 5)).toBe(10);
  expect(stepped(10, -1, 5)).toBe(5);
  expect(stepped(-3, -1, 1)).toBe(-4);
  expect(stepped(49.96, 1, 5)).toBe(55);
});
