// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import type { ImportPreview } from "../../../shared/api/types";
import { Refusal, show, type Answers } from "../../../shared/testing/page";
import ImportPage from "./ImportPage";

const preview = (more: Partial<ImportPreview> = {}): ImportPreview => ({
  problems: [],
  problemCount: 0,
  ladders: [
    {
      slug: "front-lever",
      name: "Front lever",
      isNew: false,
      differences: [],
      movers: [
        {
          athleteId: "a",
          name: "Noor",
          from: "Tuck",
          to: "Advanced tuck",
          won: ["Tuck"],
          lost: [],
          opened: ["Advanced tuck"],
          closed: [],
        },
      ],
    },
    { slug: "rope-climb", name: "Rope climb", isNew: true, differences: [], movers: [] },
  ],
  unchanged: ["Planche"],
  movements: ["Rope climb, legs free"],
  state: 7,
  ...more,
});

const open = (found: unknown, more: Answers = {}) =>
  show(<ImportPage />, {
    path: "/ladders/import",
    at: "/ladders/import",
    answers: { "POST /api/ladders/import/preview": found, ...more },
  });

const choose = () =>
  userEvent.upload(screen.getByLabelText("Ladders file"), new File(["{}"], "ours.json", { type: "application/json" }));

it("shows whom each ladder would move, what is new and what stays, and imports with a reason", async () => {
  const page = open(preview(), { "POST /api/ladders/import": {} });
  await choose();
  expect(
    within(await screen.findByRole("region", { name: "Front lever" }))
      .getByText("Noor")
      .closest("li"),
  ).toHaveTextContent("Tuck → Advanced tuck");
  expect(screen.getByRole("heading", { name: "Rope climb, new" })).toBeVisible();
  expect(screen.getByText("New movements: Rope climb, legs free.")).toBeVisible();
  expect(screen.getByText("Unchanged: Planche.")).toBeVisible();
  await userEvent.type(screen.getByLabelText("Why"), "as agreed in spring");
  await userEvent.click(screen.getByRole("button", { name: "Import 2 ladders" }));
  expect(await screen.findByText("elsewhere")).toBeVisible();
  expect(page.to("POST")).toEqual([{ text: "{}" }, { text: "{}", state: 7, reason: "as agreed in spring" }]);
});

it("says what is wrong, how much of it, and offers nothing to import", async () => {
  open(
    preview({
      problems: [{ place: "ladders[0].steps[2]", message: { code: "ladderEmpty", args: {} } }],
      problemCount: 31,
    }),
  );
  await choose();
  expect(await screen.findByText(/31 things are wrong. Nothing was changed\. The first 1:/)).toBeVisible();
  expect(screen.getByRole("list", { name: "Problems" })).toHaveTextContent("ladders[0].steps[2]: This is empty.");
  expect(screen.queryByRole("button", { name: /Import/ })).not.toBeInTheDocument();
});

it("says that nothing differs", async () => {
  open(preview({ ladders: [] }));
  await choose();
  expect(await screen.findByText(/nothing to import/)).toBeVisible();
});

it("asks for the reason at its field", async () => {
  open(preview(), {
    "POST /api/ladders/import": Refusal.at("reason", "writeImportReason"),
  });
  await choose();
  await userEvent.click(await screen.findByRole("button", { name: "Import 2 ladders" }));
  expect(await screen.findByText("Enter why they are imported.")).toBeVisible();
  expect(screen.getByLabelText("Why")).toHaveAccessibleDescription("Enter why they are imported.");
});

it("offers to look again when the ladders changed meanwhile, and keeps the reason", async () => {
  const page = open(preview(), {
    "POST /api/ladders/import": new Refusal(409, "ladderPreviewOld"),
  });
  await choose();
  await userEvent.type(await screen.findByLabelText("Why"), "spring");
  await userEvent.click(screen.getByRole("button", { name: "Import 2 ladders" }));
  expect(await screen.findByText(/changed a ladder since this preview/)).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Check again" }));
  expect(page.to("POST").at(-1)).toEqual({ text: "{}" });
  expect(screen.getByLabelText("Why")).toHaveValue("spring");
});
