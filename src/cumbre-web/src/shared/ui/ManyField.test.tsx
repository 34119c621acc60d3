// @vitest-environment jsdom
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, it, vi } from "vitest";
import { ManyField } from "./ManyField";

const names: Record<string, string> = { a: "Front lever", b: "Human flag", c: "Pull-up" };
const field = (chosen: string[], onChange = vi.fn()) => (
  <ManyField
    label="Working on"
    options={["a", "b", "c"]}
    chosen={chosen}
    nameOf={(o) => names[o] ?? o}
    onChange={onChange}
  />
);

it("keeps what is being typed while the page around it is drawn again", async () => {
  const user = userEvent.setup();
  const took = vi.fn();
  const page = render(field(["c"], took));
  await user.type(screen.getByRole("combobox"), "fla");
  page.rerender(field(["c"], took));
  expect(screen.getByRole<HTMLInputElement>("combobox").value).toBe("fla");
  await user.keyboard("{ArrowDown}{Enter}");
  expect(took).toHaveBeenCalledWith(["c", "b"]);
});

it("follows what was chosen elsewhere", () => {
  const page = render(field(["a"]));
  page.rerender(field(["b"]));
  expect(screen.getByText("Human flag")).toBeDefined();
  expect(screen.queryByText("Front lever")).toBeNull();
});
