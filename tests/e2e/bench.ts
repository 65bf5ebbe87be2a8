import { readFileSync } from "node:fs";
import { type Download, type Locator, type Page, expect } from "@playwright/test";
import type { Design } from "@/core/document/schema";

/** Designs that a new shelf has. */
export const SHELF = 7;

/** The shelf with nothing on it: what is there after someone has deleted the demos. */
export async function emptyShelf(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  for (let left = SHELF; left > 0; left--) {
    await page
      .getByRole("button", { name: /^Delete / })
      .first()
      .click();
    await expect(page.getByRole("article")).toHaveCount(left - 1);
  }
}

export const stage = (page: Page, name: string): Locator =>
  page.getByRole("navigation", { name: "Job card" }).getByRole("link", { name: new RegExp(`^\\d+\\s*${name}`) });

export async function goTo(page: Page, name: string): Promise<void> {
  await stage(page, name).click();
  await expect(stage(page, name)).toHaveAttribute("aria-current", "step");
}

export const mat = (page: Page): Locator => page.getByRole("group", { name: /^Mat with/ });
export const tray = (page: Page): Locator => page.getByRole("complementary", { name: "Tray" });
export const part = (page: Page, label: string): Locator =>
  mat(page).getByRole("button", { name: new RegExp(`^[A-Z][a-z -]+ ${label},`) });
export const typed = (page: Page): Locator => page.getByRole("textbox", { name: "Typed text" });

export async function saved(page: Page): Promise<void> {
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
}

/** The middle of something on screen, in pixels. */
export async function middleOf(locator: Locator): Promise<{ x: number; y: number }> {
  const { x, y, width, height } = (await locator.boundingBox())!;
  return { x: x + width / 2, y: y + height / 2 };
}

/** Presses a part for as long as a finger does. */
export async function tap(page: Page, label: string): Promise<void> {
  await part(page, label).hover();
  await page.mouse.down();
  await page.waitForTimeout(60);
  await page.mouse.up();
  await page.waitForTimeout(60);
}

/** Binds the input in hand by the usage's name. */
export async function bindByName(page: Page, query: string): Promise<void> {
  await page.getByRole("combobox", { name: "Search a usage" }).fill(query);
  await page.getByRole("listbox", { name: "Search a usage" }).getByRole("option").first().click();
}

export const textOf = async (download: Download): Promise<string> => readFileSync(await download.path(), "utf8");

export async function exportAs(page: Page, title: string): Promise<Download> {
  await page.getByRole("button", { name: "Export", exact: true }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("dialog").getByRole("button", { name: title }).click();
  return download;
}

/** Moves the focus on with Tab until it is on what has this name. */
export async function tabTo(page: Page, name: RegExp, backwards = false): Promise<void> {
  for (let presses = 0; presses < 150; presses++) {
    const here = await page.evaluate(() => {
      const element = document.activeElement as HTMLElement | null;
      const label = element?.id ? document.querySelector(`label[for="${element.id}"]`)?.textContent : "";
      return (
        element?.getAttribute("aria-label") ??
        (label || element?.closest("label")?.textContent || element?.textContent || "")
      );
    });
    if (name.test(here.trim())) return;
    await page.keyboard.press(backwards ? "Shift+Tab" : "Tab");
  }
  throw new Error(`Tab never reached ${name}`);
}

/** Takes a design as a file dropped on the shelf, and opens a stage of it. */
export async function openOwn(page: Page, design: Design, stageTitle: string) {
  await page.goto("/");
  await expect(page.getByRole("article").first()).toBeVisible();
  const transfer = await page.evaluateHandle((body) => {
    const data = new DataTransfer();
    data.items.add(new File([body], "own.json", { type: "application/json" }));
    return data;
  }, JSON.stringify(design));
  await page.getByRole("main").dispatchEvent("drop", { dataTransfer: transfer });
  await page.getByRole("article", { name: design.name, exact: true }).getByRole("link").first().click();
  // The bench opens at a stage by itself; who goes on sooner is taken there.
  await expect(page.getByRole("navigation", { name: "Job card" }).locator('[aria-current="step"]')).toBeVisible();
  await goTo(page, stageTitle);
}

/** Nothing to settle on Kestrel: all that is said of it is the note on its lights while the computer sleeps. */
export async function onlyTheNote(page: Page) {
  const bar = page.getByRole("contentinfo");
  await expect(bar.getByRole("status")).toContainText(/^Asleep the device still takes/);
  await expect(bar.getByRole("button", { name: "1 findings" })).toBeVisible();
}
