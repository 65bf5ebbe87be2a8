import { fileURLToPath } from "node:url";
import { defineConfig } from "vitest/config";

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  resolve: { alias: { "@demo": here("./demo"), "@": here("./src") } },
  test: {
    testTimeout: 120_000,
    // One for each processor: most of the firmware's tests wait for compilers and simulators.
    maxWorkers: "100%",
    setupFiles: ["tests/support/runtime.ts"],
    projects: [
      // The core is pure: its files can share their modules, which spares most of the time that tests take to begin.
      { extends: true, test: { name: "unit", isolate: false, include: ["src/core/**/*.test.ts"] } },
      // What keeps state or stands in for modules starts afresh in each file.
      {
        extends: true,
        test: { name: "app", include: ["src/**/*.test.ts", "scripts/**/*.test.ts"], exclude: ["src/core/**"] },
      },
      { extends: true, test: { name: "reference", isolate: false, include: ["tests/reference/**/*.test.ts"] } },
      {
        extends: true,
        test: {
          name: "firmware",
          isolate: false,
          include: ["tests/firmware/**/*.test.ts"],
          // For what hangs: all images are compiled anew in one test, beside other compilers and simulators.
          testTimeout: 1_200_000,
          hookTimeout: 1_200_000,
        },
      },
    ],
  },
});
