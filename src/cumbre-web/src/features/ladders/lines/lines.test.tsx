// @vitest-environment jsdom
import { fireEvent, screen, within } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import type { LineReading, MeasuredLine, MeasuredLines } from "../../../shared/api/types";
import { show } from "../../../shared/testing/page";
import LineMeter from "./LineMeter";
import { MarkedPicture } from "./MarkedPicture";
import { Said } from "./Said";

const errors = { elbow: 0.9, arm: 0.3, trunk: 0.3, hip: 0.4, knee: 0.4, line: 0.2 };
const reading: LineReading = {
  angles: { elbow: 1, arm: 40, trunk: 2, hip: 4, knee: 3, line: -1 },
  errors,
  apart: 0,
  off: { elbow: 1, trunk: 2, hip: 4, knee: 3 },
  holds: true,
  moment: 264.4,
  share: 0.98,
  shown: "Full",
};

const marks = [60, 70, 80, 180, 260, 340].map((x) => ({ x, y: 100 }));

const line = (id: string, more: Partial<MeasuredLine> = {}): MeasuredLine => ({
  id,
  step: "full",
  name: "Full",
  day: "2026-03-10",
  marks,
  width: 400,
  height: 300,
  hasPicture: false,
  keptName: null,
  reading,
  advice: "None",
  ...more,
});

const lines = (measured: MeasuredLine[]): MeasuredLines => ({
  isMinor: false,
  hasCamera: true,
  steps: [{ step: "full", name: "Full", movement: "front-lever-full" }],
  lines: measured,
});

it("says that a line holds, what it costs and what it shows", () => {
  show(<Said reading={reading} step="Full" />, { path: "/", at: "/", answers: {} });
  expect(screen.getByText("The full line holds.")).toBeVisible();
  expect(screen.getByText(/264 N·m, 98 % of the full position\. It counts as full\./)).toBeVisible();
  expect(screen.getByRole("row", { name: /^Hip/ })).toHaveTextContent("4° ± 0.4");
});

it("names what breaks a line, from more than 10 degrees on", () => {
  const off = { elbow: 10, trunk: -12, hip: 27, knee: 3 };
  show(<Said reading={{ ...reading, off, holds: false, shown: null }} step="Full" />, {
    path: "/",
    at: "/",
    answers: {},
  });
  expect(screen.getByText("The full line breaks: trunk off level out by -12°, hip out by 27°.")).toBeVisible();
  expect(screen.getByText(/It does not count as any step\./)).toBeVisible();
});

it("moves a mark with the arrow keys, and not out of the picture", () => {
  const onMove = vi.fn();
  show(
    <MarkedPicture image={null} width={400} height={300} marks={marks} size={400} label="Picture" onMove={onMove} />,
    { path: "/", at: "/", answers: {} },
  );
  const hip = screen.getByRole("button", { name: "Hip: 180 to the right, 100 down" });
  fireEvent.keyDown(hip, { key: "ArrowRight" });
  expect(onMove.mock.lastCall?.[0]).toMatchObject({ 3: { x: 181, y: 100 }, 4: { x: 260, y: 100 } });
  fireEvent.keyDown(hip, { key: "ArrowUp", shiftKey: true });
  expect(onMove.mock.lastCall?.[0]).toMatchObject({ 3: { x: 180, y: 90 } });
  const hand = screen.getByRole("button", { name: /^Hand/ });
  for (let i = 0; i < 1; i++) fireEvent.keyDown(hand, { key: "ArrowLeft", shiftKey: true });
  expect(onMove.mock.lastCall?.[0]).toMatchObject({ 0: { x: 50, y: 100 } });
});

it("asks for rest from a line that sank, and shows two dates beside each other", async () => {
  show(<LineMeter athleteId="a" ladder="front-lever" training="full" />, {
    path: "/",
    at: "/",
    answers: {
      "GET /api/athletes/a/ladders/front-lever/measured-lines": lines([
        line("b", { day: "2026-03-16", advice: "LighterWeek", hasPicture: true, keptName: "K" }),
        line("c"),
      ]),
    },
  });
  const table = await screen.findByRole("table", { name: "Measurements" });
  expect(within(table).getByText("dropped twice in a row: take a lighter week")).toBeVisible();
  const beside = screen.getByRole("region", { name: "Compare two dates" });
  expect(within(beside).getByRole("group", { name: "Mar 16, Full" }).querySelector("image")).not.toBeNull();
  expect(within(beside).getByRole("group", { name: "Mar 10, Full" }).querySelector("image")).toBeNull();
});

it("deletes a picture only when asked twice", async () => {
  const gone = vi.fn(() => null);
  show(<LineMeter athleteId="a" ladder="front-lever" training={null} />, {
    path: "/",
    at: "/",
    answers: {
      "GET /api/athletes/a/ladders/front-lever/measured-lines": lines([line("b", { hasPicture: true, keptName: "K" })]),
      "DELETE /api/athletes/a/ladders/front-lever/measured-lines/b/picture": gone,
    },
  });
  fireEvent.click(await screen.findByRole("button", { name: "Delete picture" }));
  const dialog = await screen.findByRole("dialog");
  expect(gone).not.toHaveBeenCalled();
  fireEvent.click(within(dialog).getByRole("button", { name: "Delete" }));
  await vi.waitFor(() => expect(gone).toHaveBeenCalledOnce());
});
