import { type Page, expect, test } from "@playwright/test";
import { handset } from "../support/handset";
import {
  SHELF,
  bindByName,
  goTo,
  mat,
  middleOf,
  openOwn,
  part,
  saved,
  stage,
  tap,
  tray,
  typed,
  onlyTheNote,
} from "./bench";

const undoIs = (page: Page, title: string) => page.getByRole("button", { name: `Undo: ${title}` });

test("layers: one is added, reached by holding, warned about while nobody reaches it, and removed", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await page.getByRole("button", { name: "Add a layer" }).click();
  await page.getByLabel("Name of this layer").fill("Dome");
  await page.getByLabel("Name of this layer").press("Enter");
  await expect(page.getByText(/No key leads to Dome/)).toBeVisible();
  await page.getByRole("button", { name: /^1\. Base/ }).click();
  await part(page, "Park").click();
  await page.getByLabel("Lead to a layer").selectOption({ label: "stay on Dome" });
  await expect(page.getByText("Park leads to Dome for good: no key there leads back.")).toBeVisible();
  await page.getByLabel("Lead to a layer").selectOption({ label: "hold for Dome" });
  await onlyTheNote(page);
  await page.getByRole("button", { name: /^4\. Dome/ }).click();
  await part(page, "Mark").click();
  await bindByName(page, "digit 9");
  await goTo(page, "Try");
  await part(page, "Park").focus();
  await page.keyboard.down("Space");
  await expect(tray(page).getByText("Base over Dome")).toBeVisible();
  await tap(page, "Mark");
  await page.keyboard.up("Space");
  await expect(typed(page)).toHaveText("9");
  await goTo(page, "Keymap");
  await page.getByRole("button", { name: "Remove Dome" }).click();
  await expect(stage(page, "Keymap")).toContainText("3 layers");
});

test("a lamp shows what it is told to, live", async ({ page }) => {
  await openOwn(page, handset, "Keymap");
  await part(page, "Lock").click();
  await page.getByLabel("Shows").selectOption({ label: "that Camera layer is active" });
  await goTo(page, "Try");
  const lampFill = () => part(page, "Lock").locator("path").first().getAttribute("fill");
  await expect.poll(lampFill).toBe("var(--cap)");
  await part(page, "Camera").focus();
  await page.keyboard.down("Space");
  await expect.poll(lampFill).toBe("var(--saffron)");
  await page.keyboard.up("Space");
  await expect.poll(lampFill).toBe("var(--cap)");
});

test("a knob is turned by dragging round it and by the wheel, and pushed in its middle", async ({ page }) => {
  await page.goto("/bench/kestrel/try");
  await expect(page.getByText("Live: press keys")).toBeVisible();
  const { x, y } = await middleOf(part(page, "Rotator"));
  const radius = 12;
  await page.mouse.move(x + radius, y);
  await page.mouse.down();
  for (let angle = 0; angle <= 65; angle += 5) {
    await page.mouse.move(
      x + radius * Math.cos((angle * Math.PI) / 180),
      y + radius * Math.sin((angle * Math.PI) / 180),
    );
  }
  await page.mouse.up();
  await expect(typed(page)).toHaveText("]]]]");
  await page.mouse.wheel(0, 100);
  await expect(typed(page)).toHaveText("]]]][");
  // One notch of the wheel is one step, also when the wheel has come to rest.
  await page.waitForTimeout(500);
  await expect(typed(page)).toHaveText("]]]][");
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.waitForTimeout(60);
  await page.mouse.up();
  await expect(typed(page)).toHaveText("]]]][r");
});

test("a locked pin stays when pins are shared out anew", async ({ page }) => {
  await page.goto("/bench/kestrel/pins");
  await page.getByLabel("Pin of LIGHTS data", { exact: true }).selectOption("P1");
  await page.getByLabel("Lock LIGHTS data", { exact: true }).check();
  await page.getByRole("button", { name: "Share out pins" }).first().click();
  await expect(page.getByLabel("Pin of LIGHTS data", { exact: true })).toHaveValue("P1");
  await page.getByLabel("Pin of LIGHTS data", { exact: true }).selectOption("");
  await expect(page.getByText("LIGHTS data is locked to P1. Unlock it to move it.")).toBeVisible();
  await page.getByLabel("Pin of R1", { exact: true }).selectOption("P17");
  await expect(page.getByText(/R1 is on P17, but the board needs that pin itself/)).toBeVisible();
});

test("the module is dragged, turned over and seen closely; on the caps it is told", async ({ page }) => {
  await page.goto("/bench/kestrel/pins");
  await page.getByRole("button", { name: "Look closely at the controller" }).click();
  await expect(mat(page).locator('[data-pin="P10"] text')).toBeVisible();
  await page.getByRole("button", { name: "Fit to window (0)" }).click();
  await page.getByLabel("y (mm)").fill("50");
  await page.getByLabel("y (mm)").press("Enter");
  await expect(page.getByText(/^The controller lies on/)).toBeVisible();
  await page.getByRole("button", { name: "Put it under the board" }).click();
  await expect(page.getByLabel("Lies")).toHaveValue("under");
  await expect(undoIs(page, "put it under the board")).toBeEnabled();
});

