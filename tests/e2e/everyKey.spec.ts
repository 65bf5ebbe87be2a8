import { type Page, expect, test } from "@playwright/test";
import { goTo, tray, typed } from "./bench";

const LETTERS = ["a", "s", "d", "g", "w", "e", "h"];

/** All held, on one's own keyboard, which presses the device's keys; then the first is let go. */
async function roll(page: Page, whileHeld: string, afterOne: string) {
  await typed(page).click();
  for (const letter of LETTERS) await page.keyboard.down(letter);
  await expect(typed(page)).toHaveText(whileHeld);
  await page.keyboard.up(LETTERS[0]);
  await expect(typed(page)).toHaveText(afterOne);
  for (const letter of LETTERS.slice(1)) await page.keyboard.up(letter);
}

test("of seven keys at once the seventh must wait with six, and typed with a bit for every key; the descriptor says so", async ({
  page,
}) => {
  await page.goto("/bench/loom-64/try");
  await roll(page, "asdgwe", "asdgweh");

  await goTo(page, "Reports");
  const keyboard = tray(page).getByRole("region", { name: "Keyboard" });
  await expect(keyboard).toContainText("A seventh key at once says only that there are too many");
  const bus = tray(page).getByRole("region", { name: "On the bus" });
  await expect(bus).toContainText("endpoint 1, 8 bytes");
  await expect(bus).toContainText("That is 3.1 % of a full-speed bus");
  await keyboard.getByLabel("Keys told at once").selectOption({ label: "every key, in bits behind the six" });
  await expect(keyboard).toContainText("36 bytes");
  await expect(bus).toContainText("endpoint 1, 64 bytes");
  await expect(tray(page).getByText("Bits behind them: none")).toBeVisible();
  await expect(page.getByText("bytes 8 to 35: every key that is down").first()).toBeVisible();

  await goTo(page, "Try");
  await tray(page).getByRole("button", { name: "Clear" }).click();
  await roll(page, "asdgweh", "asdgweh");

  await page.getByRole("button", { name: "Undo: keys told at once" }).click();
  await goTo(page, "Reports");
  await expect(keyboard).toContainText("8 bytes");
});
