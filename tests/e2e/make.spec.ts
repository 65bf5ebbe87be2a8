import { readFileSync } from "node:fs";
import { expect, test } from "@playwright/test";
import type { Design } from "@/core/document/schema";
import { exportAs, goTo, mat, openOwn, saved, stage, textOf, tray } from "./bench";

test("Loom 64 is wired by hand from the first step to the last, with a reload in the middle", async ({ page }) => {
  await page.goto("/bench/loom-64/make");
  await expect(tray(page).getByText(/^All: about [\d.]+ to [\d.]+ hours, over \d+ sittings\.$/)).toBeVisible();
  await expect(
    tray(page).getByText("No order that obeys all reasons turns the work over or changes tools less."),
  ).toBeVisible();
  await tray(page).getByRole("button", { name: "Before you order" }).click();
  await expect(
    tray(page).getByText("Nothing is open that could not be undone after buying.", { exact: false }),
  ).toBeVisible();
  await tray(page).getByRole("tab", { name: "Steps" }).click();
  const table = page.getByRole("table", { name: "Steps in their order" });
  const count = await table.getByRole("row").count();
  await tray(page).getByRole("button", { name: "Begin with step 1" }).click();
  const inHand = tray(page).getByRole("status", { name: "Step in hand" });
  await expect(inHand).toHaveText("Cut the plate, Left half");
  await expect(tray(page).getByText(/glasses, clamp the work/)).toBeVisible();
  await tray(page).getByRole("textbox", { name: "Note" }).fill("openings filed, 0.1 mm too tight");
  await page.keyboard.press("Enter");
  const doneNext = tray(page).getByRole("button", { name: "Done, next" });
  const titles: string[] = [];
  for (let nth = 0; nth < 20; nth++) {
    titles.push((await inHand.textContent())!);
    await doneNext.click();
    await expect(inHand).not.toHaveText(titles.at(-1)!);
  }
  // A step with wires: the mat lies with its solder side up, every wire is there to tick.
  const row = (await inHand.textContent())!;
  await expect(mat(page)).toHaveAttribute("aria-label", /solder side$/);
  await saved(page);
  await page.reload();
  await expect(inHand).toHaveText(row);
  await expect(tray(page).getByRole("timer")).toBeVisible();
  await expect(table.getByRole("row", { name: /done$/ })).toHaveCount(20);
  // By keyboard: back, on again, one left out, the rest done.
  await page.keyboard.press("b");
  await expect(inHand).toHaveText(titles[19]);
  await page.keyboard.press("d");
  await expect(inHand).toHaveText(row);
  titles.push(row);
  await page.keyboard.press("s");
  await expect(inHand).not.toHaveText(row);
  for (let left = count - 1 - 21; left > 1; left--) {
    const title = (await inHand.textContent())!;
    titles.push(title);
    await page.keyboard.press("d");
    await expect(inHand).not.toHaveText(title);
  }
  titles.push((await inHand.textContent())!);
  expect(titles.at(-1)).toBe("Try everything once more, closed");
  await page.keyboard.press("d");
  await expect(tray(page).getByText("Everything is done.")).toBeVisible();
  await expect(tray(page).getByText(`${count - 2} of ${count - 1} done`)).toBeVisible();
  const at = (words: RegExp) => titles.findIndex((title) => words.test(title));
  expect(at(/^Run row R1, Left/)).toBeLessThan(at(/^Run column C1, insulated, Left/));
  expect(at(/^Measure supply/)).toBeLessThan(at(/^Load the firmware/));
  expect(at(/^Try A1/)).toBeLessThan(at(/^Close the case, Left/));
  // What the walk says of wires is what Wiring says of them.
  await goTo(page, "Wiring");
  await tray(page).getByRole("tab", { name: "Wires" }).click();
  await expect(tray(page).getByText(/^\d+ of \d+ done$/)).toBeVisible();
  const [done, all] = (await tray(page)
    .getByText(/^\d+ of \d+ done$/)
    .textContent())!
    .match(/\d+/g)!
    .map(Number);
  expect(done).toBeGreaterThan(100);
  expect(done).toBeLessThan(all);
  const sheet = await textOf(await exportAs(page, "Step sheets for the bench"));
  expect(sheet).toContain("openings filed, 0.1 mm too tight");
  expect(sheet.match(/<h2>☑/g)!.length).toBe(count - 2);
});

