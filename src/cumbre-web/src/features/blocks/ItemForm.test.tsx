// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { ItemForm } from "./ItemForm";
import type { Plan } from "./planFields";

const effortOf = (effort: Plan["effort"]) => {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <ItemForm
        plan={{ method: "straight", sets: 3, reps: 8, effort }}
        label="Fields of the line"
        onLine={() => undefined}
      />
    </QueryClientProvider>,
  );
  return screen.getByRole("combobox", { name: /Effort/ });
};

describe("the effort beside a line", () => {
  it.each([
    [undefined, "not set"],
    [{ to: "reserve", reps: 2 }, "2 in reserve"],
    [{ to: "failure" }, "to failure"],
    [{ to: "last-failure" }, "last to failure"],
  ])("of %j is shown as %s", (effort, text) => {
    expect(effortOf(effort)).toHaveTextContent(new RegExp(`^${text}$`));
  });
});
