// @vitest-environment jsdom
import { fireEvent, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { BlockImport } from "../../shared/api/types";
import { blockOf, itemOf, readingOf, sessionOf } from "../../shared/testing/block";
import { Refusal, show, type Answers } from "../../shared/testing/page";
import ImportBlockPage from "./ImportBlockPage";

const block = blockOf([sessionOf("s1", "2026-03-16", itemOf("i1", "pull-up", "3 x 5"))]);
const found = (more: Partial<BlockImport> = {}): BlockImport => ({
  problems: [],
  notes: [],
  block,
  reading: readingOf(block),
  ...more,
});

const open = (read: unknown, more: Answers = {}) =>
  show(<ImportBlockPage />, {
    path: "/athletes/:athleteId/import",
    at: "/athletes/a/import",
    answers: { "POST /api/athletes/a/blocks/import": read, ...more },
  });

const file = (text: string, name = "block.json") => new File([text], name, { type: "application/json" });
const choose = (chosen: File) => userEvent.upload(screen.getByLabelText("Block file"), chosen);

it("shows what would come of a file, and stores it only when told", async () => {
  const page = open(found(), { "PUT /api/athletes/a/blocks/:any": { version: 1 } });
  await choose(file("{}"));
  expect(await screen.findByRole("heading", { name: "Lever block" })).toBeVisible();
  expect(screen.getByText(/^1 week, 1 session, from .*Mar 16, 2026$/)).toBeVisible();
  expect(page.to("PUT")).toEqual([]);
  await userEvent.click(screen.getByRole("button", { name: "Use this block" }));
  expect(await screen.findByText("elsewhere")).toBeVisible();
  expect(page.to("PUT")).toEqual([{ block, version: 0 }]);
  expect(page.address()).toMatch(/^\/athletes\/a\/blocks\/[0-9a-f-]{36}$/);
});

it("reads the file again for another first week, from its Monday on", async () => {
  const page = open(found());
  await choose(file("{}"));
  await screen.findByRole("heading", { name: "Lever block" });
  fireEvent.change(screen.getByLabelText("First week"), { target: { value: "2026-04-02" } });
  expect(await screen.findByText(/^From .*Mar 30, 2026$/)).toBeVisible();
  expect(page.to("POST")).toEqual([
    { text: "{}", start: "2026-03-16" },
    { text: "{}", start: "2026-03-30" },
  ]);
});

it("says what is wrong with each place, and offers nothing to take", async () => {
  open(
    found({
      block: null,
      reading: null,
      problems: [{ place: "line 3, column 8", message: { code: "fileNoJson", args: {} } }],
    }),
  );
  await choose(file("{"));
  expect(await screen.findByText("This file cannot be read as a block. Nothing was saved.")).toBeVisible();
  expect(screen.getByRole("list", { name: "Problems" })).toHaveTextContent(
    "line 3, column 8: This is not valid JSON from here on.",
  );
  expect(screen.queryByRole("button", { name: "Use this block" })).not.toBeInTheDocument();
});

it("names what is to be mended in a block that can be taken", async () => {
  open(
    found({
      notes: [
        { place: "week 1, Monday", message: { code: "fileMovementUnknown", args: { movement: "moon walk" } as never } },
      ],
    }),
  );
  await choose(file("{}"));
  expect(await screen.findByText("1 thing to fix afterwards:")).toBeVisible();
  expect(screen.getByRole("list", { name: "To fix" })).toHaveTextContent("moon walk");
  expect(screen.getByRole("button", { name: "Use this block" })).toBeEnabled();
});

it("does not read a file that is too large, and says how large it is", async () => {
  const page = open(found());
  await choose(file("x".repeat(1_100_000), "all-blocks.json"));
  expect(await screen.findByText("all-blocks.json is 1 MB. The limit is 0.9 MB.")).toBeVisible();
  expect(page.to("POST")).toEqual([]);
  await choose(file("{}"));
  expect(await screen.findByRole("heading", { name: "Lever block" })).toBeVisible();
  expect(screen.queryByText(/at most 0\.9 MB/)).not.toBeInTheDocument();
});

it("says that the server refused, and takes the next file", async () => {
  let answer: unknown = new Refusal(400, "fileVersion", { version: "9" });
  open(() => answer);
  await choose(file("{}"));
  expect(await screen.findByText(/version 9/)).toBeVisible();
  answer = found();
  await choose(file("{}"));
  expect(await screen.findByRole("heading", { name: "Lever block" })).toBeVisible();
  expect(screen.queryByText(/version 9/)).not.toBeInTheDocument();
});

it("keeps the preview when storing fails", async () => {
  open(found(), { "PUT /api/athletes/a/blocks/:any": "lost" });
  await choose(file("{}"));
  await userEvent.click(await screen.findByRole("button", { name: "Use this block" }));
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Use this block" })).toBeEnabled();
});
