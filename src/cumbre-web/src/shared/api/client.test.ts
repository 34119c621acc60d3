import { describe, expect, it } from "vitest";
import { ask, Problem } from "./client";

const response = (status: number) => new Response(null, { status });

describe("answers of the server", () => {
  it("gives the data of a good one", async () => {
    await expect(ask(Promise.resolve({ data: 7, response: response(200) }))).resolves.toBe(7);
  });

  it("throws problem details with their fields", async () => {
    const error = {
      title: "0 is outside 25 to 250.",
      errors: [{ path: "mass", code: "range", message: "0 is outside 25 to 250." }],
    };
    const problem = await ask(Promise.resolve({ error, response: response(400) })).catch((e: unknown) => e as Problem);
    expect(problem).toBeInstanceOf(Problem);
    expect((problem as Problem).fieldMessage("mass")).toBe("0 is outside 25 to 250.");
    expect((problem as Problem).fieldMessage("day")).toBeUndefined();
  });

  it("tells a conflict, with what is stored now", async () => {
    const problem = await ask(
      Promise.resolve({ error: { current: { name: "First" } }, response: response(409) }),
    ).catch((e: unknown) => e as Problem);
    expect([(problem as Problem).isConflict, (problem as Problem).current]).toEqual([true, { name: "First" }]);
  });

  it("says that nothing is lost when the server cannot be reached", async () => {
    await expect(ask(Promise.reject(new TypeError("Failed to fetch")))).rejects.toThrow(/What you typed is still here/);
  });
});
