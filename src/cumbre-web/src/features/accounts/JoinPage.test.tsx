// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { me, Refusal, show, type Answers } from "../../shared/testing/page";
import JoinPage from "./JoinPage";

const link = (more: object = {}) => ({
  club: "Iron Quay",
  role: "coach",
  name: "Lea Estuary",
  athlete: null,
  recovers: false,
  signInName: null,
  endsAt: "2026-03-23T09:00:00Z",
  ...more,
});

const open = (answers: Answers, at = "/join#secret") =>
  show(<JoinPage />, { path: "/join", at, answers: { "GET /api/me": { ...me, account: null }, ...answers } });

it("sends what stands after the sign in the body alone, and keeps what was typed when a name is taken", async () => {
  const { sent } = open({
    "POST /api/links/look": link(),
    "POST /api/links/join": () => Refusal.at("signInName", "signInNameTaken"),
  });
  await userEvent.type(await screen.findByLabelText("Sign-in name"), "lea");
  await userEvent.type(screen.getByLabelText("Password"), "four words of nobody");
  await userEvent.click(screen.getByRole("button", { name: "Join" }));
  // The form says it first, and then the field.
  await waitFor(() =>
    expect(screen.getByText("Somebody in this club signs in with this name. Choose another.")).toBeVisible(),
  );
  expect(screen.getByLabelText("Password")).toHaveValue("four words of nobody");
  expect(sent.find((s) => s.to === "POST /api/links/join")?.body).toEqual({
    token: "secret",
    name: "Lea Estuary",
    signInName: "lea",
    password: "four words of nobody",
  });
  expect(sent.every((s) => !s.to.includes("secret"))).toBe(true);
});

it("says so when a link is used up, or is none", async () => {
  open({ "POST /api/links/look": () => new Refusal(404, "linkEnded") });
  expect(await screen.findByText("This link has been used or has expired. Ask for a new one.")).toBeVisible();
});

it("asks an address without a link for one", async () => {
  open({}, "/join");
  expect(await screen.findByText("This address has no link in it. Open the link that you were sent.")).toBeVisible();
});

it("lets somebody choose a new password under their own name", async () => {
  open({ "POST /api/links/look": link({ recovers: true, signInName: "lea" }) });
  expect(await screen.findByLabelText("Sign-in name")).toHaveAttribute("readonly");
  expect(screen.getByLabelText("Sign-in name")).toHaveValue("lea");
  expect(screen.queryByLabelText("Your name")).not.toBeInTheDocument();
});

it("adds a second child to a guardian who is signed in", async () => {
  const { sent } = open({
    "GET /api/me": { ...me, account: { ...me.account!, role: "guardian" } },
    "POST /api/links/look": link({ role: "guardian", athlete: "Cem Tide" }),
    "POST /api/links/take": {},
  });
  await userEvent.click(await screen.findByRole("button", { name: "Add Cem Tide" }));
  await waitFor(() => expect(sent.some((s) => s.to === "POST /api/links/take")).toBe(true));
});

it("shows a password that somebody wants to see, and hides it again", async () => {
  open({ "POST /api/links/look": link() });
  const password = await screen.findByLabelText("Password");
  expect(password).toHaveAttribute("type", "password");
  await userEvent.click(screen.getByRole("button", { name: "Show" }));
  expect(password).toHaveAttribute("type", "text");
  await userEvent.click(screen.getByRole("button", { name: "Hide" }));
  expect(password).toHaveAttribute("type", "password");
});
