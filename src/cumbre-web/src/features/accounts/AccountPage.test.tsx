// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { me, Refusal, show, type Answers } from "../../shared/testing/page";
import AccountPage from "./AccountPage";

const device = (id: string, more: object = {}) => ({
  id,
  device: "Firefox on Linux",
  kept: false,
  begunAt: "2026-03-16T08:00:00Z",
  seenAt: "2026-03-16T09:00:00Z",
  isThis: false,
  ...more,
});

const open = (answers: Answers) =>
  show(<AccountPage />, {
    path: "/account",
    at: "/account",
    answers: { "GET /api/me": { ...me, demo: false }, ...answers },
  });

it("signs out another device, never the one in use", async () => {
  let devices = [device("a", { isThis: true }), device("b", { device: "", kept: true })];
  open({
    "GET /api/me/devices": () => devices,
    "DELETE /api/me/devices/b": () => {
      devices = devices.slice(0, 1);
      return undefined;
    },
  });
  const list = within(await screen.findByRole("list", { name: "Devices" }));
  expect(await list.findByText("this device")).toBeVisible();
  expect(list.getByText(/^Stays signed in/)).toBeVisible();
  await userEvent.click(list.getByRole("button", { name: "Sign out Unknown device" }));
  await waitFor(() => expect(list.getAllByRole("listitem")).toHaveLength(1));
  expect(list.queryByRole("button")).not.toBeInTheDocument();
  expect(screen.queryByRole("button", { name: "Sign out all others" })).not.toBeInTheDocument();
});

it("tells a wrong password at its field and keeps what was typed", async () => {
  open({
    "GET /api/me/devices": [device("a", { isThis: true })],
    "PUT /api/me/password": () => Refusal.at("current", "passwordWrong"),
  });
  await userEvent.type(await screen.findByLabelText("Current password"), "a guess");
  await userEvent.type(screen.getByLabelText("New password"), "elevenchars{Enter}");
  expect(await screen.findByText(/At least 12 characters/)).toBeVisible();
  await userEvent.type(screen.getByLabelText("New password"), "!{Enter}");
  expect(await screen.findByText("This is not your password.")).toBeVisible();
  expect(screen.getByLabelText("New password")).toHaveValue("elevenchars!");
});
