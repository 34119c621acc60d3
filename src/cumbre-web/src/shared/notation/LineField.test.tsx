// @vitest-environment jsdom
import { screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { expect, it } from "vitest";
import { show } from "../testing/page";
import { LineField } from "./LineField";

function Line({ takes }: { takes: boolean }) {
  const [line, setLine] = useState("3 x 8");
  return (
    <>
      <LineField
        value={line}
        label="Line"
        invalid={false}
        describedBy=""
        onChange={(text) => takes && setLine(text)}
        onEnter={() => {}}
      />
      <button onClick={() => setLine("undone")}>undo</button>
    </>
  );
}

function open(takes: boolean, offers: unknown[] = []) {
  show(<Line takes={takes} />, { path: "/", at: "/", answers: { "GET /api/notation/completions": offers } });
  return screen.getByRole("combobox", { name: "Line" });
}

it("shows what is typed, and what is written from elsewhere", async () => {
  const field = open(true);
  await userEvent.type(field, " rest 2:00");
  expect(field).toHaveValue("3 x 8 rest 2:00");
  // In the middle of the line the cursor stays where it was.
  await userEvent.type(field, "45 ", { initialSelectionStart: 6, initialSelectionEnd: 6 });
  expect(field).toHaveValue("3 x 8 45 rest 2:00");
  await userEvent.click(screen.getByRole("button", { name: "undo" }));
  expect(field).toHaveValue("undone");
});

it("goes back to what stands where nobody takes what is typed", async () => {
  const field = open(false);
  await userEvent.type(field, "9");
  expect(field).toHaveValue("3 x 8");
});

const rest = [
  { text: "rest 2:00", start: 6, for: "Rest" },
  { text: "rest 1:00", start: 6, for: "Rest" },
];

it("takes an offer by the arrows, with its first figure selected", async () => {
  const field = open(true, rest);
  await userEvent.type(field, " r");
  await screen.findByRole("option", { name: "rest 2:00" });
  await userEvent.keyboard("{ArrowDown}{Enter}");
  expect(field).toHaveValue("3 x 8 rest 2:00");
  await waitFor(() => expect((field as HTMLInputElement).selectionStart).toBe(11));
  expect(screen.queryByRole("option")).toBeNull();
});

it("goes from value to value by Tab while offers hang there, and takes none that was not chosen", async () => {
  const field = open(true, rest);
  await userEvent.type(field, " r");
  await screen.findByRole("option", { name: "rest 2:00" });
  (field as HTMLInputElement).setSelectionRange(0, 0);
  await userEvent.tab();
  expect((field as HTMLInputElement).selectionEnd).toBe(1);
  await userEvent.tab();
  expect([(field as HTMLInputElement).selectionStart, field]).toEqual([4, document.activeElement]);
  expect(field).toHaveValue("3 x 8 r");
  // Past the last value it leaves.
  await userEvent.tab();
  expect(field).not.toHaveFocus();
});
