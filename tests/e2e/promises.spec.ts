import { type Page, expect, test } from "@playwright/test";
import { emptyShelf, goTo, part, saved, stage, tap, tray, typed, onlyTheNote } from "./bench";

const palette = (page: Page) => page.getByRole("dialog", { name: "What would you like to do?" });

async function ask(page: Page, words: string) {
  if (!(await palette(page).isVisible())) await page.keyboard.press("Control+k");
  await palette(page).getByRole("combobox", { name: "Action" }).fill(words);
  return palette(page).getByRole("option");
}

test("the palette finds actions by everyday words, tells their keys and does them", async ({ page }) => {
  await page.goto("/bench/loom-64/layout");
  await part(page, "Esc").waitFor();
  for (const [word, title] of [
    ["mirror", "Mirror Left half"],
    ["flip", "Turn the mat over"],
    ["rotate", "Turn the selection by 90°"],
    ["ghost", "Ghosts and rollover"],
    ["layer", "Add a layer"],
  ])
    await expect((await ask(page, word)).filter({ hasText: title })).toHaveCount(1);
  expect(await (await ask(page, "split")).count()).toBeGreaterThan(0);
  await expect((await ask(page, "undo")).first()).toContainText("Ctrl Z");
  await ask(page, "ghost");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/wiring$/);
  await expect(page.getByRole("tab", { name: "Ghosts" })).toHaveAttribute("aria-selected", "true");
});

test("the edge of a board follows by choice, and what the choice does is seen in its size", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await page.getByRole("tab", { name: "Boards" }).click();
  const outline = tray(page).getByRole("definition").first();
  const before = await outline.innerText();
  const choice = tray(page).getByLabel("Edge follows");
  await expect(choice).toHaveValue("rectangle");
  await choice.selectOption("close");
  await expect(choice).toHaveValue("close");
  await tray(page).getByLabel("Margin (mm)").fill("14");
  await tray(page).getByLabel("Margin (mm)").press("Enter");
  await expect(outline).not.toHaveText(before);
});

test("the line above the table is moved by keys, within its ends", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const line = page.getByRole("separator", { name: "Height of the table" });
  await expect(line).toHaveAttribute("aria-valuenow", "30");
  await line.focus();
  await page.keyboard.press("ArrowUp");
  await expect(line).toHaveAttribute("aria-valuenow", "35");
  await page.keyboard.press("End");
  await page.keyboard.press("ArrowDown");
  await expect(line).toHaveAttribute("aria-valuenow", "4");
  await goTo(page, "Wiring");
  await expect(line).toHaveAttribute("aria-valuenow", "32");
});

test("a toggle tells each flip by a tap, and nothing stays pressed", async ({ page }) => {
  await page.goto("/bench/glasshouse/try");
  await part(page, "Vent 1").waitFor();
  const sent = tray(page).getByText("Reports sent").locator("xpath=following-sibling::*").first();
  await expect(sent).toHaveText("0");
  // Put on: its usage, and let go again; put off: what its way back is bound to, the same with Shift.
  await part(page, "Vent 1").click();
  await expect(sent).toHaveText("2");
  await part(page, "Vent 1").click();
  await expect(sent).toHaveText("4");
  const reports = page.getByText(/ms keyboard [0-9a-f]+$/);
  await page.getByText("The last reports as a list").click();
  await expect(reports).toHaveCount(4);
  const bytes = (await reports.allInnerTexts()).map((words) => words.split(" ").at(-1)!);
  expect(bytes[0]).toMatch(/[1-9a-f]/);
  expect(bytes.slice(1)).toEqual([expect.stringMatching(/^0+$/), bytes[0].replace(/^00/, "02"), bytes[1]]);
});

test("the inner ring of two turns by itself", async ({ page }) => {
  await page.goto("/bench/glasshouse/try");
  await part(page, "Vent 1").waitFor();
  const sent = tray(page).getByText("Reports sent").locator("xpath=following-sibling::*").first();
  await expect(sent).toHaveText("0");
  await tray(page).getByRole("button", { name: "Turn Warmth inner clockwise" }).click();
  await expect(sent).not.toHaveText("0");
});

test("a knob that is spun round tells every one of its steps", async ({ page }) => {
  await page.goto("/bench/kestrel/try");
  await part(page, "Rotator").waitFor();
  await tray(page).getByRole("button", { name: "Spin Rotator" }).click();
  await expect(typed(page)).toHaveText("]".repeat(30));
});

test("a design deleted in another tab is kept here, and asked about", async ({ page, context }) => {
  await page.goto("/bench/kestrel/layout");
  await saved(page);
  const other = await context.newPage();
  await other.goto("/");
  await other.getByRole("button", { name: "Delete Kestrel" }).click();
  await expect(other.getByRole("link", { name: "Open Kestrel" })).toHaveCount(0);
  const dialog = page.getByRole("alertdialog", { name: "Taken off the shelf in another tab" });
  await dialog.getByRole("button", { name: "Keep it on the shelf" }).click();
  await expect(dialog).toHaveCount(0);
  await saved(page);
  await other.reload();
  await expect(other.getByRole("link", { name: "Open Kestrel" })).toBeVisible();
});

test("what an edit unsettles is told on its stage, and undoing it settles it again", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await onlyTheNote(page);
  await tray(page).getByRole("button", { name: "Everything direct" }).click();
  await expect(stage(page, "Pins")).toContainText("to settle");
  await page.keyboard.press("Control+z");
  await onlyTheNote(page);
});

test("a new device is given a first keymap in Try, and presses type at once", async ({ page }) => {
  await emptyShelf(page);
  await page.getByRole("button", { name: "New device" }).click();
  await goTo(page, "Layout");
  await page.getByRole("button", { name: "Place the shape" }).click();
  await part(page, "K1").click();
  await tray(page).getByLabel("Label").fill("Q");
  await page.keyboard.press("Enter");
  await goTo(page, "Wiring");
  await page.getByRole("button", { name: "Fewest pins" }).click();
  await goTo(page, "Try");
  const offer = page.getByRole("note", { name: "First keymap" });
  await offer.getByRole("button", { name: "Give it a first keymap" }).click();
  await expect(offer).toHaveCount(0);
  await tap(page, "Q");
  await expect(typed(page)).toHaveText("q");
  await expect(page.getByText(/do nothing on any layer/)).toHaveCount(0);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(offer).toBeVisible();
});

test("the module is turned where fewer leads cross, and it is told", async ({ page }) => {
  // As drawn, Tern's module has its pads on the side away from the leads that they are for.
  await page.goto("/bench/tern/pins");
  const turned = page.getByLabel("Turned (°)");
  await expect(turned).toHaveValue("0");
  await page.getByRole("button", { name: "Turn the module for fewer crossings" }).click();
  await expect(page.getByText(/^The module lies at .* pairs? of leads cross, \d+ did\.$/)).toBeVisible();
  await expect(turned).not.toHaveValue("0");
  await page.keyboard.press("Control+z");
  await expect(turned).toHaveValue("0");
});
