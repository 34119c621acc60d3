// @vitest-environment jsdom
import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it } from "vitest";
import { Refusal, show, type Answers } from "../../shared/testing/page";
import PeoplePage from "./PeoplePage";

const person = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  signInName: id,
  role: "coach",
  someOnly: false,
  athleteId: null,
  athletes: [],
  groups: [],
  until: null,
  secondFactor: false,
  seenAt: null,
  endedAt: null,
  ...more,
});

const open = (answers: Answers) =>
  show(<PeoplePage />, {
    path: "/people",
    at: "/people",
    answers: {
      "GET /api/people": { people: [person("c", "Coach", { role: "owner" }), person("lea", "Lea Estuary")], links: [] },
      "GET /api/athletes": [{ id: "a", name: "Ana Shoal" }],
      "GET /api/groups": [],
      ...answers,
    },
  });

it("shows a link once, with what it is for, after the name was missing", async () => {
  let name = "";
  const { sent } = open({
    "POST /api/invitations": (body: { name: string }) => {
      ({ name } = body);
      return name
        ? { id: "l", path: "/join#secret", endsAt: "2026-03-23T09:00:00Z" }
        : Refusal.at("name", "writePersonName");
    },
  });
  await userEvent.click(await screen.findByRole("button", { name: "Invite someone" }));
  await userEvent.click(screen.getByRole("button", { name: "Create link" }));
  expect(await screen.findByText("Enter a name.")).toBeVisible();
  await userEvent.type(screen.getByLabelText("Name"), "Moe Isthmus");
  await userEvent.click(screen.getByRole("button", { name: "Create link" }));
  expect(await screen.findByRole("textbox", { name: "Link for Moe Isthmus" })).toHaveValue(
    `${window.location.origin}/join#secret`,
  );
  expect(screen.getByTitle("QR code of the link")).toBeInTheDocument();
  expect(sent.find((s) => s.to === "POST /api/invitations" && name)?.body).toMatchObject({
    role: "coach",
    someOnly: false,
  });
});

it("gives a coach some athletes only", async () => {
  const { sent } = open({ "PUT /api/people/lea": {} });
  await userEvent.click(await screen.findByRole("button", { name: "Edit Lea Estuary" }));
  await userEvent.click(screen.getByRole("combobox", { name: "Sees" }));
  await userEvent.click(await screen.findByRole("option", { name: "Own athletes only" }));
  await userEvent.click(screen.getByLabelText("Athletes"));
  await userEvent.click(await screen.findByRole("option", { name: "Ana Shoal" }));
  await userEvent.click(screen.getByRole("button", { name: "Save" }));
  await waitFor(() =>
    expect(sent.find((s) => s.to === "PUT /api/people/lea")?.body).toEqual({
      role: "coach",
      someOnly: true,
      athletes: ["a"],
      groups: [],
    }),
  );
});

it("asks before an access ends, and says what stands against it", async () => {
  open({ "PUT /api/people/lea/access": () => new Refusal(409, "lastOwner") });
  await userEvent.click(await screen.findByRole("button", { name: "Edit Lea Estuary" }));
  await userEvent.click(screen.getByRole("button", { name: "End access" }));
  const question = within(screen.getByRole("dialog", { name: "End the access of Lea Estuary?" }));
  await userEvent.click(question.getByRole("button", { name: "End access" }));
  expect(await question.findByRole("alert")).toHaveTextContent("The club needs an owner.");
});

it("nobody edits their own access", async () => {
  open({});
  await screen.findByText("Lea Estuary");
  expect(screen.queryByRole("button", { name: "Edit Coach" })).not.toBeInTheDocument();
});
