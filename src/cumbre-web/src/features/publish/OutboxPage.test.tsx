// @vitest-environment jsdom
import { screen, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { show, type Answers } from "../../shared/testing/page";
import OutboxPage from "./OutboxPage";

const rows = ["m1", "m2"].map((id, i) => ({
  id,
  at: "2026-03-16T18:00:00Z",
  to: "noor@example.org",
  subject: `Week ${i + 1} of Lever block`,
}));

const open = (at: string, answers: Answers) =>
  show(<OutboxPage />, { path: "/outbox/:id?", at, answers: { "GET /api/outbox": rows, ...answers } });

it("says that nothing was written yet, and that no mail is sent", async () => {
  open("/outbox", { "GET /api/outbox": [] });
  expect(await screen.findByText("No messages yet.")).toBeVisible();
  expect(screen.getByText(/nothing is sent/)).toBeVisible();
});

it("opens a message from the list, with its words, its files and its address", async () => {
  const page = open("/outbox", {
    "GET /api/outbox/m2": {
      ...rows[1],
      from: "Cochera 9",
      text: "Mon, Mar 16\n  Pull-up: 3 x 5",
      attachments: ["lever-block.ics", "lever-block.csv"],
    },
  });
  await userEvent.click(await screen.findByRole("link", { name: "Week 2 of Lever block" }));
  const message = within(await screen.findByRole("article", { name: "Week 2 of Lever block" }));
  expect(message.getByText(/From Cochera 9 to noor@example\.org/)).toBeVisible();
  expect(message.getByText(/Pull-up: 3 x 5/)).toBeVisible();
  expect(message.getByText(/Attached: lever-block\.ics, lever-block\.csv\./)).toBeVisible();
  expect(message.getByRole("link", { name: "Download message" })).toHaveAttribute("href", "/api/outbox/m2/message.eml");
  expect(screen.getByRole("link", { current: true })).toHaveTextContent("Week 2");
  expect(page.address()).toBe("/outbox/m2");
});

it("says that a message is not there, beside those that are", async () => {
  open("/outbox/gone", {});
  expect(await screen.findByText("This address does not exist.")).toBeVisible();
  expect(screen.getByRole("list", { name: "Messages" })).toBeVisible();
});
