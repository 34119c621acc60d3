import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      strategies: "injectManifest",
      srcDir: "src",
      filename: "sw.ts",
      injectRegister: null,
      // The page itself has a secret in it and is kept by the service worker as it was served.
      injectManifest: { globPatterns: ["**/*.{js,css,woff2,svg,png}"], maximumFileSizeToCacheInBytes: 1024 * 1024 },
      manifest: {
        name: "Cumbre",
        short_name: "Cumbre",
        description: "Training at the bar",
        start_url: "/",
        display: "standalone",
        background_color: "#0E171E",
        theme_color: "#0E171E",
        icons: [
          { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
          { src: "/icon-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
        ],
      },
    }),
  ],
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
