import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: "../Cumbre.Server/wwwroot",
    emptyOutDir: true,
    // Fonts stay files: a data address would need a looser content policy.
    assetsInlineLimit: 0,
  },
  server: {
    port: 5173,
    proxy: { "/api": "http://127.0.0.1:5080", "/health": "http://127.0.0.1:5080" },
  },
  test: {
    // A test that needs a page says so in its first line.
    environment: "node",
    setupFiles: ["./src/test-setup.ts"],
    // A fresh set of modules for each file costs twice what the tests do; so none replaces a module, and what is spied on is put back.
    isolate: false,
    // Beside a process that takes both cores a page of many fields takes seconds.
    testTimeout: 30_000,
    reporters: process.env.VITEST_JUNIT
      ? ["default", ["junit", { outputFile: process.env.VITEST_JUNIT }]]
      : ["default"],
  },
});
