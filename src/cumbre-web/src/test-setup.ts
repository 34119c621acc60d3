import "@testing-library/jest-dom/vitest";
import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";
import { standIn } from "./shared/testing/server";

standIn();
// Nothing is laid out here, and so nothing changes its size.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
afterEach(async () => {
  cleanup();
  // Loaded late: the stand-in for the network must be there before the client is.
  (await import("./shared/drafts/draft")).closeDrafts();
  // Some tests have no device.
  globalThis.localStorage?.clear();
});
// What is awaited comes, and on a loaded machine late.
configure({ asyncUtilTimeout: 10_000 });
