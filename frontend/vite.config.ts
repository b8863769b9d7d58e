import react from "@vitejs/plugin-react";
import { defineConfig } from "vitest/config";

import { keepsTheDay } from "./offline.plugin";

export default defineConfig(({ command }) => ({
  base: command === "build" ? "/static/" : "/",
  plugins: [react(), keepsTheDay()],
  build: {
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      output: {
        codeSplitting: {
          // One file for what many rooms are built of, not one for each of its parts.
          groups: [
            { name: "library", test: /node_modules\/(?!@mui\/x-|d3-)/, minShareCount: 3 },
            { name: "house", test: /\/frontend\/src\//, minShareCount: 3 },
          ],
        },
      },
    },
  },
  server: { proxy: { "/api": "http://127.0.0.1:8000" } },
  test: {
    environment: "jsdom",
    include: ["tests/**/*.test.{ts,tsx}"],
    setupFiles: ["tests/setup.ts"],
    // A slow machine is not a failure; a hang still is.
    testTimeout: 30_000,
    // Every core: left to itself it keeps one back, which on two is half of them.
    pool: "threads",
    // React, MUI and our own modules are loaded once a worker, not once a file: tests/setup.ts.
    isolate: false,
    maxWorkers: "100%",
  },
}));
