import { describe, expect, it } from "vitest";
import { letters } from "./letters";

describe("the letters of a session's items", () => {
  it("numbers those that are done in turn", () => {
    expect(letters([{ joined: false }, { joined: false }, { joined: true }])).toEqual(["A", "B1", "B2"]);
  });
});
