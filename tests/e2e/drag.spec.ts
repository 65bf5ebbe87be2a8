import { expect, test } from "@playwright/test";
import { part } from "./bench";
import { framesWhileDragging } from "./drag";

test("a key of Loom 64 follows the pointer for two seconds and stays where it is let go", async ({ page }) => {
  await page.goto("/bench/loom-64/layout");
  await expect(part(page, "F")).toBeVisible();
  const before = await part(page, "F").getAttribute("aria-label");
  const rate = await framesWhileDragging(page, "F");
  console.log(`drag of a key on Loom 64: ${rate.toFixed(0)} frames a second`);
  expect(await part(page, "F").getAttribute("aria-label")).not.toBe(before);
  await page.keyboard.press("Control+z");
  await expect(part(page, "F")).toHaveAttribute("aria-label", before!);
});
