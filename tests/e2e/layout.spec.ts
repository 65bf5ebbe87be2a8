import { type Page, expect, test } from "@playwright/test";
import { emptyShelf, exportAs, goTo, mat, middleOf, part, saved, stage, tabTo, textOf, tray } from "./bench";

async function newDevice(page: Page) {
  await page.goto("/");
  await page.getByRole("button", { name: "New device" }).click();
  await expect(stage(page, "Brief")).toHaveAttribute("aria-current", "step");
}

async function wish(page: Page, counts: Record<string, number>) {
  for (const [label, count] of Object.entries(counts)) {
    const field = tray(page).getByLabel(label, { exact: true });
    await field.fill(String(count));
    await field.press("Enter");
  }
}

const plans = (page: Page) => page.getByRole("table", { name: "Plans that meet the wish" });
const sheet = (page: Page, name: string) => tray(page).getByRole("tab", { name });

test("from a wish to a chosen plan to a placed and wired layout whose budget stays live", async ({ page }) => {
  await newDevice(page);
  await expect(page.getByText("Nothing is wished for yet.")).toBeVisible();
  await wish(page, { Keys: 12, Encoders: 2, Lamps: 3 });
  await expect(plans(page)).toBeVisible();
  await expect(plans(page).getByText("Least money and work of all that fit")).toBeVisible();
  await expect(
    plans(page)
      .getByText(/^Still takes \d+ keys/)
      .first(),
  ).toBeVisible();

  // More than any thumb-size board takes direct; a wrong count is told and changes nothing.
  await tray(page).getByLabel("Keys", { exact: true }).fill("-4");
  await expect(tray(page).getByText("Between 0 and 500")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(tray(page).getByLabel("Keys", { exact: true })).toHaveValue("12");

  // What another plan beats can be unfolded.
  await page.getByRole("button", { name: /^Show also the \d+ that another one beats$/ }).click();
  const matrix = plans(page).getByRole("button", { name: /Small 5 V USB board, 18 I\/O: Matrix, balanced/ });
  while ((await matrix.count()) === 0) await page.getByRole("button", { name: /^Show more/ }).click();
  await matrix.first().click();
  await expect(plans(page).getByRole("table", { name: "Pins by kind" })).toContainText("all");
  const row = plans(page)
    .getByRole("row")
    .filter({ has: page.getByRole("button", { name: /Small 5 V USB board, 18 I\/O: Matrix, balanced/ }) })
    .first();
  await row.getByRole("button", { name: /^Take plan/ }).click();
  await expect(stage(page, "Brief")).toContainText("17 still to place; 3 pins left");

  await page.getByRole("button", { name: "Place what is open" }).click();
  await expect(stage(page, "Layout")).toContainText("17 placed");
  await expect(stage(page, "Brief")).toContainText("everything of the brief is placed");
  await expect(stage(page, "Wiring")).toContainText("3 rows, 5 columns");

  // Two encoders more than the brief: told at once, with the pins, and settled by a click.
  await goTo(page, "Layout");
  await tray(page).getByRole("button", { name: "Encoder", exact: true }).focus();
  await page.keyboard.press("Enter");
  await expect(tray(page).getByRole("status", { name: "Budget of the brief" })).toContainText(
    "1 encoder more than the brief",
  );
  await expect(stage(page, "Brief")).toContainText("1 to settle");
  await goTo(page, "Brief");
  await tray(page).getByRole("button", { name: "Take the counts from the mat" }).click();
  await expect(stage(page, "Brief")).toContainText("everything of the brief is placed");
  await saved(page);
  await page.reload();
  await expect(tray(page).getByLabel("Encoders", { exact: true })).toHaveValue("3");
});

test("a plan that is short says by how much, and the smallest change makes it fit", async ({ page }) => {
  await newDevice(page);
  await wish(page, { "Sticks, 3 axes": 2, Pots: 40, Keys: 60, Lamps: 200 });
  await expect(plans(page)).toBeVisible();
  const change = plans(page).getByRole("button", { name: "Change the wish" }).first();
  while ((await change.count()) === 0) {
    const more = page.getByRole("button", { name: /^Show more/ });
    if ((await more.count()) === 0) break;
    await more.click();
  }
  await expect(
    plans(page)
      .getByText(/^Short of|It .*is no USB device|It is a bare/)
      .first(),
  ).toBeVisible();
});

test("a layout that does not fit the bed is split along a seam, and comes back with undo", async ({ page }) => {
  await newDevice(page);
  await goTo(page, "Layout");
  await tray(page).getByLabel("Shape", { exact: true }).selectOption("typing-block");
  await tray(page).getByLabel("Tall Enter").check();
  await tray(page).getByLabel("Extra key beside left Shift").check();
  await tray(page).getByRole("button", { name: "Place the shape" }).click();
  await expect(stage(page, "Layout")).toContainText("62 placed");

  await sheet(page, "Fit").click();
  await expect(tray(page).getByText(/mm too large$/)).toBeVisible();
  await tray(page).getByRole("button", { name: "Look for a seam for the printer bed" }).click();
  await expect(
    tray(page)
      .getByText(/both pieces fit/)
      .first(),
  ).toBeVisible();
  await tray(page).getByRole("button", { name: "Take seam 1" }).click();
  await expect(tray(page).getByRole("region", { name: "Panel, second piece" })).toBeVisible();
  await expect(tray(page).getByText(/mm too large$/)).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(tray(page).getByText(/mm too large$/)).toBeVisible();

  // A bed of one's own that takes it.
  await tray(page).getByLabel("Wide (mm)").first().fill("320");
  await page.keyboard.press("Enter");
  await expect(tray(page).getByText("fits upright").first()).toBeVisible();
});

test("a cap set that lacks two keys is told so, and a change of the row helps", async ({ page }) => {
  await newDevice(page);
  await goTo(page, "Layout");
  await tray(page).getByLabel("Shape", { exact: true }).selectOption("typing-block");
  await tray(page).getByRole("button", { name: "Place the shape" }).click();
  await expect(stage(page, "Layout")).toContainText("61 placed");
  await sheet(page, "Caps").click();
  await tray(page).getByRole("button", { name: "Describe or read in a set" }).click();
  const dialog = page.getByRole("dialog");
  await dialog
    .getByLabel("Table of caps")
    .fill("width,height,count,label\n1,1,50\n1.25,1,7\n1.5,1,2\n1.75,1,1\n2,1,1\n2.25,1,1\n2.75,1,1\n7,1,1\nx,1,1,bad");
  await expect(dialog.getByRole("list", { name: "Problems" })).toContainText(
    'Line 10: The width "x" is not a number from 0.5 to 10.',
  );
  await dialog.getByRole("button", { name: "Take 64 caps" }).click();
  const missing = tray(page).getByRole("list", { name: "Missing caps" });
  await expect(missing.getByRole("listitem")).toHaveCount(2);
  await expect(missing).toContainText("1 of 6.25 × 1 u");
  await expect(missing).toContainText("1 of 2.25 × 1 u");
  await tray(page).getByRole("button", { name: "Change", exact: true }).last().click();
  await expect(missing.getByText("6.25 × 1 u")).toHaveCount(0);
});

test("a table with three bad lines is read in part and explained; a drawing of our own comes back", async ({
  page,
}) => {
  await newDevice(page);
  await goTo(page, "Layout");
  await tray(page).getByRole("button", { name: "Read in a table or drawing" }).click();
  const dialog = page.getByRole("dialog");
  await dialog
    .getByLabel("Table or drawing")
    .fill("x;y;Breite;label\n0;0;1;A\n1,5;0;1;B\noops;0;1;C\n3;0;1;D\n4;;1;E\n5;0;1;F\n9999;0;1;G");
  const problems = dialog.getByRole("list", { name: "Problems" });
  await expect(problems).toContainText('The column "Breite" is not known');
  await expect(problems).toContainText('Line 4: "oops" under x is not a number.');
  await expect(problems).toContainText("Line 6: There is no y.");
  await expect(problems).toContainText("Line 8: x is 9999; it goes from -2000 to 2000.");
  await dialog.getByRole("button", { name: "Place 4 parts" }).click();
  await expect(stage(page, "Layout")).toContainText("4 placed");
  await expect(part(page, "B")).toHaveAttribute("aria-label", /at 28.575 by 0 mm/);

  const svg = await textOf(await exportAs(page, "Plate drawing (SVG)"));
  const dxf = await textOf(await exportAs(page, "Plate drawing (DXF)"));
  for (const drawing of [svg, dxf]) {
    await page.keyboard.press("Control+a");
    await page.keyboard.press("Delete");
    await expect(stage(page, "Layout")).toContainText("nothing placed");
    await tray(page).getByRole("button", { name: "Read in a table or drawing" }).click();
    await dialog
      .getByLabel("File to read in")
      .setInputFiles({ name: "plate.txt", mimeType: "text/plain", buffer: Buffer.from(drawing) });
    await dialog.getByRole("button", { name: "Place 4 parts" }).click();
    await expect(part(page, "B")).toHaveAttribute("aria-label", /at 28.575 by 0 mm/);
  }
});

test("a start shape is placed, changed again as a group, mirrored and given an outline of its own", async ({
  page,
}) => {
  await newDevice(page);
  await goTo(page, "Layout");
  await tray(page).getByLabel("Shape", { exact: true }).selectOption("staggered-columns");
  await tray(page).getByRole("button", { name: "Place the shape" }).click();
  await expect(stage(page, "Layout")).toContainText("24 placed");
  await tray(page).getByRole("region", { name: "Shape: Staggered columns" }).getByLabel("Rows").fill("3");
  await page.keyboard.press("Enter");
  await expect(stage(page, "Layout")).toContainText("18 placed");
  await tray(page).getByLabel("Offset of each column (mm)").fill("0 0 -9 -9 0 0");
  await page.keyboard.press("Enter");
  await expect(part(page, "K3")).toHaveAttribute("aria-label", /by -9 mm/);

  await sheet(page, "Boards").click();
  await tray(page).getByRole("button", { name: "Mirrored copy" }).click();
  await expect(stage(page, "Layout")).toContainText("36 placed");
  await expect(tray(page).getByRole("button", { name: /^Panel, mirrored/ })).toBeVisible();

  // The drawn outline is moved by a corner on the mat; too far in, it is told.
  await tray(page).getByRole("button", { name: "Draw the outline myself" }).click();
  await expect(mat(page).locator("[data-corner]").first()).toBeVisible();
  await page.getByRole("button", { name: "Fit to window (0)" }).click();
  const before = await tray(page).getByLabel("Corner 1, x (mm)").inputValue();
  const from = await middleOf(mat(page).locator('[data-corner="0"]'));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 60, { steps: 5 });
  await page.mouse.up();
  await expect(tray(page).getByLabel("Corner 1, x (mm)")).not.toHaveValue(before);
  await expect(page.getByText(/drawn outline of Panel/).first()).toBeVisible();
  await tray(page).getByRole("button", { name: "Follow the controls" }).click();
  await expect(page.getByText(/drawn outline of Panel/)).toHaveCount(0);
});

