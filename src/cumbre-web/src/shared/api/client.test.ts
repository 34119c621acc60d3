import { describe, expect, it, vi } from "vitest";
import { network } from "../testing/server";
import { api, arrive, ask, leave, onSignInEnded, Problem, rememberCsrf, signInHasEnded } from "./client";

const response = (status: number) => new Response(null, { status });

describe("answers of the server", () => {
  it("gives the data of a good one", async () => {
    await expect(ask(Promise.resolve({ data: 7, response: response(200) }))).resolves.toBe(7);
  });

  it("throws problem details with their fields", async () => {
    const error = {
      message: { code: "fieldsToChange", args: { count: 2 } },
      errors: [
        { path: "mass", message: { code: "outOfRange", args: { value: 0, from: 25, to: 250 } } },
        { path: "day", message: { code: "dayInFuture", args: { day: "2026-04-01", today: "2026-03-16" } } },
      ],
    };
    const problem = await ask(Promise.resolve({ error, response: response(400) })).catch((e: unknown) => e as Problem);
    expect(problem).toBeInstanceOf(Problem);
    expect((problem as Problem).fieldMessage("mass")).toBe("0 is outside 25 to 250.");
    expect((problem as Problem).fieldMessage("day")).toBe("Apr 1, 2026 is in the future; today is Mar 16, 2026.");
    expect((problem as Problem).fieldMessage("place")).toBeUndefined();
    expect((problem as Problem).message).toBe("2 fields need a change.");
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

describe("a token of another time", () => {
  const refusal = () => Response.json({ type: "urn:cumbre:csrf" }, { status: 400 });
  const write = () => ask(api.PUT("/api/me/unit", { body: { unit: "Lb" } }));

  it("is fetched anew, and what was written is sent once more with it", async () => {
    rememberCsrf("old");
    const seen: unknown[] = [];
    network.answer = async (request) => {
      if (request.method === "GET") return Response.json({ csrfToken: "new" });
      const token = request.headers.get("X-Csrf-Token");
      seen.push([token, await request.json()]);
      return token === "new" ? new Response(null, { status: 204 }) : refusal();
    };
    await write();
    await write();
    expect(seen).toEqual([
      ["old", { unit: "Lb" }],
      ["new", { unit: "Lb" }],
      ["new", { unit: "Lb" }],
    ]);
  });

  it("is not asked for again and again", async () => {
    let tries = 0;
    network.answer = (request) =>
      Promise.resolve(request.method === "GET" ? Response.json({ csrfToken: "x" }) : (tries++, refusal()));
    await expect(write()).rejects.toThrow();
    expect(tries).toBe(2);
    // Another refusal is no matter of the token.
    tries = 0;
    network.answer = () => Promise.resolve((tries++, Response.json({}, { status: 409 })));
    await expect(write()).rejects.toMatchObject({ isConflict: true });
    expect(tries).toBe(1);
  });
});

it("says so when a sign-in has ended, and only then", async () => {
  const told = vi.fn();
  onSignInEnded(told);
  const answer = (status: number) =>
    Promise.resolve({
      error: { message: { code: "signInFirst", args: {} } },
      response: new Response(null, { status }),
    });
  await expect(ask(answer(403))).rejects.toThrow();
  expect(told).not.toHaveBeenCalled();
  expect(signInHasEnded()).toBe(false);
  await expect(ask(answer(401))).rejects.toThrow();
  expect(told).toHaveBeenCalledOnce();
  expect(signInHasEnded()).toBe(true);
  arrive();
  expect(signInHasEnded()).toBe(false);
  leave();
  await expect(ask(answer(401))).rejects.toThrow();
  expect(signInHasEnded()).toBe(false);
  arrive();
});