test("the time falls with one's own logged steps, and a simpler way is told", async ({ page }) => {
  await page.goto("/bench/loom-64/make");
  await tray(page).getByRole("tab", { name: "Time" }).click();
  const expected = tray(page).getByRole("status", { name: "Expected time" });
  await expect(expected).toHaveText(/^about [\d.]+ to [\d.]+ hours over \d+ sittings$/);
  const before = (await expected.textContent())!;
  await expect(tray(page).getByRole("img", { name: "Hours by sort of work" })).toBeVisible();
  const savings = tray(page).getByRole("table", { name: "What each simplification saves" });
  await expect(savings.getByRole("row", { name: /on made boards in place of wires −[\d.]+ \+[\d.]+/ })).toBeVisible();
  // The fifth of its kind goes faster by the learning curve, without anything logged.
  await tray(page).getByRole("tab", { name: "Steps" }).click();
  const all = tray(page).getByText(/^All: about [\d.]+ to [\d.]+ hours/);
  const first = (await all.textContent())!;
  await tray(page).getByRole("textbox", { name: "Which one of its kind" }).fill("5");
  await page.keyboard.press("Enter");
  await expect(all).not.toHaveText(first);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(all).toHaveText(first);
  await tray(page).getByRole("tab", { name: "Time" }).click();
  const lines = Array.from({ length: 12 }, (_, nth) => `2026-01-01T00:00:00.000Z,mine ${nth},wire,5,3,1`);
  await tray(page)
    .getByLabel("Log of timed steps")
    .setInputFiles({
      name: "pace.csv",
      mimeType: "text/csv",
      buffer: Buffer.from(["at,step,sort,units,minutes,device", ...lines, "x,y,knitting,1,1,1"].join("\n")),
    });
  await expect(
    tray(page).getByText('12 steps taken from pace.csv; line 14 "knitting" is no sort of step.'),
  ).toBeVisible();
  await expect(expected).not.toHaveText(before);
  await page.reload();
  await tray(page).getByRole("tab", { name: "Time" }).click();
  await expect(tray(page).getByText("12 timed steps")).toBeVisible();
  const download = page.waitForEvent("download");
  await tray(page).getByRole("button", { name: "Save as CSV" }).click();
  expect(readFileSync(await (await download).path(), "utf8")).toContain("mine 3,wire,5,3.00,1");
});

test("a module whose pins come out beneath switches is told, and sockets settle it", async ({ page }) => {
  const kestrel = (await (await page.request.get("/api/demos/kestrel")).json()) as Design;
  const key = kestrel.controls.find(({ kind }) => kind === "key")!;
  const { xMm, yMm } = key.placement;
  const controllers = kestrel.controllers.map((one) => ({
    ...one,
    side: "under" as const,
    placement: { ...one.placement, xMm: xMm + 8, yMm: yMm + 8 },
  }));
  await openOwn(page, { ...kestrel, id: "covered", name: "Covered", controllers }, "Make");
  const steps = page.getByRole("table", { name: "Steps in their order" });
  await expect(steps.getByRole("row", { name: /Fix A1/ })).toBeVisible();
  await tray(page).getByRole("combobox", { name: "Conductors" }).selectOption("made-board");
  await expect(steps.getByRole("row", { name: /Look over the bare board/ })).toBeVisible();
  await expect(tray(page).getByRole("heading", { name: "No order fits all of this" })).toBeVisible();
  await expect(stage(page, "Make")).toContainText("to settle");
  await tray(page).getByRole("checkbox", { name: "A1 sits in sockets and comes off again" }).click();
  await expect(tray(page).getByRole("heading", { name: "No order fits all of this" })).toBeHidden();
  await expect(steps.getByRole("row", { name: /Solder the socket rows of A1/ })).toBeVisible();
  await expect(stage(page, "Make")).not.toContainText("to settle");
  await expect(steps.getByRole("row", { name: /Run row/ })).toHaveCount(0);
});

/** Three suppliers: one has everything, the others some of it for less. */
function prices(names: string[]): string {
  const rows = names.flatMap((name, nth) => [
    `Harbour,"${name}",${1 + (nth % 4)},1`,
    ...(nth % 2 ? [`Fen,"${name}",${0.5 + (nth % 4) / 4},1`] : []),
    ...(nth % 3 ? [] : [`Tin Shed,"${name}",${0.4 + (nth % 4) / 4},1`]),
  ]);
  return ["supplier,part,price,from", ...rows, "Harbour,,3,1"].join("\n");
}

