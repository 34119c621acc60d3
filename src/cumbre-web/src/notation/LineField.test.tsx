// @vitest-environment jsdom
import { screen } from "@testing-library/react";
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

function open(takes: boolean) {
  show(<Line takes={takes} />, { path: "/", at: "/", answers: { "GET /api/notation/completions": [] } });
  return screen.getByRole("textbox", { name: "Line" });
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
