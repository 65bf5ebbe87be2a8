import { type Page, expect, test } from "@playwright/test";
import { bindByName, goTo, part, saved, tap, tray, typed } from "./bench";

const together = (page: Page) => tray(page).getByRole("region", { name: "Keys together" });
const button = (page: Page, name: string) => page.getByRole("button", { name, exact: true });

test("a key with two jobs, keys together and opposites are made in Keymap and do so in Try", async ({ page }) => {
  await page.goto("/bench/loom-64/keymap");
  await part(page, "A").click();
  await tray(page).getByLabel("It does", { exact: true }).selectOption({ label: "one thing tapped, another held" });
  // Its second job is in hand: what it does when it is held.
  await bindByName(page, "left shift");
  await expect(page.getByRole("status", { name: "What it does" })).toHaveText("A when tapped, Left Shift when held");
  await tray(page).getByLabel("Time (ms)").fill("0");
  await expect(tray(page)).toContainText("Between 1 and 2000 ms.");
  // The longest there is, so that a tap is one on a slow machine too.
  await tray(page).getByLabel("Time (ms)").fill("2000");
  await tray(page).getByLabel("Time (ms)").press("Enter");

  await part(page, "N").click();
  await part(page, "M").click({ modifiers: ["Shift"] });
  await together(page).getByRole("button", { name: "Together they do another thing" }).click();
  await bindByName(page, "escape");
  await expect(page.getByRole("button", { name: "N and M on Base: Escape" })).toBeVisible();

  await part(page, "D").click();
  await part(page, "F").click({ modifiers: ["Shift"] });
  await together(page).getByLabel("While both are held").selectOption({ label: "opposites: the last one counts" });
  await saved(page);

  await goTo(page, "Try");
  await tap(page, "A");
  await expect(typed(page)).toHaveText("a");
  await page.getByText("The last reports as a list").click();
  await part(page, "A").focus();
  await page.keyboard.down("Space");
  // Held by the design's own clock, which the report tells of: Shift alone.
  await expect(page.getByText(/^\d+ ms keyboard 0200000000000000$/).first()).toBeVisible();
  // The focus may go on to another key meanwhile; beyond the mat it is let go, and the next letter is a small one.
  await part(page, "Q").focus();
  await typed(page).focus();
  await expect(page.getByText(/^\d+ ms keyboard 0000000000000000$/).first()).toBeVisible();
  await page.keyboard.up("Space");
  await tap(page, "N");
  await expect(typed(page)).toHaveText("an");

  await goTo(page, "Keymap");
  await together(page).getByRole("button", { name: "N and M", exact: true }).click();
  await button(page, "Take N and M apart").click();
  await expect(together(page).getByRole("button", { name: "Take N and M apart" })).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(together(page).getByRole("button", { name: "Take N and M apart" })).toBeVisible();
});

test("a modifier for the next key, and a layer that is switched, are chosen from what the key does", async ({
  page,
}) => {
  await page.goto("/bench/loom-64/keymap");
  await part(page, "Shift L").click();
  await tray(page).getByLabel("For the next key only").check();
  await expect(page.getByRole("status", { name: "What it does" })).toHaveText("Left Shift for the next key");
  await goTo(page, "Try");
  await tap(page, "Shift L");
  await tap(page, "Q");
  await tap(page, "W");
  await expect(typed(page)).toHaveText("Qw");
});

test("something else on the second tap, and a layer that is switched on until it is switched off", async ({ page }) => {
  await page.goto("/bench/loom-64/keymap");
  await part(page, "A").click();
  await tray(page).getByLabel("It does", { exact: true }).selectOption({ label: "something else on the second tap" });
  await bindByName(page, "keypad 5");
  await expect(page.getByRole("status", { name: "What it does" })).toHaveText("A, on the second tap Keypad 5");
  // Time enough for two taps on a slow machine.
  await tray(page).getByLabel("From the first press to the second (ms)").fill("2000");
  await tray(page).getByLabel("From the first press to the second (ms)").press("Enter");
  await part(page, "Z").click();
  await tray(page).getByLabel("Lead to a layer").selectOption({ label: "switch Signs on or off" });
  await saved(page);
  await goTo(page, "Try");
  await expect(page.getByText("ready to press")).toBeVisible();
  await tap(page, "A");
  await tap(page, "A");
  await expect(typed(page)).toHaveText("5");
  await tap(page, "A");
  await expect(typed(page)).toHaveText("5a");
  const layer = tray(page).getByRole("region", { name: "State" });
  await tap(page, "Z");
  await expect(layer).toContainText(/Signs/);
  await tap(page, "Z");
  await expect(layer).not.toContainText(/Signs/);
});
