// @vitest-environment jsdom
import { act, renderHook } from "@testing-library/react";
import { beforeEach, describe, expect, it } from "vitest";
import { useSingleKeys } from "./useSingleKeys";

describe("single-letter keys", () => {
  beforeEach(() => localStorage.clear());

  it("are on until they are switched off, everywhere at once, and it is remembered", () => {
    const first = renderHook(() => useSingleKeys());
    const second = renderHook(() => useSingleKeys());
    expect(first.result.current[0]).toBe(true);
    act(() => first.result.current[1](false));
    expect(second.result.current[0]).toBe(false);
    expect(renderHook(() => useSingleKeys()).result.current[0]).toBe(false);
  });
});
