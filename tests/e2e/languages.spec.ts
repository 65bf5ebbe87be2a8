import { type Page, expect, test } from "@playwright/test";
import { readFileSync } from "node:fs";
import type { Design } from "@/core/document/schema";
import { setHostLanguage } from "@/core/edits/keymap";
import { addMacro, changeMacro } from "@/core/edits/macros";
import { designText } from "@/core/formats/designJson";
import { SHELF, goTo, part, saved, tap, tray, typed } from "./bench";

const search = (page: Page) => tray(page).getByRole("combobox", { name: "Search a usage" });

/** Binds the key in hand to what types a character on the computer. */
async function bindTyping(page: Page, key: string, character: string): Promise<void> {
  await part(page, key).click();
  await search(page).fill(character);
  await expect(page.getByRole("listbox", { name: "Search a usage" }).getByRole("option").first()).toContainText(
    `types ${character}`,
  );
  await search(page).press("Enter");
}

const language = (page: Page) => tray(page).getByLabel("Its keyboard language");
const told = (page: Page, label: string) =>
  tray(page).getByText(label, { exact: true }).locator("xpath=following-sibling::*[1]");

test("a German and a French computer: keys are found by what they type, and a wrong setting types rubbish", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await language(page).selectOption({ label: "German" });
  await expect(language(page)).toHaveValue("de-DE");
  await bindTyping(page, "Park", "ü");
  await expect(told(page, "Cap shows")).toHaveText("Park");
  await expect(told(page, "Key sends")).toHaveText("[ (BracketLeft)");
  await expect(told(page, "Computer makes of it")).toHaveText("ü");
  await bindTyping(page, "Mark", "z");
  await bindTyping(page, "Sync", "@");
  await expect(told(page, "Key sends")).toHaveText("Right Alt + Q (KeyQ)");

  await goTo(page, "Try");
  for (const key of ["Park", "Mark", "Sync"]) await tap(page, key);
  await expect(typed(page)).toHaveText("üz@");
  await tray(page).getByRole("button", { name: "Set the computer to another language" }).click();
  await tray(page).getByLabel("The computer is set to").selectOption({ label: "French" });
  await expect(typed(page)).toHaveText("");
  for (const key of ["Mark", "Park", "Mark"]) await tap(page, key);
  // The key that is ü in Germany is the circumflex in France: it waits for a letter, and y takes none.
  await expect(typed(page)).toHaveText("yŷ");

  await goTo(page, "Keymap");
  await language(page).selectOption({ label: "French" });
  await bindTyping(page, "Park", "é");
  await expect(told(page, "Key sends")).toHaveText("2 (Digit2)");
  await goTo(page, "Try");
  await tray(page).getByLabel("The computer is set to").selectOption({ label: "what the keymap is made for" });
  await tap(page, "Park");
  await expect(typed(page)).toHaveText("é");
});

test("a national computer brings its physical form as an offer in Layout", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await language(page).selectOption({ label: "German" });
  await goTo(page, "Layout");
  await tray(page).getByLabel("Shape", { exact: true }).selectOption({ label: "Typing block" });
  await expect(tray(page).getByText("Keyboards for German usually have a tall Enter")).toBeVisible();
  await tray(page).getByRole("button", { name: "Take that form" }).click();
  await expect(tray(page).getByRole("button", { name: "Take that form" })).toHaveCount(0);
  // Five rows of 14, 13, 13, 13 and 8 keys, and the tall Enter, beside the 22 parts that are there.
  await tray(page).getByRole("button", { name: "Place the shape" }).click();
  await expect(page.locator("[data-control]")).toHaveCount(84);
});

test("a design with a text in another language is exported and settled right after a reload, on any stage", async ({
  page,
}) => {
  const kestrel = JSON.parse(readFileSync("demo/kestrel.json", "utf8")) as Design;
  const macro = addMacro(setHostLanguage(kestrel, "de-DE"), "greeting", "Greeting");
  const german = changeMacro(macro, "greeting", { steps: [{ step: "text", text: "Grüße 日" }] });
  const design = { ...german, id: "german-kestrel", name: "German Kestrel" };
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  await page
    .getByLabel("Design files")
    .setInputFiles({ name: "german.json", mimeType: "application/json", buffer: Buffer.from(designText(design)) });
  await expect(page.getByRole("article")).toHaveCount(SHELF + 1);
  await page.goto("/bench/german-kestrel/layout");
  await page.getByRole("button", { name: "Enter them by number: Control + Shift + U" }).click();
  await expect(page.getByText(/types 日, for which German has no keys/)).toHaveCount(0);
  await expect(page.getByRole("button", { name: /^Undo: enter them by number/ })).toBeEnabled();
  // Each after a visit of its own: what one has fetched the other must not need.
  await saved(page);
  await page.reload();
  await page.getByRole("button", { name: "Export", exact: true }).click();
  await expect(page.getByRole("dialog").getByText("which runs no Python")).toBeVisible();
});