test("the reach of Loom 64 is measured, shown as warmth and told in words", async ({ page }) => {
  await page.goto("/bench/loom-64/layout");
  await sheet(page, "Reach").click();
  await expect(mat(page).getByRole("button", { name: /^Key E,.*, 13$/ })).toBeVisible();
  await expect(tray(page).getByRole("list", { name: "Worst movements" }).getByRole("listitem")).toHaveCount(5);
  await tray(page).getByLabel("Text sample").fill("ee");
  await expect(tray(page).getByText("D to E with the left middle: 19 mm, once")).toBeVisible();
});

test("a controller class of one's own, by pads on its drawing and as a table, is taken into the brief", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/pins");
  await tray(page).getByRole("button", { name: "Write a class of my own" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Class", { exact: true }).fill("Drawer board");
  await dialog.getByLabel("Class", { exact: true }).press("Enter");
  await dialog.getByRole("button", { name: "Pad P5", exact: true }).focus();
  await page.keyboard.press("Enter");
  await dialog.getByLabel("Pad", { exact: true }).fill("P6");
  await dialog.getByLabel("Pad", { exact: true }).press("Enter");
  await expect(dialog.getByText('There are two I/O pins "P6"; each needs its own name.')).toBeVisible();
  await expect(dialog.getByRole("button", { name: "Keep the class" })).toBeDisabled();
  await dialog.getByLabel("Pad", { exact: true }).fill("P55");
  await dialog.getByLabel("Pad", { exact: true }).press("Enter");
  await dialog.getByLabel("File to read in").setInputFiles({
    name: "pins.csv",
    mimeType: "text/csv",
    buffer: Buffer.from("name,x,y,analog\nP0,-7,0,0\nP1,seven,0,\nP2,7,0,\nP3,7,5,\n"),
  });
  await expect(dialog.getByText('Line 3: x is "seven" and y is "0"; both must be numbers in mm.')).toBeVisible();
  await expect(dialog.getByText("3 usable pins of 3 pads.", { exact: false })).toBeVisible();
  await dialog.getByRole("button", { name: "Keep the class" }).click();
  await expect(tray(page).getByRole("button", { name: "Change Drawer board" })).toBeVisible();
  await expect(tray(page).getByText("3 usable, 14 too few")).toBeVisible();
});

test("a part of one's own changes what is cut", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await part(page, "Stop").click();
  await tray(page).getByRole("button", { name: "Describe a part of my own" }).click();
  const dialog = page.getByRole("dialog");
  await dialog.getByLabel("Part", { exact: true }).fill("Wide body");
  await dialog.getByLabel("Part", { exact: true }).press("Enter");
  await dialog.getByLabel("Wide (mm)").first().fill("25");
  await dialog.getByLabel("Wide (mm)").first().press("Enter");
  await dialog.getByRole("button", { name: "Keep the part" }).click();
  await expect(page.getByText(/overlap: their bodies are/).first()).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page.getByText(/overlap: their bodies are/)).toHaveCount(0);
});