test("Glasshouse is bought of three suppliers, less what is in the drawer", async ({ page }) => {
  await page.goto("/bench/glasshouse/make");
  await tray(page).getByRole("tab", { name: "Parts" }).click();
  await expect(tray(page).getByText(/^At usual prices about/)).toBeVisible();
  const table = page.getByRole("table", { name: "Parts list" });
  const names = (await table.getByRole("button").allTextContents()).map((name) => name.trim());
  await tray(page)
    .getByLabel("Table of prices")
    .setInputFiles({ name: "prices.csv", mimeType: "text/csv", buffer: Buffer.from(prices(names)) });
  await expect(tray(page).getByText(/of 3 suppliers read\. Line \d+: There is no supplier or no part\./)).toBeVisible();
  const split = tray(page).getByRole("status", { name: "Cheapest split" });
  await expect(split).toHaveText(
    /^[\d.]+ from (Harbour|Fen|Tin Shed), (Harbour|Fen|Tin Shed) and (Harbour|Fen|Tin Shed)$/,
  );
  await expect(tray(page).getByText("No other split over these suppliers is cheaper.")).toBeVisible();
  const before = Number((await split.textContent())!.split(" ")[0]);
  // Shipping that costs more than it saves: everything else from the others.
  await tray(page)
    .getByRole("group", { name: "Fen", exact: true })
    .getByRole("textbox", { name: "Shipping" })
    .fill("1000");
  await page.keyboard.press("Enter");
  await expect(split).not.toHaveText(/Fen/);
  await page.getByRole("button", { name: /^Undo/ }).click();
  await expect(split).toHaveText(/Fen/);
  await tray(page)
    .getByLabel("Table of stock")
    .setInputFiles({
      name: "stock.csv",
      mimeType: "text/csv",
      buffer: Buffer.from(`part,count\n"${names[1]}",10\nnothing like it,2\n`),
    });
  await expect(tray(page).getByText("2 parts read.")).toBeVisible();
  await expect(table.getByRole("row", { name: new RegExp(names[1]) })).toContainText("15");
  await expect.poll(async () => Number((await split.textContent())!.split(" ")[0])).toBeLessThan(before);
  await expect(tray(page).getByText("1 name of prices or stock not in this list")).toBeVisible();
  await tray(page).getByRole("textbox", { name: "Devices" }).fill("30");
  await page.keyboard.press("Enter");
  await expect(table.getByRole("row", { name: new RegExp(names[1]) })).toContainText("742");
  // One line by itself: its price here, and what else fits.
  await table.getByRole("button", { name: names[1] }).click();
  await tray(page).getByText("What else fits").click();
  await tray(page).getByRole("button", { name: "Take it for all 24" }).first().click();
  await expect(table.getByRole("button", { name: "Full-size toggle, 12 mm bushing" })).toBeVisible();
  await expect(stage(page, "Make")).toBeVisible();
  await page.reload();
  await tray(page).getByRole("tab", { name: "Parts" }).click();
  await expect(tray(page).getByText("3 suppliers", { exact: true })).toBeVisible();
});

test("the stack tells how deep a case must be, and the parts list takes its lengths", async ({ page }) => {
  await page.goto("/bench/glasshouse/make");
  await tray(page).getByRole("tab", { name: "Stack" }).click();
  const inner = tray(page).getByRole("status", { name: "Inner height" });
  await expect(inner).toHaveText(/^[\d.]+ mm free beneath the plate$/);
  const freeMm = Number((await inner.textContent())!.split(" ")[0]);
  await expect(
    page.getByRole("img", { name: `Bench panel from the side: ${freeMm.toFixed(1)} mm free beneath the plate` }),
  ).toBeVisible();
  await expect(tray(page).getByText("Nothing wants the room of anything else.")).toBeVisible();
  await tray(page).getByRole("tab", { name: "Parts" }).click();
  const standoffs = page
    .getByRole("table", { name: "Parts list" })
    .getByRole("button", { name: /^Standoff, 3 mm screw, \d+ mm long$/ });
  const [, lengthMm] = /, (\d+) mm long$/.exec((await standoffs.textContent())!)!;
  expect(Number(lengthMm)).toBeGreaterThanOrEqual(freeMm);
  await page.goto("/bench/loom-64/make");
  await tray(page).getByRole("tab", { name: "Stack" }).click();
  await tray(page).getByRole("combobox", { name: "Board" }).selectOption("Right half");
  await expect(page.getByRole("img", { name: /^Right half from the side/ })).toBeVisible();
});

/** Binary STL: a count at 80, then 50 bytes a triangle with three corners of three numbers behind a normal. */
function measured(stl: Buffer): { volumeMm3: number; sizeMm: number[]; lowestMm: number } {
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  let six = 0;
  for (let nth = 0; nth < stl.readUInt32LE(80); nth++) {
    const corner = (which: number) => [0, 1, 2].map((axis) => stl.readFloatLE(84 + nth * 50 + 12 * which + 4 * axis));
    const [a, b, c] = [corner(1), corner(2), corner(3)];
    six += a[0] * (b[1] * c[2] - b[2] * c[1]) - a[1] * (b[0] * c[2] - b[2] * c[0]) + a[2] * (b[0] * c[1] - b[1] * c[0]);
    for (const place of [a, b, c])
      for (const axis of [0, 1, 2]) {
        low[axis] = Math.min(low[axis], place[axis]);
        high[axis] = Math.max(high[axis], place[axis]);
      }
  }
  return { volumeMm3: six / 6, sizeMm: high.map((most, axis) => most - low[axis]), lowestMm: low[2] };
}

