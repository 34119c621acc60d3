import { describe, expect, it } from "vitest";
import { capsOf, isKey, isSingle, keymap, type KeyId } from "./keymap";

const press = (key: string, more: Partial<KeyboardEvent> = {}) => ({
  key,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  shiftKey: false,
  ...more,
});

describe("the map of keys", () => {
  it("tells a key by what is held with it", () => {
    expect(isKey(press("ArrowUp", { altKey: true }), "moveUp")).toBe(true);
    expect(isKey(press("ArrowUp"), "moveUp")).toBe(false);
    expect(isKey(press("g", { ctrlKey: true }), "pair")).toBe(true);
    expect(isKey(press("g", { metaKey: true }), "pair")).toBe(true);
    expect(isKey(press("g"), "pair")).toBe(false);
    expect(isKey(press(" ", { ctrlKey: true }), "offers")).toBe(true);
    expect(isKey(press("Tab", { shiftKey: true }), "nextValue")).toBe(false);
    expect(isKey(press("y", { ctrlKey: true }), "redo")).toBe(true);
    expect(isKey(press("Z", { ctrlKey: true, shiftKey: true }), "redo")).toBe(true);
    expect(isKey(press("z", { ctrlKey: true, shiftKey: true }), "undo")).toBe(false);
  });

  it("gives no two things of one scope the same key", () => {
    const keys = Object.values(keymap).flatMap((e) => e.keys.split(",").map((k) => `${e.scope} ${k}`));
    expect(new Set(keys).size).toBe(keys.length);
  });

  it("writes the caps as they stand on a keyboard", () => {
    expect(capsOf(keymap.palette)).toEqual(["Ctrl", "K"]);
    expect(capsOf(keymap.moveDown)).toEqual(["Alt", "↓"]);
    expect(capsOf(keymap.redo)).toEqual(["Ctrl", "Shift", "Z"]);
  });

  it("knows the letters that voice control could type", () => {
    const single = (Object.keys(keymap) as KeyId[]).filter((id) => isSingle(keymap[id]));
    expect(single).toContain("accept");
    expect(single).toContain("help");
    expect(single).not.toContain("undo");
    expect(single).not.toContain("form");
  });
});
