import { writeFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import { SHELF, exportAs, goTo, part, saved, stage, textOf } from "./bench";

const BAD: [name: string, body: string, says: RegExp][] = [
  ["cut.json", '{ "format": "ovrin-design", "version": 2,', /not whole JSON/],
  ["foreign.json", '{ "layout": [1, 2, 3] }', /this is a file of some other kind/],
  ["future.json", '{ "format": "ovrin-design", "version": 99 }', /is 99; this program reads up to version \d+\./],
  ["empty.json", "", /The file is empty/],
  ["huge.json", "x".repeat(20 * 1024 * 1024), /The file has 20\.0 MB/],
];

test.describe("bad files", () => {
  for (const [name, body, says] of BAD) {
    test(`${name} is refused with its reason, and the shelf stays as it is`, async ({ page }) => {
      await page.goto("/");
      await expect(page.getByRole("article")).toHaveCount(SHELF);
      const path = test.info().outputPath(name);
      writeFileSync(path, body);
      await page.getByLabel("Design files").setInputFiles(path);
      const dialog = page.getByRole("dialog", { name: "Not taken" });
      await expect(dialog).toContainText(name);
      await expect(dialog).toContainText(says);
      await dialog.getByRole("button", { name: "Understood" }).click();
      await expect(page.getByRole("article")).toHaveCount(SHELF);
    });
  }
});

test("a damaged place is named, also when the file is dropped", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const design = JSON.parse(await textOf(await exportAs(page, "Design file")));
  design.controls[4].placement.xMm = "left";
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  const transfer = await page.evaluateHandle((text) => {
    const data = new DataTransfer();
    data.items.add(new File([text], "damaged.json", { type: "application/json" }));
    return data;
  }, JSON.stringify(design));
  await page.getByRole("main").dispatchEvent("drop", { dataTransfer: transfer });
  await expect(page.getByRole("dialog", { name: "Not taken" })).toContainText("controls.4.placement.xMm");
});

test("a good file is taken by dropping it", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const text = await textOf(await exportAs(page, "Design file"));
  await page.goto("/");
  const transfer = await page.evaluateHandle((body) => {
    const data = new DataTransfer();
    data.items.add(new File([body], "kestrel.json", { type: "application/json" }));
    return data;
  }, text);
  await page.getByRole("main").dispatchEvent("drop", { dataTransfer: transfer });
  await expect(page.getByRole("article", { name: "Kestrel 2" })).toBeVisible();
});

test("two tabs on one design: nothing is overwritten before the person has said so", async ({ context, page }) => {
  await page.goto("/bench/kestrel/layout");
  await expect(part(page, "Sync")).toBeVisible();
  const other = await context.newPage();
  await other.goto("/bench/kestrel/layout");
  await part(other, "Mark").click();
  await other.keyboard.press("Delete");
  await expect(stage(other, "Layout")).toContainText("21 placed");
  await saved(other);

  const dialog = page.getByRole("alertdialog", { name: "Changed in another tab" });
  await expect(dialog).toBeVisible();
  await dialog.getByRole("button", { name: "Keep both" }).click();
  await expect(stage(page, "Layout")).toContainText("21 placed");
  await page.goto("/");
  await expect(page.getByRole("article", { name: "Kestrel (this tab)" })).toBeVisible();
  await page.getByRole("link", { name: "Open Kestrel (this tab)" }).click();
  await expect(stage(page, "Layout")).toContainText("22 placed");
});

test("when the storage is full it is told, with the way out, and nothing is lost", async ({ page }) => {
  await page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    (window as unknown as { full: boolean }).full = false;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as unknown as { full: boolean }).full) throw new DOMException("no room", "QuotaExceededError");
      return put.apply(this, args);
    };
  });
  await page.goto("/bench/kestrel/layout");
  await expect(part(page, "Sync")).toBeVisible();
  await page.evaluate(() => ((window as unknown as { full: boolean }).full = true));
  await part(page, "Mark").click();
  await page.keyboard.press("Delete");
  const alert = page.getByRole("alert").filter({ hasText: "storage is full" });
  await expect(alert).toBeVisible();
  const download = page.waitForEvent("download");
  await alert.getByRole("button", { name: "Export now" }).click();
  expect(JSON.parse(await textOf(await download)).controls).toHaveLength(21);
  await page.evaluate(() => ((window as unknown as { full: boolean }).full = false));
  await alert.getByRole("button", { name: "Try again" }).click();
  await saved(page);
  await page.reload();
  await expect(stage(page, "Layout")).toContainText("21 placed");
});

test("a browser that keeps nothing says so and lets one export", async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException("storage is off", "InvalidStateError");
    };
  });
  await page.goto("/");
  await expect(page.getByRole("alert").filter({ hasText: "keeps nothing" })).toBeVisible();
});

test("the shelf: rename, duplicate, delete and put back", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Rename Kestrel" }).click();
  await page.getByLabel("New name").fill("Kestrel at night");
  await page.getByRole("button", { name: "Rename", exact: true }).click();
  await page.getByRole("button", { name: "Duplicate Kestrel at night" }).click();
  await expect(page.getByRole("article", { name: "Kestrel at night 2" })).toBeVisible();
  await page.getByRole("button", { name: "Delete Kestrel at night 2" }).click();
  await expect(page.getByRole("article", { name: "Kestrel at night 2" })).toHaveCount(0);
  await page.getByRole("button", { name: "Put it back" }).click();
  await expect(page.getByRole("article", { name: "Kestrel at night 2" })).toBeVisible();
  await page.reload();
  await expect(page.getByRole("article", { name: "Kestrel at night 2" })).toBeVisible();
});

test("a notice lets clicks through to what lies beneath it, but for its own buttons", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Delete Kestrel" }).click();
  const hits = () =>
    page.getByRole("button", { name: "Put it back" }).evaluate((button) => {
      const notice = button.closest("[data-part=root]")!;
      const [own, all] = [button, notice].map((element) => element.getBoundingClientRect());
      const at = (x: number, y: number) => document.elementFromPoint(x, y);
      return {
        isOnScreen: all.bottom < window.innerHeight,
        words: notice.contains(at(all.left + 20, all.top + all.height / 2)),
        button: button.contains(at(own.left + own.width / 2, own.top + own.height / 2)),
      };
    });
  await expect.poll(hits).toEqual({ isOnScreen: true, words: false, button: true });
});

test("a design that is not there says where it may be", async ({ page }) => {
  await page.goto("/bench/nowhere/layout");
  await expect(page.getByRole("status")).toContainText("not on the shelf of this browser");
  await page.getByRole("link", { name: "Back to the shelf" }).click();
  await expect(page.getByRole("heading", { name: "On the shelf" })).toBeVisible();
});

test("an unknown stage in the address is the first one", async ({ page }) => {
  await page.goto("/bench/kestrel/sculpture");
  await expect(stage(page, "Brief")).toHaveAttribute("aria-current", "step");
  await goTo(page, "Wiring");
});