test("a case of Kestrel is chosen, held by standoffs, saved and measured", async ({ page }) => {
  await page.goto("/bench/kestrel/make");
  await tray(page).getByRole("tab", { name: "Case" }).click();
  await expect(page.getByText("Choose a case in the tray and it is drawn here.")).toBeVisible();
  await tray(page).getByRole("combobox", { name: "It is a" }).selectOption("printed tray");
  const told = tray(page).getByRole("status", { name: "Printed case" });
  await expect(told).toHaveText(/^1 piece, about \d+ g, \d+ h to print$/);
  await expect(tray(page).getByText(/lies on the wall and nothing holds it down/)).toBeVisible();
  await tray(page).getByRole("button", { name: "Add standoffs near the corners" }).click();
  await expect(tray(page).getByText(/nothing holds it down/)).toBeHidden();
  await expect(tray(page).getByText("4 M2 × 6 mm")).toBeVisible();
  // What is no number, or none that a wall can have, changes nothing.
  const wall = tray(page).getByRole("textbox", { name: "Wall (mm)" });
  await wall.fill("thick");
  await page.keyboard.press("Enter");
  await expect(tray(page).getByText('"thick" is not a number. Type one like 12.5.')).toBeVisible();
  await wall.fill("40");
  await page.keyboard.press("Enter");
  await expect(tray(page).getByText("Between 0.8 and 15 mm.")).toBeVisible();
  await wall.fill("4");
  await page.keyboard.press("Enter");
  const table = tray(page).getByRole("table", { name: "Pieces of the case" });
  // The plate of 95.15 × 177.318 mm, 0.4 mm of air and 4 mm of wall on each side.
  await expect(table.getByRole("row", { name: /^tray/ })).toContainText("104 × 186 × ");
  const volume = Number(
    (await tray(page)
      .getByText(/^[\d.]+ cm³$/)
      .textContent())!.split(" ")[0],
  );
  const saved = page.waitForEvent("download");
  await tray(page).getByRole("button", { name: "Save STL" }).click();
  const file = await saved;
  expect(file.suggestedFilename()).toBe("kestrel-case.stl");
  const stl = measured(readFileSync(await file.path()));
  expect(stl.volumeMm3 / 1000).toBeCloseTo(volume, 0);
  expect(stl.sizeMm[0]).toBeCloseTo(95.15 + 8.8, 1);
  expect(stl.sizeMm[1]).toBeCloseTo(177.318 + 8.8, 1);
  expect(stl.lowestMm).toBe(0);
  // Its feet, and the picture turned by keyboard.
  await tray(page).getByRole("textbox", { name: "Rear higher by (°)" }).fill("6");
  await page.keyboard.press("Enter");
  await expect(told).toHaveText(/^3 pieces/);
  const picture = page.getByRole("img", { name: "Case of Handset in the round: 3 pieces" });
  const before = await picture.screenshot();
  await picture.focus();
  await page.keyboard.press("ArrowLeft");
  await expect.poll(async () => (await picture.screenshot()).equals(before)).toBe(false);
  // Parts and steps follow.
  await tray(page).getByRole("tab", { name: "Parts" }).click();
  await expect(
    page.getByRole("table", { name: "Parts list" }).getByRole("button", { name: "Brass insert M2, 4 mm, set by heat" }),
  ).toBeVisible();
  await tray(page).getByRole("tab", { name: "Steps" }).click();
  await expect(page.getByText("Set 4 inserts into the case").first()).toBeVisible();
  // Cut from sheet in place of it, after a reload.
  await page.reload();
  await tray(page).getByRole("tab", { name: "Case" }).click();
  await tray(page).getByRole("combobox", { name: "It is a" }).selectOption("cut layers, screwed together");
  await expect(tray(page).getByRole("status", { name: "Cut case" })).toHaveText(
    /^\d+ layers on \d+ sheets?, about \d+ g$/,
  );
  const drawing = page.waitForEvent("download");
  await tray(page).getByRole("button", { name: "Save DXF" }).click();
  const dxf = readFileSync(await (await drawing).path(), "utf8");
  expect(dxf).toContain("FRAME_1");
  await tray(page).getByRole("combobox", { name: "It is a" }).selectOption("none");
  await expect(page.getByText("Choose a case in the tray and it is drawn here.")).toBeVisible();
});
