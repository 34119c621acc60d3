// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook, waitFor } from "@testing-library/react";
import { expect, it } from "vitest";
import type { Block } from "../../shared/api/types";
import { network } from "../../shared/testing/server";
import { useReading } from "../../shared/blocks/queries";

const block = (line: string): Block => ({
  name: "b",
  start: "2026-03-16",
  kept: [],
  weeks: [
    {
      kind: "Loading",
      sessions: [
        {
          id: "s",
          day: "2026-03-16",
          title: "",
          warmUp: { seconds: 0, text: null },
          coolDown: { seconds: 0, text: null },
          items: [{ id: "i", movement: "dip", line, joined: false, role: null }],
          fixed: false,
        },
      ],
    },
  ],
});

/** A server that answers when it is let, one question after the other. */
function open() {
  const answers: ((cautions: string) => void)[] = [];
  network.answer = () =>
    new Promise((resolve) =>
      answers.push((text) => resolve(Response.json({ weeks: [], items: [], cautions: [{ item: text }] }))),
    );
  const stored = { id: "b", version: 1, block: block("3 x 8") };
  const client = new QueryClient();
  const hook = renderHook(({ typed }) => useReading("a", "s", typed, stored), {
    initialProps: { typed: stored.block },
    wrapper: ({ children }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>,
  });
  const said = () => [hook.result.current.data?.cautions[0]?.item, hook.result.current.stale];
  return { ...hook, answers, said };
}

it("keeps an answer until the next is there, and calls it old meanwhile", async () => {
  const { rerender, answers, said } = open();
  expect(said()).toEqual([undefined, true]);
  await waitFor(() => expect(answers).toHaveLength(1));
  act(() => answers[0]!("first"));
  await waitFor(() => expect(said()).toEqual(["first", false]));

  rerender({ typed: block("3 x 9") });
  expect(said()).toEqual(["first", true]);
  await waitFor(() => expect(answers).toHaveLength(2));
  expect(said()).toEqual(["first", true]);
  act(() => answers[1]!("second"));
  await waitFor(() => expect(said()).toEqual(["second", false]));
});

it("asks nothing where a change was taken back before the keys rested", async () => {
  const { rerender, answers, said } = open();
  await waitFor(() => expect(answers).toHaveLength(1));
  act(() => answers[0]!("first"));
  await waitFor(() => expect(said()).toEqual(["first", false]));
  rerender({ typed: block("3 x 89") });
  // The same content, and another object.
  rerender({ typed: block("3 x 8") });
  await waitFor(() => expect(said()).toEqual(["first", false]));
  expect(answers).toHaveLength(1);
});
