import { type Page, expect, test } from "@playwright/test";
import { mat, tap, tray } from "./bench";

/** Lights that are told a colour say so. */
const lit = (page: Page) => mat(page).locator('[role="button"][aria-label*=", lit in #"]');

test("while the computer sleeps lights and display are dark; a key wakes it, and is told", async ({ page }) => {
  await page.goto("/bench/kestrel/try");
  await expect.poll(() => lit(page).count()).toBeGreaterThan(0);
  const sleeps = tray(page).getByLabel("The computer sleeps: a key wakes it");
  await sleeps.check();
  await expect(lit(page)).toHaveCount(0);
  await expect(sleeps).toBeChecked();

  await tap(page, "Stop");
  await expect(sleeps).not.toBeChecked();
  await expect.poll(() => lit(page).count()).toBeGreaterThan(0);

  // By itself too.
  await sleeps.check();
  await expect(lit(page)).toHaveCount(0);
  await sleeps.uncheck();
  await expect.poll(() => lit(page).count()).toBeGreaterThan(0);
});
