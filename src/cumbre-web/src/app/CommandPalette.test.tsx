// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import { expect, it, vi } from "vitest";
import { show } from "../shared/testing/page";
import CommandPalette from "./CommandPalette";

const open = (roster: unknown, onClose = vi.fn()) => {
  show(<CommandPalette open onClose={onClose} />, {
    path: "/",
    at: "/",
    answers: {
      "GET /api/athletes": roster,
      "GET /api/programmes": [],
      "GET /api/ladders": [],
      "GET /api/movements": [],
    },
  });
  return onClose;
};

it("offers nothing until all of its lists are read, so that Enter goes to the first of the whole", async () => {
  let tell: (roster: unknown) => void = () => undefined;
  open(() => new Promise((resolve) => (tell = resolve)));
  fireEvent.change(await screen.findByRole("combobox"), { target: { value: "e" } });
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(screen.queryAllByRole("option")).toEqual([]);
  tell([]);
  expect((await screen.findAllByRole("option")).length).toBeGreaterThan(0);
});

it("offers what it knows, and goes with one press", async () => {
  const onClose = open([]);
  const field = await screen.findByRole("combobox");
  fireEvent.change(field, { target: { value: "e" } });
  expect((await screen.findAllByRole("option")).length).toBeGreaterThan(0);
  fireEvent.keyDown(field, { key: "Escape" });
  expect(onClose).toHaveBeenCalled();
});
