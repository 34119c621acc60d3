// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import { expect, it } from "vitest";
import type { TestDayRow } from "../../shared/api/types";
import { show } from "../../shared/testing/page";
import TestDaysPage from "./TestDaysPage";

const open = (days: unknown) =>
  show(<TestDaysPage />, { path: "/test-days", at: "/test-days", answers: { "GET /api/test-days": days } });

it("says that there is none yet, with the way to the first", async () => {
  open([]);
  expect(await screen.findByText("No test days yet.")).toBeVisible();
  expect(screen.getByRole("link", { name: "New test day" })).toHaveAttribute("href", "/test-days/new");
});

it("lists the evenings with how far their sheets are filled", async () => {
  const day: TestDayRow = { id: "d", day: "2026-03-16", name: "March tests", athletes: 4, tests: 6, results: 20 };
  open([day]);
  expect(await screen.findByRole("link", { name: /March tests/ })).toHaveAttribute("href", "/test-days/d");
  const row = screen.getByRole("row", { name: /March tests/ });
  for (const figure of ["4", "6", "20"]) expect(row).toHaveTextContent(figure);
});

it("can be asked for again when it cannot be had", async () => {
  open("lost");
  expect(await screen.findByText(/The server cannot be reached/)).toBeVisible();
  expect(screen.getByRole("button", { name: "Try again" })).toBeVisible();
});
