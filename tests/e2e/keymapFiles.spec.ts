import { type Page, expect, test } from "@playwright/test";
import { bindByName, exportAs, part, textOf, tray } from "./bench";

const does = (page: Page) => tray(page).getByRole("status", { name: "What it does" });

test("a keymap goes out as a table, is changed elsewhere, and read back in part: what is bad is named", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Park").click();
  await expect(does(page)).toHaveText("Left Control + P");
  const lines = (await textOf(await exportAs(page, "Keymap as a table"))).split("\r\n");
  const at = (label: string) => lines.findIndex((line) => line.startsWith(`${label},`));
  const id = lines[at("Park")].split(",")[1];
  lines[at("Park")] = `Park,${id},F13,`;
  lines[at("Mark")] = lines[at("Mark")].replace(/,M,/, ",Wobble,");
  await tray(page)
    .getByLabel("Keymap table")
    .setInputFiles({ name: "changed.csv", mimeType: "text/csv", buffer: Buffer.from(lines.join("\n")) });
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("alert")).toContainText("“Wobble” is no phrase for what a key does.");
  await expect(dialog.getByRole("list", { name: "Changes" })).toContainText(
    "Park on Base: Left Control + P becomes F13",
  );
  await dialog.getByRole("button", { name: /^Take \d+ change/ }).click();
  await expect(does(page)).toHaveText("F13");
  await page.getByRole("button", { name: "Undo: a keymap from a table" }).click();
  await expect(does(page)).toHaveText("Left Control + P");
  await tray(page)
    .getByLabel("Keymap table")
    .setInputFiles({ name: "photo.csv", mimeType: "text/csv", buffer: Buffer.from("\u0000\u0001,\n") });
  await expect(dialog).toContainText("has no column “Id”");
  await expect(dialog.getByRole("button", { name: "Take 0 changes" })).toBeDisabled();
});

test("the keymap card prints a page a layer, and no word on it lies on another", async ({ page, browser }) => {
  await page.goto("/bench/loom-64/keymap");
  const card = await textOf(await exportAs(page, "Keymap card to print"));
  const paper = await browser.newPage();
  await paper.setContent(card);
  const pdf = (await paper.pdf({ preferCSSPageSize: true })).toString("latin1");
  expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(3);
  const boxes = await paper.evaluate(() =>
    [...document.querySelectorAll("section")].map((section) =>
      [...section.querySelectorAll('[transform$="rotate(0)"] text, li')].map((one) => {
        const { left, right, top, bottom } = one.getBoundingClientRect();
        return { left, right, top, bottom, page: section.getBoundingClientRect().bottom };
      }),
    ),
  );
  for (const words of boxes) {
    // Words of turned keys have boxes wider than they are; they are left out.
    expect(words.length).toBeGreaterThan(60);
    expect(words.every(({ bottom, page: end }) => bottom < end)).toBe(true);
    const overlaps = words.flatMap((a, nth) =>
      words
        .slice(nth + 1)
        .filter(
          (b) =>
            Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1 &&
            Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 6,
        ),
    );
    expect(overlaps).toEqual([]);
  }
  await paper.close();
});

test("what is unbound is begun in several ways, and what is bound stays", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Camera").click();
  await tray(page).getByRole("button", { name: "Clear" }).click();
  await expect(tray(page).getByText("Not bound yet: 1")).toBeVisible();
  await tray(page).getByLabel("Begin with").selectOption({ label: "the number pad, in order" });
  await tray(page).getByRole("button", { name: "Bind 1 of 1" }).click();
  await expect(does(page)).toHaveText("Keypad 7");
  await expect(tray(page).getByText(/^Not bound yet/)).toHaveCount(0);
});

test("two layers, and this design and an older file, are compared key by key and shown on the mat", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await expect(part(page, "Park")).toBeVisible();
  const older = await textOf(await exportAs(page, "Design file"));
  await part(page, "Park").click();
  await bindByName(page, "F13");
  await expect(does(page)).toHaveText("F13");
  await part(page, "Mark").click();
  await expect(does(page)).toHaveText("M");
  await tray(page)
    .getByLabel("Design to compare with")
    .setInputFiles({ name: "older.json", mimeType: "application/json", buffer: Buffer.from(older) });
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText("1 input does otherwise.");
  await expect(dialog.getByRole("row").nth(1)).toHaveText("ParkBaseF13Left Control + P");
  await dialog.getByRole("button", { name: "Show the one on the mat" }).click();
  await expect(does(page)).toHaveText("F13");
  await tray(page).getByLabel("Base with").selectOption({ label: "Camera layer" });
  await expect(dialog).toContainText(/\d+ inputs do otherwise/);
  await dialog.getByRole("button", { name: /^Show all \d+ on the mat$/ }).click();
  await expect(page.locator('[aria-pressed="true"][data-control]').nth(5)).toBeAttached();
  await tray(page)
    .getByLabel("Design to compare with")
    .setInputFiles({ name: "broken.json", mimeType: "application/json", buffer: Buffer.from("{") });
  await expect(tray(page).getByText(/broken\.json cannot be compared\. The file is not whole JSON/)).toBeVisible();
});

test("keys are placed for the fingers, with one kept, seen before they are taken", async ({ page }) => {
  await page.goto("/bench/loom-64/keymap");
  await tray(page).getByRole("button", { name: "Place keys for the fingers" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("status", { name: "Proposal" })).toContainText("No placement takes less than");
  const keep = dialog.getByRole("list", { name: "Moves" }).getByRole("listitem").first();
  const label = /from (.+) to /.exec((await keep.textContent())!)![1];
  await keep.getByText(`Keep ${label} as it is`).click();
  await expect(dialog.getByText(`Kept: ${label}.`)).toBeVisible();
  await expect(dialog.getByRole("status", { name: "Proposal" })).toContainText("No placement takes less than");
  await dialog.getByRole("button", { name: /^Move \d+ keys$/ }).click();
  await expect(page.getByRole("button", { name: "Undo: place keys for the fingers" })).toBeEnabled();
  await page.goto("/bench/reedling/keymap");
  await tray(page).getByRole("button", { name: "Place keys for the fingers" }).click();
  await expect(dialog).toContainText("There is nothing to place");
  await expect(dialog.getByRole("button", { name: "Move 0 keys" })).toBeDisabled();
});
