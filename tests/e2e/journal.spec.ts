import { readFileSync } from "node:fs";
import { unzipSync } from "fflate";
import { type Locator, type Page, expect, test } from "@playwright/test";
import { SHELF, exportAs, goTo, part, saved, stage, textOf, tray } from "./bench";

const lines = (page: Page): Locator => page.getByRole("table", { name: "Journal" }).getByRole("row");
const sheet = (page: Page, name: string) => page.getByRole("tab", { name, exact: true }).click();

/** A picture as a camera would make it, only plainer. */
async function photo(page: Page, width: number, height: number): Promise<Buffer> {
  const url = await page.evaluate(
    ([w, h]) => {
      const canvas = Object.assign(document.createElement("canvas"), { width: w, height: h });
      const context = canvas.getContext("2d")!;
      context.fillStyle = "#284";
      context.fillRect(0, 0, w, h / 2);
      return canvas.toDataURL("image/png");
    },
    [width, height],
  );
  return Buffer.from(url.split(",")[1], "base64");
}

async function noteIt(page: Page, kind: string, fields: Record<string, string>): Promise<void> {
  await tray(page).getByRole("combobox", { name: "Kind" }).selectOption(kind);
  for (const [name, value] of Object.entries(fields))
    await tray(page).getByRole("textbox", { name, exact: true }).fill(value);
  await tray(page).getByRole("button", { name: "Note it" }).click();
}

test("a journal with photos and a revision goes out as one archive and comes back whole", async ({ page }) => {
  await page.goto("/bench/tern/journal");
  await expect(page.getByText(/^Nothing noted yet\./)).toBeVisible();
  await part(page, "Begin").click();
  await tray(page).getByRole("button", { name: "Tie to the selected part" }).click();
  await tray(page)
    .getByLabel("Photos")
    .setInputFiles([
      { name: "front.png", mimeType: "image/png", buffer: await photo(page, 3200, 2000) },
      { name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") },
    ]);
  // What is no picture is told by its name; the other is taken.
  await expect(page.getByText(/notes\.txt: this browser cannot read it as a picture/)).toBeVisible();
  await noteIt(page, "note", { "What happened, or what to remember": "The lid does not close.\n=1+1" });
  await expect(lines(page)).toHaveCount(2);
  await expect(lines(page).nth(1)).toContainText("Begin");
  await noteIt(page, "measurement", { Value: "four", Unit: "V" });
  await expect(tray(page).getByRole("alert")).toHaveText("The measured value is a number, like 4.93.");
  await noteIt(page, "measurement", { Value: "4,93", Unit: "V", "What was measured, and where": "At the plug." });
  await expect(lines(page).nth(1)).toContainText("4.93 V");
  await sheet(page, "Revisions");
  await tray(page).getByRole("textbox", { name: "Called" }).fill("First in wood");
  await tray(page).getByRole("textbox", { name: "Called" }).press("Enter");
  await tray(page).getByRole("button", { name: "Freeze as it is" }).click();
  await expect(tray(page).getByRole("status", { name: "Differences" })).toHaveText("Nothing is different.");
  await saved(page);

  const archive = await exportAs(page, "Design with its record");
  expect(archive.suggestedFilename()).toBe("tern.ovrin.zip");
  const bytes = readFileSync(await archive.path());
  const names = Object.keys(unzipSync(bytes));
  expect(names.filter((name) => name.startsWith("photos/"))).toHaveLength(1);
  expect(names.filter((name) => name.startsWith("revisions/"))).toHaveLength(1);
  const book = await textOf(await exportAs(page, "Build book"));
  expect(book).toContain("data:image/jpeg;base64,/9j/");
  expect(book).toContain("The lid does not close.");
  expect(book).toContain("First in wood");
  const table = await textOf(await exportAs(page, "Journal as a table"));
  expect(table).toContain("4.93,V");

  // In another browser, where nothing of it lies.
  const fresh = await page.context().browser()!.newContext();
  const other = await fresh.newPage();
  await other.goto("/");
  await expect(other.getByRole("article")).toHaveCount(SHELF);
  await other.getByRole("button", { name: "Delete Tern" }).click();
  await expect(other.getByRole("article")).toHaveCount(SHELF - 1);
  await other
    .getByLabel("Design files")
    .setInputFiles({ name: "tern.zip", mimeType: "application/zip", buffer: bytes });
  await expect(other.getByRole("article", { name: "Tern" })).toBeVisible();
  await other.goto("/bench/tern/journal");
  await expect(lines(other)).toHaveCount(4);
  await lines(other).filter({ hasText: "The lid" }).getByRole("button").click();
  const image = tray(other).getByRole("img", { name: "Photo 1" });
  await expect(image).toBeVisible();
  // Shrunk to 1600 pixels at its longest.
  await expect
    .poll(() => image.evaluate((one: HTMLImageElement) => [one.naturalWidth, one.naturalHeight]))
    .toEqual([1600, 1000]);
  await sheet(other, "Revisions");
  await expect(tray(other).getByRole("status", { name: "Differences" })).toHaveText("Nothing is different.");
  await fresh.close();
});

test("a file that is no whole archive is refused in words, and the shelf stays", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  const half = Buffer.concat([Buffer.from([0x50, 0x4b, 3, 4]), Buffer.alloc(60)]);
  await page.getByLabel("Design files").setInputFiles({ name: "half.zip", mimeType: "application/zip", buffer: half });
  await expect(page.getByRole("dialog").getByText("The file is not a whole ZIP archive.")).toBeVisible();
  await page.getByRole("button", { name: "Understood" }).click();
  await expect(page.getByRole("article")).toHaveCount(SHELF);
});

