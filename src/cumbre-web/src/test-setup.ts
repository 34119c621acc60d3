import "@testing-library/jest-dom/vitest";
import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";
import { standIn } from "./testing/server";

standIn();
afterEach(cleanup);
// What is awaited comes, and on a loaded machine late.
configure({ asyncUtilTimeout: 10_000 });
