// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Problem } from "../api/client";
import type { Block, BlockDto } from "../api/types";
import * as queries from "./queries";
import { useBlockEditor } from "./useBlockEditor";

const send = vi.fn<(sent: { block: Block; version: number }) => Promise<{ version: number }>>();

const block: Block = { name: "b", start: "2026-03-16", kept: [], weeks: [{ kind: "Loading", sessions: [] }] };

const stored = (more: Partial<BlockDto> = {}): BlockDto => ({
  id: "i",
  athleteId: "a",
  athleteName: "A",
  minutes: 60,
  days: [],
  bodyMassKg: 70,
  version: 1,
  writtenAt: "2026-03-16T10:00:00Z",
  writtenBy: "Coach",
  block,
  reading: { weeks: [], cautions: [], items: [] },
  anew: [],
  generated: null,
  group: null,
  outside: [],
  ...more,
});

const rename = (name: string) => (b: Block) => ({ ...b, name });

beforeEach(() => {
  const save = { mutateAsync: (sent: { block: Block; version: number }) => send(sent), isPending: false };
  vi.spyOn(queries, "useSaveBlock").mockReturnValue(save as unknown as ReturnType<typeof queries.useSaveBlock>);
  vi.spyOn(queries, "useForgetBlocks").mockReturnValue(() => Promise.resolve());
  vi.useFakeTimers();
  send.mockReset();
  send.mockImplementation(({ version }) => Promise.resolve({ version: version + 1 }));
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

const editing = () => renderHook(() => useBlockEditor("a", stored()));
const settle = () => act(() => vi.advanceTimersByTimeAsync(1000));

it("saves by itself a moment after the last change, once", async () => {
  const { result } = editing();
  act(() => result.current.edit(rename("c"), "name"));
  act(() => result.current.edit(rename("cd"), "name"));
  expect(result.current.state).toBe("waiting");
  await settle();
  expect(send).toHaveBeenCalledExactlyOnceWith({ block: { ...block, name: "cd" }, version: 1 });
  expect([result.current.state, result.current.version]).toEqual(["saved", 2]);
});

it("undoes what was typed in one place together, and saves that too", async () => {
  const { result } = editing();
  act(() => result.current.edit(rename("c"), "name"));
  act(() => result.current.edit(rename("cd"), "name"));
  act(() => result.current.undo());
  expect(result.current.block.name).toBe("b");
  act(() => result.current.redo());
  expect(result.current.block.name).toBe("cd");
  await settle();
  expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "cd" }, version: 1 });
});

it("keeps what was typed when it cannot be saved, and tries again when asked", async () => {
  send.mockRejectedValueOnce(new Problem(0, { title: "The server cannot be reached." }));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await settle();
  expect([result.current.state, result.current.block.name]).toEqual(["failed", "c"]);
  await act(async () => {
    result.current.retry();
    await vi.advanceTimersByTimeAsync(10);
  });
  expect(result.current.state).toBe("saved");
});

it("takes an answer that was lost for saved", async () => {
  const mine = { ...block, name: "c" };
  send.mockRejectedValueOnce(new Problem(409, { title: "changed", current: stored({ block: mine, version: 7 }) }));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await settle();
  expect([result.current.state, result.current.version]).toEqual(["saved", 7]);
});

it.each([
  ["keepMine", "mine"],
  ["takeTheirs", "theirs"],
] as const)("offers both when somebody else wrote first: %s", async (choice, name) => {
  send.mockRejectedValueOnce(
    new Problem(409, { title: "changed", current: stored({ block: { ...block, name: "theirs" }, version: 5 }) }),
  );
  const { result } = editing();
  act(() => result.current.edit(rename("mine")));
  await settle();
  expect(result.current.state).toBe("conflict");
  act(() => result.current[choice]());
  await settle();
  expect([result.current.state, result.current.block.name]).toEqual(["saved", name]);
  if (choice === "keepMine") expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "mine" }, version: 5 });
  else {
    act(() => result.current.undo());
    expect(result.current.block.name).toBe("mine");
  }
});

it("sends what waits when the page is left", () => {
  const { result, unmount } = editing();
  act(() => result.current.edit(rename("c")));
  unmount();
  expect(send).toHaveBeenCalledExactlyOnceWith({ block: { ...block, name: "c" }, version: 1 });
});