test("regrets become tasks of the next revision, each told in its stage until it is mended; what changed is told in words", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/journal");
  await sheet(page, "Revisions");
  await tray(page).getByRole("button", { name: "Begin the next revision" }).click();
  await expect(stage(page, "Layout")).toContainText("1 to settle");
  await expect(stage(page, "Keymap")).toContainText("1 to settle");
  await tray(page).getByRole("button", { name: "To Layout" }).click();
  await expect(stage(page, "Layout")).toHaveAttribute("aria-current", "step");
  await part(page, "Stop").click();
  await part(page, "Stop").press("Shift+ArrowDown");
  await page.getByRole("button", { name: "It is mended" }).click();
  await expect(stage(page, "Layout")).not.toContainText("to settle");
  await goTo(page, "Journal");
  await expect(tray(page).getByRole("status", { name: "Differences" })).toHaveText(/^1 difference/);
  const differences = page.getByRole("table", { name: "Differences of two revisions" });
  await expect(differences.getByRole("row").nth(1)).toContainText(/Moved.*Stop/);
  await saved(page);
  await page.reload();
  await sheet(page, "Revisions");
  await expect(differences.getByRole("row").nth(1)).toContainText(/Moved.*Stop/);
  await tray(page).getByRole("button", { name: "Go back to it" }).click();
  await expect(tray(page).getByRole("status", { name: "Differences" })).toHaveText("Nothing is different.");
  await page.keyboard.press("Control+z");
  await expect(tray(page).getByRole("status", { name: "Differences" })).toHaveText(/^1 difference/);
});

test("a finding that is left as it is says why, in the list and in the journal, until it is told again", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/journal");
  await page.getByRole("button", { name: "All 1 findings" }).click();
  const list = page.getByRole("region", { name: "All findings" });
  await list.getByRole("button", { name: "Leave it …" }).click();
  const why = page.getByRole("dialog").getByRole("textbox", { name: "Why it can stay" });
  await expect(page.getByRole("dialog").getByRole("button", { name: "Leave it", exact: true })).toBeDisabled();
  await why.fill("It is unplugged at dawn.");
  await why.press("Enter");
  await expect(list.getByText("Left as it is: It is unplugged at dawn.")).toBeVisible();
  await expect(lines(page).nth(1)).toContainText("Left as it is");
  await list.getByRole("button", { name: "Tell it again" }).click();
  await expect(list.getByRole("button", { name: "Leave it …" })).toBeVisible();
});
