import "@testing-library/jest-dom/vitest";
import { cleanup } from "@testing-library/react";
import { afterEach } from "vitest";
import { standIn } from "./testing/server";

standIn();
afterEach(cleanup);
