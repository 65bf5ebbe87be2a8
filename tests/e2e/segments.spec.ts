import { type Page, expect, test } from "@playwright/test";
import { goTo, part, saved, tray } from "./bench";

const section = (page: Page, name: string) => tray(page).getByRole("region", { name });
const shows = (page: Page, words: string) => page.getByRole("img", { name: words, exact: true });

test("Glasshouse's displays show its set point and what the computer measured, from the drivers' own registers", async ({
  page,
}) => {
  await page.goto("/bench/glasshouse/try");
  await expect(shows(page, "Set point shows 12.0")).toBeVisible();
  await expect(shows(page, "Measured shows -10.0")).toBeVisible();
  await tray(page).getByRole("button", { name: "Turn Warmth outer clockwise" }).click();
  await expect(shows(page, "Set point shows 13.0")).toBeVisible();
  const told = section(page, "What the computer tells");
  await told.getByRole("slider", { name: "Warmth" }).fill("128");
  await expect(shows(page, "Measured shows 20.1")).toBeVisible();
  await told.getByRole("button", { name: "Tell nothing" }).click();
  await expect(shows(page, "Measured shows -10.0")).toBeVisible();
});

test("a display is given a text, another on a layer above, and is told what it cannot show", async ({ page }) => {
  await page.goto("/bench/glasshouse/keymap");
  await part(page, "Set point").click();
  const own = section(page, "Set point on Base");
  await own.getByLabel("It shows").selectOption({ label: "a text" });
  const text = own.getByLabel("Text, up to 4 digits");
  await text.fill("Kiwi");
  await expect(own).toContainText("Seven segments cannot show K w.");
  await text.fill("12345");
  await expect(own).toContainText("That takes 5 digits; it has 4.");
  await text.fill("run.");
  await text.press("Enter");

  await part(page, "Measured").click();
  const other = section(page, "Measured on Base");
  await other.getByLabel("Shown at 255").fill("1000");
  await other.getByLabel("Shown at 255").press("Enter");
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText("Measured has 4 digits; 1000.0 takes more and is shown as minus signs (Base).");
  await part(page, "Measured").click();
  await other.getByLabel("Shown at 255").fill("99.9");
  await other.getByLabel("Shown at 255").press("Enter");
  await other.getByLabel("Shown at 0").fill("much");
  await expect(other).toContainText('"much" is not a number.');
  await other.getByLabel("Shown at 0").press("Escape");
  await expect(page.getByText("takes more and is shown as minus signs")).toHaveCount(0);
  await saved(page);
  await goTo(page, "Try");
  await expect(shows(page, "Set point shows run.")).toBeVisible();
});
