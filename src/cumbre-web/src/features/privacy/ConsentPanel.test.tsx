// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { me, show, type Answers } from "../../shared/testing/page";
import { ConsentPanel } from "./ConsentPanel";

const consents = (more: object = {}) => ({
  text: { version: 2, text: "What we keep\n\nYour tests.", writtenAt: null },
  consents: [],
  holds: false,
  withdrawnAt: null,
  ...more,
});

const given = {
  id: "1",
  as: "Athlete",
  name: "Ana Shoal",
  day: "2026-03-16",
  textVersion: 2,
  withdrawnAt: null,
};

const as = (role: string) => ({ ...me, account: { ...me.account!, name: "Ana Shoal", role, athleteId: "a" } });

const open = (role: string, answers: Answers) =>
  show(<ConsentPanel athleteId="a" />, { path: "/", at: "/", answers: { "GET /api/me": as(role), ...answers } });

it("takes a consent to the text that was read, and only once it is ticked", async () => {
  let held: object = consents();
  const { sent } = open("athlete", {
    "GET /api/athletes/a/consents": () => held,
    "PUT /api/athletes/a/consents/:any": () => (held = consents({ consents: [given], holds: true })),
  });
  await userEvent.click(await screen.findByRole("button", { name: "Give consent" }));
  expect(screen.getByText("Your tests.")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Give consent" }));
  expect(await screen.findByText("Tick this first.")).toBeVisible();
  expect(sent.filter((s) => s.to.startsWith("PUT"))).toEqual([]);
  await userEvent.click(screen.getByRole("checkbox"));
  await userEvent.click(screen.getByRole("button", { name: "Give consent" }));
  expect(await screen.findByText("Consent is given.")).toBeVisible();
  expect(sent.find((s) => s.to.startsWith("PUT"))?.body).toEqual({ name: "Ana Shoal", textVersion: 2, day: null });
});

it("is withdrawn in the same place", async () => {
  let held: object = consents({ consents: [given], holds: true });
  open("athlete", {
    "GET /api/athletes/a/consents": () => held,
    "POST /api/athletes/a/consents/withdraw": () => {
      held = consents({
        consents: [{ ...given, withdrawnAt: "2026-03-16T09:00:00Z" }],
        withdrawnAt: "2026-03-16T09:00:00Z",
      });
      return held;
    },
  });
  await userEvent.click(await screen.findByRole("button", { name: "Withdraw consent" }));
  await userEvent.click(screen.getAllByRole("button", { name: "Withdraw consent" }).at(-1)!);
  expect(await screen.findByText(/^Consent was withdrawn on .* Nothing new can be recorded\.$/)).toBeVisible();
  await waitFor(() => expect(screen.queryByRole("button", { name: "Withdraw consent" })).not.toBeInTheDocument());
});

it("lets a coach record a form that was signed", async () => {
  const { sent } = open("coach", {
    "GET /api/athletes/a/consents": consents(),
    "PUT /api/athletes/a/consents/:any": consents({ consents: [{ ...given, as: "Paper" }], holds: true }),
  });
  await userEvent.click(await screen.findByRole("button", { name: "Record a signed form" }));
  await userEvent.type(screen.getByLabelText("Signed by"), "Gil Shoal");
  await userEvent.click(screen.getByRole("checkbox"));
  await userEvent.click(screen.getByRole("button", { name: "Record a signed form" }));
  await waitFor(() =>
    expect(sent.find((s) => s.to.startsWith("PUT"))?.body).toEqual({
      name: "Gil Shoal",
      textVersion: 2,
      day: "2026-03-16",
    }),
  );
});

it("says when the text has changed since", async () => {
  open("athlete", {
    "GET /api/athletes/a/consents": consents({ consents: [{ ...given, textVersion: 1 }], holds: true }),
  });
  expect(await screen.findByText("Consent was given to an earlier version of the text.")).toBeVisible();
});
