// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { ItemForm } from "./ItemForm";
import { Refusal, show } from "../../shared/testing/page";
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

it("keeps what was typed while it is refused, and gives way to the line once it has landed", async () => {
  const lines: string[] = [];
  show(
    <ItemForm
      plan={{ method: "straight", sets: 3, reps: 8 }}
      label="Fields of the line"
      onLine={(line) => lines.push(line)}
    />,
    {
      path: "/",
      at: "/",
      answers: {
        "POST /api/notation/line": (body: { reps: number }) =>
          body.reps > 200 ? Refusal.at("reps", "numberMissing") : { line: `3 x ${body.reps}` },
      },
    },
  );
  const reps = await screen.findByRole("textbox", { name: "Reps" });
  await userEvent.clear(reps);
  await userEvent.type(reps, "900{Enter}");
  await waitFor(() => expect(reps).toHaveAccessibleDescription("Enter a number."));
  expect(reps).toHaveValue("900");
  await userEvent.clear(reps);
  await userEvent.type(reps, "9{Enter}");
  await waitFor(() => expect(lines).toEqual(["3 x 9"]));
  // The line has not come back as a plan here, so the field shows what the plan says.
  await waitFor(() => expect(reps).toHaveValue("8"));
});