test("the sheets of a tray are gone through with arrows, Home and End, round the ends", async ({ page }) => {
  await page.goto("/bench/reedling/circuits");
  const open = page.getByRole("tab", { selected: true });
  await expect(open).toBeVisible();
  const sheets = await page.getByRole("tab").allTextContents();
  expect(sheets.length).toBeGreaterThan(3);
  await open.focus();
  for (const [key, at] of [
    ["ArrowLeft", -1],
    ["ArrowRight", 0],
    ["ArrowRight", 1],
    ["End", -1],
    ["Home", 0],
  ] as const) {
    await page.keyboard.press(key);
    await expect(open).toHaveText(sheets.at(at)!);
    await expect(open).toBeFocused();
    await expect(page.getByRole("tabpanel", { name: sheets.at(at)! })).toBeVisible();
  }
  await page.keyboard.press("Tab");
  await expect(page.getByRole("tabpanel")).toBeFocused();
});

test("boards: a second one is added, a key moves onto it, and an empty one can go", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await page.getByRole("tab", { name: "Boards" }).click();
  await page.getByRole("button", { name: "Add a board" }).click();
  await part(page, "Sync").click();
  await page.getByRole("button", { name: "Show its numbers" }).click();
  await page.getByLabel("Board", { exact: true }).selectOption({ label: "Board 2" });
  await page.getByRole("tab", { name: "Boards" }).click();
  await page.getByRole("button", { name: /^Board 2/ }).click();
  await expect(page.getByRole("button", { name: "Remove Board 2" })).toHaveCount(0);
  await undoIs(page, "place Sync").click();
  await page.getByRole("button", { name: "Remove Board 2" }).click();
  await expect(page.getByRole("button", { name: /^Board 2/ })).toHaveCount(0);
});

test("widths change by chip for several keys, and what then overlaps is told and undone", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await part(page, "West").click();
  await part(page, "East").click({ modifiers: ["Shift"] });
  await page.getByRole("button", { name: "Width 1.5 units" }).click();
  await expect(page.getByText(/overlap: their caps are/)).toBeVisible();
  await page.getByRole("button", { name: /^All \d+ findings$/ }).click();
  await expect(page.getByRole("region", { name: "All findings" }).getByRole("listitem")).toHaveCount(4);
  await page.keyboard.press("Control+z");
  const left = page.getByRole("region", { name: "All findings" }).getByRole("listitem");
  await expect(left).toHaveCount(1);
  await expect(left).toContainText("Asleep the device still takes");
});

test("duplicate, select all and remove by keys", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await part(page, "Mark").click();
  await page.keyboard.press("Control+d");
  await expect(stage(page, "Layout")).toContainText("23 placed");
  await expect(part(page, "K1")).toBeVisible();
  await page.keyboard.press("Control+a");
  await expect(tray(page).getByText("23 selected")).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(page.getByText("Nothing is placed yet.")).toBeVisible();
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  await expect(stage(page, "Layout")).toContainText("22 placed");
  await saved(page);
});

test("the mat zooms, moves, fits and turns over", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  const width = async () => (await part(page, "Stop").boundingBox())!.width;
  const before = await width();
  const { x, y } = await middleOf(mat(page));
  await page.mouse.move(x, y);
  await page.mouse.wheel(0, -300);
  await expect.poll(width).toBeGreaterThan(before * 1.5);
  await page.mouse.down({ button: "middle" });
  await page.mouse.move(x + 90, y + 40, { steps: 4 });
  await page.mouse.up({ button: "middle" });
  await page.getByRole("button", { name: "Fit to window (0)" }).click();
  await expect.poll(width).toBeCloseTo(before, 0);
  const left = (await middleOf(part(page, "West"))).x;
  await page.keyboard.press("f");
  await expect(page.getByText("Solder side up: left and right are mirrored")).toBeVisible();
  await expect.poll(async () => (await middleOf(part(page, "West"))).x).toBeGreaterThan(left + 60);
});

test("night bench is remembered", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "Night bench" }).click();
  await page.reload();
  await expect(page.getByRole("button", { name: "Day bench" })).toBeVisible();
  await expect(page.locator("html")).toHaveClass(/dark/);
});

test("a demo is taken apart as a copy, and renamed on the bench", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: "From a demo" }).click();
  await page
    .getByRole("dialog")
    .getByRole("button", { name: /^Loom 64(?! in two)/ })
    .click();
  await expect(page.getByLabel("Name of the design")).toHaveValue("Loom 64 2");
  await page.getByLabel("Name of the design").fill("Shuttle");
  await page.getByLabel("Name of the design").press("Enter");
  await saved(page);
  await page.getByRole("link", { name: "Ovrin: back to the shelf" }).click();
  await expect(page.getByRole("article", { name: "Shuttle" })).toBeVisible();
  await expect(page.getByRole("article")).toHaveCount(SHELF + 1);
});
