// @vitest-environment jsdom
import { screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { show } from "../../shared/testing/page";
import EditTestDayPage from "./EditTestDayPage";

const time = { value: { kind: "seconds", number: 600 }, why: { inputs: [], steps: [], sources: [], cautions: [] } };
const test = (slug: string) => ({ slug, name: `Test ${slug}`, reason: "Base", decides: [] });
const battery = (name: string, slugs: string[]) => ({
  athleteId: name,
  name,
  hasGoals: true,
  time,
  tests: slugs.map(test),
  later: [],
  blocked: [],
  waiting: [],
});
const twelve = "abcdefghijkl".split("");

beforeEach(() => localStorage.clear());

const open = (athletes: number, slugs: string[]) =>
  show(<EditTestDayPage />, {
    path: "/test-days/new",
    at: "/test-days/new",
    answers: {
      "GET /api/athletes": Array.from({ length: athletes }, (_, i) => ({ id: `n${i}`, name: `N${i}` })),
      "GET /api/benchmarks": slugs.map((slug) => ({ slug, name: `Test ${slug}` })),
      "POST /api/test-days/proposal": {
        athletes: [battery("Noor", slugs.slice(0, 6)), battery("Oto", slugs.slice(6))],
        tests: twelve.map(test),
      },
    },
  });

it("names the suggested tests that the sheet has no room for", async () => {
  open(2, [...twelve, "m"]);
  await userEvent.click(await screen.findByRole("button", { name: "Everybody" }));
  expect(await screen.findByText(/Not on this sheet, which holds 12 tests: Test m \(Oto\)\./)).toBeVisible();
});

it("says nothing of room while there is some", async () => {
  open(2, twelve);
  await userEvent.click(await screen.findByRole("button", { name: "Everybody" }));
  expect(await screen.findByText("12. Test l")).toBeVisible();
  expect(screen.queryByText(/Not on this sheet/)).toBeNull();
});

it("offers everybody of a club that fits on a sheet", async () => {
  open(60, twelve);
  expect(await screen.findByRole("button", { name: "Everybody" })).toBeVisible();
});

it("offers everybody no more where a sheet has too few rows", async () => {
  open(61, twelve);
  expect(await screen.findByRole("button", { name: "Open sheet" })).toBeVisible();
  expect(screen.queryByRole("button", { name: "Everybody" })).toBeNull();
});
