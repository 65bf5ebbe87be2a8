import { readFileSync } from "node:fs";
import { type Page, expect, test } from "@playwright/test";
import { middleOf, part, saved, tray } from "./bench";

const section = (page: Page, name: string) => tray(page).getByRole("region", { name });
const large = (page: Page) => page.getByRole("img", { name: "What Display shows, large" });

/** Rows of dots of a path of runs: "#" lit. */
function rowsOf(path: string, width: number, height: number): string[] {
  const rows = Array.from({ length: height }, () => new Array<string>(width).fill("."));
  for (const [, x, y, length] of path.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g))
    rows[Number(y)].fill("#", Number(x), Number(x) + Number(length));
  return rows.map((row) => row.join(""));
}

const shownRows = async (page: Page) => rowsOf((await large(page).locator("path").getAttribute("d")) ?? "", 128, 64);

test("Kestrel's display shows, dot by dot, what its firmware writes: values, and what keys do on a held layer", async ({
  page,
  request,
}) => {
  const simulated = async (events: object[]) => {
    const design: unknown = JSON.parse(readFileSync("demo/kestrel.json", "utf8"));
    const answer = await request.post("/api/simulate", { data: { design, events, untilMs: 5000 } });
    return ((await answer.json()) as { displays: Record<string, string[]> }).displays.display;
  };
  await page.goto("/bench/kestrel/try");
  await expect(page.getByRole("img", { name: "Display shows its page" })).toBeVisible();
  const atRest = await simulated([]);
  await expect.poll(() => shownRows(page)).toEqual(atRest);
  await tray(page).getByRole("button", { name: "Turn Focus clockwise" }).click();
  const turned = await simulated([{ atMs: 1000, action: "turn", control: "focus", steps: 1 }]);
  expect(turned).not.toEqual(atRest);
  await expect.poll(() => shownRows(page)).toEqual(turned);
  await part(page, "Camera").hover();
  await page.mouse.down();
  const held = await simulated([
    { atMs: 1000, action: "turn", control: "focus", steps: 1 },
    { atMs: 2000, action: "press", control: "camera" },
  ]);
  expect(held).not.toEqual(turned);
  await expect.poll(() => shownRows(page)).toEqual(held);
  await page.mouse.up();
  await expect.poll(() => shownRows(page)).toEqual(turned);
});

test("a page is laid out: things are put on it, carried, said in one's own words, refused where they cannot be", async ({
  page,
}) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Display").click();
  const own = section(page, "Display on Base");
  const things = own.getByRole("list", { name: "Things on the page" });
  await expect(things.getByRole("listitem")).toHaveCount(14);
  await things.getByRole("button", { name: "what Park does" }).click();
  await own.getByLabel("Called on Base").fill("Nest ☃");
  await expect(own).toContainText("There are no dots for ☃.");
  await own.getByLabel("Called on Base").fill("Nest");
  await own.getByLabel("Called on Base").press("Enter");
  await own.getByLabel("Width (dots)").fill("12");
  await own.getByLabel("Width (dots)").press("Enter");

  // Carried by the pointer: eight dots to the left, a row up.
  const view = own.getByRole("img", { name: /^The page:/ });
  const place = (await view.boundingBox())!;
  const dot = place.width / 132;
  const at = { x: place.x + (2 + 70) * dot, y: place.y + (2 + 52) * dot };
  await page.mouse.move(at.x, at.y);
  await page.mouse.down();
  await page.mouse.move(at.x - 8 * dot, at.y - 8 * dot, { steps: 4 });
  await page.mouse.up();
  await expect(own.getByLabel("From the left (dots)")).toHaveValue("58");
  await expect(own.getByLabel("Row of eight dots")).toHaveValue("6");

  await own.getByLabel("Put on the page").selectOption({ label: "a picture of one’s own" });
  const picture = own.getByRole("img", { name: "The picture, 16 × 16 dots: paint on it" });
  await picture.scrollIntoViewIfNeeded();
  const middle = await middleOf(picture);
  await page.mouse.click(middle.x + 2, middle.y + 2);
  await own.getByText("Dots as text").click();
  const dots = own.getByLabel(/Lines of # for lit/);
  await expect(dots).toHaveValue(/\n\.{8}#\.{7}\n/);
  await dots.fill("####\n#..#\n####");
  await dots.blur();
  await expect(own.getByRole("img", { name: "The picture, 4 × 8 dots: paint on it" })).toBeVisible();
  await dots.fill("#".repeat(200));
  await dots.blur();
  await expect(page.getByText("A picture has at most 128 × 64 dots.")).toBeVisible();
  await expect(own.getByRole("img", { name: "The picture, 4 × 8 dots: paint on it" })).toBeVisible();
  await own.getByRole("button", { name: "Take it off the page" }).click();
  await expect(things.getByRole("listitem")).toHaveCount(14);
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText(/“Nest” and “Star chart” take up to 60 columns and 12 are there/);
  await saved(page);
});

test("a display gets its first page in one step, and an empty one on a layer above", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Display").click();
  const shows = section(page, "Display on Base").getByLabel("It shows");
  await shows.selectOption({ label: "nothing yet" });
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText("Display shows nothing on any layer.");
  await all.getByRole("button", { name: "Lay out a first page" }).click();
  await expect(all).not.toContainText("Display shows nothing");
  await part(page, "Display").click();
  await expect(
    section(page, "Display on Base").getByRole("img", { name: /^The page: the name of the layer, a bar of Focus/ }),
  ).toBeVisible();
  await tray(page)
    .getByRole("button", { name: /Star chart/ })
    .click();
  await section(page, "Display on Star chart").getByLabel("It shows").selectOption({ label: "an empty page" });
  await expect(section(page, "Display on Star chart").getByRole("img", { name: "The page: nothing" })).toBeVisible();
});

test("what displays are told is data of their class: edited, and refused with what is wanted", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await tray(page)
    .getByRole("button", { name: /^Display/ })
    .click();
  const start = tray(page).getByLabel("Displays are told at the start");
  await expect(start).toHaveValue(/^00 AE, 00 D5 80 A8 3F/);
  await start.fill("00 AE, 00 A");
  await expect(tray(page)).toContainText("Give bytes in hexadecimal, up to 16 a frame");
  await start.fill("00 AE, 00 AF");
  await start.press("Enter");
  const place = tray(page).getByLabel("What places the dots that follow");
  await expect(place).toHaveValue("00 B0+row 00+low 10+high");
  await place.fill("00 B0+page");
  await expect(tray(page)).toContainText("what is added to one stands behind it: +row, +column, +low or +high");
  await place.fill("00 22+row 21+column");
  await place.press("Enter");
  await tray(page).getByLabel("First column").fill("2");
  await tray(page).getByLabel("First column").press("Enter");
  await saved(page);
  await page.reload();
  await tray(page)
    .getByRole("button", { name: /^Display/ })
    .click();
  await expect(start).toHaveValue("00 AE, 00 AF");
  await expect(place).toHaveValue("00 22+row 21+column");
  await page.goto("/bench/kestrel/try");
  await expect.poll(async () => (await shownRows(page)).join("").includes("#")).toBe(true);
});
