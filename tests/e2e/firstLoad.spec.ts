import { type Page, expect, test } from "@playwright/test";

/** Compressed scripts of a first visit, until the page asks for nothing more. */
async function scriptKb(page: Page, address: string): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send("Network.enable");
  await session.send("Network.setCacheDisabled", { cacheDisabled: true });
  const scripts = new Set<string>();
  let bytes = 0;
  session.on("Network.responseReceived", ({ requestId, type }) => type === "Script" && scripts.add(requestId));
  session.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.goto(address);
  await page.getByRole("complementary", { name: "Tray" }).waitFor();
  await page.waitForLoadState("networkidle");
  await session.detach();
  return bytes / 1024;
}

for (const stage of [
  "brief",
  "layout",
  "wiring",
  "pins",
  "circuits",
  "keymap",
  "reports",
  "try",
  "make",
  "bring-up",
  "journal",
  "practice",
])
  test(`the first visit to ${stage} fetches at most 300 KiB of scripts`, async ({ page }) => {
    const kb = await scriptKb(page, `/bench/loom-64/${stage}`);
    expect(kb).toBeGreaterThan(100);
    expect(kb).toBeLessThanOrEqual(300);
  });
