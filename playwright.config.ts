import { defineConfig } from "@playwright/test";

const PORT = 4178;

export default defineConfig({
  testDir: "tests/e2e",
  outputDir: "test-results",
  fullyParallel: true,
  workers: 2,
  retries: 0,
  // No test depends on how fast the machine is: these are for what hangs.
  timeout: 240_000,
  expect: { timeout: 60_000 },
  reporter: [["list"], ["json", { outputFile: "test-results/e2e.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: "en-GB",
    actionTimeout: 60_000,
    launchOptions: {
      executablePath: "/usr/bin/chromium",
      args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking", "--disable-component-update"],
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/demos`,
    reuseExistingServer: false,
    timeout: 180_000,
  },
});