test("wish, plan, layout and a stagger by keyboard alone", async ({ page }) => {
  await emptyShelf(page);
  await tabTo(page, /^New device$/);
  await page.keyboard.press("Enter");
  await expect(stage(page, "Brief")).toHaveAttribute("aria-current", "step");
  await tabTo(page, /^Keys$/);
  await page.keyboard.type("9");
  await page.keyboard.press("Enter");
  await expect(plans(page)).toBeVisible();
  await tabTo(page, /^Take plan 1$/);
  await page.keyboard.press("Enter");
  await expect(stage(page, "Brief")).toContainText("9 still to place");
  await tabTo(page, /^Place what is open$/);
  await page.keyboard.press("Enter");
  await expect(stage(page, "Layout")).toContainText("9 placed");
  await tabTo(page, /^2Layout/);
  await page.keyboard.press("Enter");
  await expect(stage(page, "Layout")).toHaveAttribute("aria-current", "step");
  // The sheets are one stop; arrows go from one to the next, Home and End to the first and the last.
  await tabTo(page, /^Place$/);
  await page.keyboard.press("End");
  await expect(tray(page).getByRole("tabpanel", { name: "Reach" })).toBeVisible();
  for (const [key, name] of [
    ["Home", "Place"],
    ["ArrowRight", "Boards"],
  ]) {
    await page.keyboard.press(key);
    await expect(page.getByRole("tab", { name })).toBeFocused();
  }
  await page.keyboard.press("ArrowRight");
  await expect(tray(page).getByRole("tabpanel", { name: "Fit" })).toBeVisible();
  await tabTo(page, /^Wide/);
  await page.keyboard.press("Control+a");
  await page.keyboard.type("40");
  await page.keyboard.press("Enter");
  await expect(
    tray(page)
      .getByText(/mm too large$/)
      .first(),
  ).toBeVisible();
});

test("what is chosen counts at once, although a part of the program is still on its way; one that fails can be had again", async ({
  page,
}) => {
  await newDevice(page);
  await goTo(page, "Layout");
  await expect(tray(page).getByRole("button", { name: "Place the shape" })).toBeVisible();
  let goOn = () => {};
  const isHeld = new Promise<void>((resolve) => (goOn = resolve));
  await page.route(/_next\/static\/chunks/, async (route) => {
    await isHeld;
    await route.continue();
  });
  await tray(page).getByLabel("Shape", { exact: true }).selectOption("typing-block");
  await tray(page).getByRole("button", { name: "Place the shape" }).click();
  await expect(stage(page, "Layout")).toContainText("61 placed");
  goOn();

  await page.unrouteAll({ behavior: "wait" });
  await page.route(/_next\/static\/chunks/, (route) => route.abort());
  await sheet(page, "Reach").click();
  await expect(tray(page).getByRole("alert")).toContainText("could not be fetched");
  await page.unrouteAll({ behavior: "wait" });
  await tray(page).getByRole("button", { name: "Try again" }).click();
  await expect(tray(page).getByRole("alert")).toHaveCount(0);
  await expect(tray(page).getByRole("heading").first()).toBeVisible();
});
