import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  resolve: { alias: { "@demo": here("./demo"), "@": here("./src") } },
  test: {
    testTimeout: 120_000,
    projects: [
      { extends: true, test: { name: "unit", include: ["src/**/*.test.ts", "scripts/**/*.test.ts"] } },
      { extends: true, test: { name: "reference", include: ["tests/reference/**/*.test.ts"] } },
      { extends: true, test: { name: "firmware", include: ["tests/firmware/**/*.test.ts"], hookTimeout: 120_000 } },
    ],
  },
});
