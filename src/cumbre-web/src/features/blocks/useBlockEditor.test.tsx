// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { Problem } from "../../shared/api/client";
import type { Block, BlockDto } from "../../shared/api/types";
import { me } from "../../shared/testing/page";
import * as queries from "../../shared/blocks/queries";
import { closeDrafts } from "../../shared/drafts/draft";
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

const client = new QueryClient();
client.setQueryData(["me"], me);
const wrapper = ({ children }: { children: React.ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
);
const editing = () => renderHook(() => useBlockEditor("a", stored()), { wrapper });
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

it("keeps what was typed while nobody answers, on the device too, and sends it by itself", async () => {
  send.mockRejectedValueOnce(new Problem(0, {}, "The server cannot be reached."));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await act(() => vi.advanceTimersByTimeAsync(800));
  expect([result.current.state, result.current.block.name]).toEqual(["unreachable", "c"]);
  expect(Object.values(localStorage).join("")).toContain('"name":"c"');
  await settle();
  expect(result.current.state).toBe("saved");
  expect(localStorage).toHaveLength(0);
});

it("holds what the server refuses until it is mended, and tries again when asked", async () => {
  send.mockRejectedValueOnce(new Problem(400, {}, "A line is too long."));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await settle();
  await settle();
  expect(send).toHaveBeenCalledOnce();
  expect([result.current.state, result.current.failure?.message]).toEqual(["refused", "A line is too long."]);
  await act(async () => {
    void result.current.retry();
    await vi.advanceTimersByTimeAsync(10);
  });
  expect(result.current.state).toBe("saved");
});

it("stands again as it was typed when the window was closed before it was stored", async () => {
  send.mockRejectedValue(new Problem(0, {}));
  const first = editing();
  act(() => first.result.current.edit(rename("c")));
  const lay = { ...localStorage };
  // A closed window takes its drafts with it; what lies on the device stays.
  send.mockImplementation(({ version }) => Promise.resolve({ version: version + 1 }));
  await settle();
  first.unmount();
  Object.entries(lay).forEach(([k, v]) => localStorage.setItem(k, String(v)));
  const { result } = editing();
  expect([result.current.block.name, result.current.state]).toEqual(["c", "waiting"]);
  expect(result.current.restored).not.toBeNull();
  await settle();
  // Stored within a second, it is still told until somebody has seen it.
  expect([result.current.state, result.current.restored]).toEqual(["saved", expect.any(String)]);
  act(() => result.current.seen());
  expect(result.current.restored).toBeNull();
  expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "c" }, version: 1 });
});

it("takes an answer that was lost for saved", async () => {
  const mine = { ...block, name: "c" };
  send.mockRejectedValueOnce(new Problem(409, { current: stored({ block: mine, version: 7 }) }));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await settle();
  expect([result.current.state, result.current.version]).toEqual(["saved", 7]);
});

it("does not clash with what it sent itself, when the answer was lost and something was written after", async () => {
  send.mockRejectedValueOnce(new Problem(0, {}));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await act(() => vi.advanceTimersByTimeAsync(800));
  send.mockRejectedValueOnce(new Problem(409, { current: stored({ block: { ...block, name: "c" }, version: 2 }) }));
  act(() => result.current.edit(rename("cd")));
  await settle();
  await settle();
  expect([result.current.state, result.current.block.name]).toEqual(["saved", "cd"]);
  expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "cd" }, version: 2 });
});

it("nor when what came after was refused, and however often it was tried", async () => {
  send.mockRejectedValue(new Problem(0, {}));
  const { result } = editing();
  act(() => result.current.edit(rename("c")));
  await act(() => vi.advanceTimersByTimeAsync(800));
  for (const name of ["cd", "cde", "cdef", "cdefg"]) {
    act(() => result.current.edit(rename(name)));
    await act(() => vi.advanceTimersByTimeAsync(20_000));
  }
  const kept = JSON.parse(Object.values(localStorage)[0] as string) as { sent: Block[] };
  expect(kept.sent.map((b) => b.name)).toEqual(["c", "cdef", "cdefg"]);

  send.mockReset();
  send.mockRejectedValueOnce(new Problem(400, {}, "A line is too long."));
  send.mockRejectedValueOnce(new Problem(409, { current: stored({ block: { ...block, name: "c" }, version: 2 }) }));
  send.mockImplementation(({ version }) => Promise.resolve({ version: version + 1 }));
  act(() => result.current.edit(rename("too long")));
  await act(() => vi.advanceTimersByTimeAsync(20_000));
  expect(result.current.state).toBe("refused");
  act(() => result.current.edit(rename("short")));
  await settle();
  await settle();
  expect([result.current.state, result.current.block.name, result.current.clashes]).toEqual(["saved", "short", []]);
});

it("nor when the window was closed before the answer came", async () => {
  send.mockReturnValueOnce(new Promise(() => {}));
  const first = editing();
  act(() => first.result.current.edit(rename("c")));
  await settle();
  act(() => first.result.current.edit(rename("cd")));
  const lay = { ...localStorage };
  closeDrafts();
  first.unmount();
  Object.entries(lay).forEach(([k, v]) => localStorage.setItem(k, String(v)));
  const { result } = renderHook(() => useBlockEditor("a", stored({ block: { ...block, name: "c" }, version: 2 })), {
    wrapper,
  });
  expect([result.current.block.name, result.current.clashes]).toEqual(["cd", []]);
});

it.each(["mine", "theirs"] as const)("asks where both wrote in one place: %s", async (whose) => {
  send.mockRejectedValueOnce(
    new Problem(409, { current: stored({ block: { ...block, name: "theirs" }, version: 5 }) }),
  );
  const { result } = editing();
  act(() => result.current.edit(rename("mine")));
  await settle();
  expect(result.current.state).toBe("clash");
  expect(result.current.clashes).toMatchObject([{ where: "The name", mine: "mine", theirs: "theirs" }]);
  act(() => result.current.decide(whose));
  await settle();
  expect([result.current.state, result.current.block.name]).toEqual(["saved", whose]);
  if (whose === "mine") expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "mine" }, version: 5 });
  else {
    act(() => result.current.undo());
    expect(result.current.block.name).toBe("mine");
  }
});

it("puts what others wrote elsewhere together with what was written here, and stores that", async () => {
  send.mockRejectedValueOnce(
    new Problem(409, { current: stored({ block: { ...block, start: "2026-03-23" }, version: 5 }) }),
  );
  const { result } = editing();
  act(() => result.current.edit(rename("mine")));
  await settle();
  await settle();
  expect(send).toHaveBeenLastCalledWith({ block: { ...block, name: "mine", start: "2026-03-23" }, version: 5 });
  expect(result.current.state).toBe("saved");
});

it("sends what waits when the page is left", () => {
  const { result, unmount } = editing();
  act(() => result.current.edit(rename("c")));
  unmount();
  expect(send).toHaveBeenCalledExactlyOnceWith({ block: { ...block, name: "c" }, version: 1 });
});
