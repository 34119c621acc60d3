import { MutationObserver, QueryClient } from "@tanstack/react-query";
import { expect, it } from "vitest";
import { savesUnderWay } from "./queries";

/** A block that is being saved until it is told how that ended. */
function saving(client: QueryClient) {
  let end: { resolve: () => void; reject: (e: Error) => void };
  const mutationFn = () => new Promise<void>((resolve, reject) => (end = { resolve, reject }));
  new MutationObserver(client, { mutationKey: ["block", "save"], mutationFn }).mutate().catch(() => {});
  return { resolve: () => end.resolve(), reject: (e: Error) => end.reject(e) };
}

it("waits for nothing when nothing is being saved", async () => {
  await expect(savesUnderWay(new QueryClient())).resolves.toBeUndefined();
});

it.each([
  ["stored", (s: ReturnType<typeof saving>) => s.resolve()],
  ["refused", (s: ReturnType<typeof saving>) => s.reject(new Error("no"))],
])("waits until what is being saved is %s", async (_, end) => {
  const client = new QueryClient();
  const [first, second] = [saving(client), saving(client)];
  let done = false;
  const wait = savesUnderWay(client).then(() => (done = true));
  await Promise.resolve();
  first.resolve();
  await new Promise((r) => setTimeout(r));
  expect(done).toBe(false);
  end(second);
  await wait;
  expect(done).toBe(true);
});
