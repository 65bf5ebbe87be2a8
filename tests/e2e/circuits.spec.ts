import { type Page, expect, test } from "@playwright/test";
import type { Control } from "@/core/catalogue/kinds";
import type { LadderCircuit } from "@/core/circuits/ladder";
import type { LightChain } from "@/core/circuits/lightChain";
import type { Design } from "@/core/document/schema";
import { newDesign } from "@/core/document/newDesign";
import { addControl } from "@/core/edits/controls";
import { chooseController } from "@/core/edits/pins";
import { changeCircuit, wireAs } from "@/core/edits/wiring";
import { changeWish } from "@/core/edits/wish";
import { chainOf, elementIds, rowOf } from "../support/litRows";
import { exportAs, goTo, mat, openOwn, part, stage, textOf, tray } from "./bench";

const section = (page: Page, name: string | RegExp) => tray(page).getByRole("region", { name });
const sheet = (page: Page, name: string) => tray(page).getByRole("tab", { name, exact: true });

const open = (page: Page, design: Design) => openOwn(page, design, "Circuits");

/** Opens the list of findings and takes a fix of the one whose sentence has these words. */
async function settle(page: Page, words: RegExp, title: string | RegExp) {
  const list = page.getByRole("button", { name: /^All \d+ findings/ });
  if (await list.count()) await list.first().click();
  const finding = page.getByRole("listitem").filter({ hasText: words });
  await finding.getByRole("button", { name: title }).first().click();
}

test("Glasshouse with hungry digits gets an outside supply by the jumper it is offered", async ({ page }) => {
  await page.goto("/bench/glasshouse/layout");
  await part(page, "Set point").click();
  const field = tray(page).getByLabel("All segments lit (mA)");
  await field.fill("400");
  await field.press("Enter");
  await goTo(page, "Circuits");
  await expect(section(page, "Current from the source")).toContainText("674 mA");
  await expect(stage(page, "Circuits")).toContainText("to settle");
  await settle(page, /pass the USB 2\.0 port/, "Feed lights and lamps from outside, by a jumper");
  await expect(section(page, /^Outside 5 V/).getByLabel("The jumper stands on")).toHaveValue("outside");
  await expect(stage(page, "Circuits")).toContainText("of 500 mA");
  // The terminal and the jumper are parts of the device now.
  expect(await textOf(await exportAs(page, "Netlist as a table"))).toContain("SUPPLY_JP1");
});

test("60 lights on a 500 mA port come under its limit by the brightness offered", async ({ page }) => {
  await open(page, { ...chainOf(60), name: "Sixty" });
  await expect(stage(page, "Circuits")).toContainText("to settle");
  await settle(page, /pass the USB 2\.0 port/, /^Hold the lights to 17 %$/);
  await expect(section(page, "Light chain").getByLabel("Brightest (%)")).toHaveValue("17");
  await expect(stage(page, "Circuits")).toContainText("of 500 mA");
  await page.keyboard.press("Control+z");
  await expect(section(page, "Light chain").getByLabel("Brightest (%)")).toHaveValue("100");
});

test("a ladder of 12 fails at 5 % on a rippling supply, and holds at 1 %", async ({ page }) => {
  const pads = rowOf("ladder-pad", 12, "small-5v-18", 14);
  const wired = wireAs(pads, "ladder", elementIds(pads));
  const design = changeCircuit<LadderCircuit>(wired, "ladder", { tolerance: 0.05 });
  await open(page, { ...design, name: "Twelve" });
  await sheet(page, "Analog").click();
  const ladder = section(page, "Resistor ladder");
  await ladder.getByLabel("Supply ripple (%)").fill("3");
  await ladder.getByLabel("Supply ripple (%)").press("Enter");
  await expect(ladder).toContainText("-0.08 %");
  await expect(stage(page, "Circuits")).toContainText("to settle");
  await ladder.getByRole("button", { name: /^Build 10,000 by chance/ }).click();
  await expect(ladder.getByRole("status")).toContainText("of them tell every key right");
  await ladder.getByLabel("Tolerance (%)").fill("1");
  await ladder.getByLabel("Tolerance (%)").press("Enter");
  await expect(stage(page, "Circuits")).not.toContainText("to settle");
  // Nonsense is refused at its place, and what was there stays.
  await ladder.getByLabel("Tolerance (%)").fill("none");
  await expect(ladder).toContainText("is not a number");
  await ladder.getByLabel("Tolerance (%)").press("Escape");
  await expect(ladder.getByLabel("Tolerance (%)")).toHaveValue("1");
});

/** A knob on pads that nobody has chosen, beside a display and sixty lights. */
function busyKnob(): Design {
  const kinds: Control["kind"][] = ["encoder", "display", ...Array.from({ length: 60 }, () => "light" as const)];
  const placed = kinds.reduce<Design>(
    (d, kind, n) =>
      addControl(d, kind, `c${n}`, {
        xMm: (n % 14) * 34,
        yMm: 40 * Math.floor(n / 14),
        rotationDeg: 0,
        boardId: "panel",
      }),
    chooseController({ ...newDesign("busy", "Busy knob") }, "small-5v-18"),
  );
  const wired = (["light-chain", "bus-displays", "direct"] as const).reduce(
    (d, kind) => wireAs(d, kind, elementIds(d)),
    placed,
  );
  return changeWish(wired, { turnsPerSecond: 3.5 });
}

test("lights that make a knob lose steps, a display that does not, and the offered cure", async ({ page }) => {
  await open(page, busyKnob());
  await sheet(page, "Time").click();
  await expect(section(page, "One millisecond").getByRole("img")).toHaveAttribute("aria-label", /takes \d\d\d µs/);
  await settle(page, /E1 is not seen for up to 3\.\d ms/, /^Share out pins anew$/);
  await expect(page.getByText(/is not seen for up to/)).toHaveCount(0);
});

/** Sixty lights on a source of their own, over wires too thin to carry what they take without loss. */
function farLights(): Design {
  const chain = changeCircuit<LightChain>(chainOf(60, "small-5v-18", 30), "lights", { colours: 3 });
  return {
    ...chain,
    name: "Far",
    wires: { ...chain.wires, supplyMm2: 0.35 },
    supply: { ...chain.supply, outside: { limitMa: 4000, isChosen: true } },
  };
}

test("a long chain is fed where it needs it: the fewest places are found, wired and taken back", async ({ page }) => {
  await open(page, farLights());
  const lost = page.getByText(/wires of 0\.35 mm² lose/);
  await page.getByRole("button", { name: /^All \d+ findings$/ }).click();
  await expect(lost.first()).toBeVisible();
  const lights = section(page, "Light chain");
  await lights.getByRole("button", { name: "Find where to feed" }).click();
  await expect(lights.getByRole("status")).toContainText(
    /^\d+ places?, fewer are not enough; the light with least has 4\.\d\d V\.$/,
  );
  await expect(lights).toContainText(/Fed once more at LT\d+/);
  await expect(lost).toHaveCount(0);
  // Each place is a wire of supply and one of ground in the list for the bench.
  const wires = await textOf(await exportAs(page, "Wire list"));
  await lights.getByRole("button", { name: "Feed at the start only" }).click();
  await expect(lost.first()).toBeVisible();
  const fewer = await textOf(await exportAs(page, "Wire list"));
  expect(wires.split("\n").length).toBeGreaterThan(fewer.split("\n").length);
});

test("addresses on a bus and the pull-ups that a module carries are told with the bus", async ({ page }) => {
  await page.goto("/bench/kestrel/layout");
  await part(page, "Display").click();
  await tray(page).getByLabel("Own pull-ups, 0: none (Ω)").fill("2200");
  await page.keyboard.press("Enter");
  await goTo(page, "Circuits");
  await sheet(page, "Levels").click();
  const bus = section(page, "Two-wire bus 1");
  await expect(bus.getByRole("table")).toContainText("3C hex");
  await expect(bus).toContainText("Modules carry");
  await expect(bus).toContainText("2.2 kΩ");
  await goTo(page, "Layout");
  await part(page, "Display").click();
  await tray(page).getByLabel("Own pull-ups, 0: none (Ω)").fill("0");
  await page.keyboard.press("Enter");
  await goTo(page, "Circuits");
  await sheet(page, "Levels").click();
  await expect(bus).not.toContainText("Modules carry");
});

test("what an interpreter takes is from memory until someone has measured it", async ({ page }) => {
  await page.goto("/bench/glasshouse/circuits");
  await sheet(page, "Time").click();
  const told = section(page, "Press to report, in Python (from memory)");
  await expect(told).toContainText("105 to 265 an instruction");
  await told.getByLabel("Cycles an instruction").fill("80");
  await page.keyboard.press("Enter");
  const measured = section(page, "Press to report, in Python (as measured)");
  await expect(measured).toBeVisible();
  const row = measured.getByRole("row", { name: /scan and report/ }).getByRole("cell");
  expect(await row.nth(1).textContent()).toBe(await row.nth(3).textContent());
  await measured.getByRole("button", { name: "Back to what memory says" }).click();
  await expect(told).toBeVisible();
});

test("levels show the ways across, and the one taken settles it", async ({ page }) => {
  await open(page, { ...chainOf(5, "dual-core-3v3-26"), name: "Five" });
  await sheet(page, "Levels").click();
  const crossing = section(page, /^Light chain:/);
  await expect(crossing).toContainText("too low");
  await expect(crossing.getByRole("table")).toContainText("open-drain two-way shifter");
  await settle(page, /gives 3\.1 V/, "Put a diode into the lights' supply");
  await expect(crossing).not.toContainText("too low");
});

test("a battery tells how long it lasts, and its caution once", async ({ page }) => {
  await page.goto("/bench/tern/circuits");
  await section(page, "Source").getByLabel("Comes from").selectOption("battery");
  const battery = section(page, "Battery");
  await expect(battery).toContainText("From charge to charge");
  await expect(battery.getByRole("note")).toContainText("Lithium cells burn");
  await battery.getByLabel("A pin measures the pack through a divider").check();
  await expect(battery).toContainText("kΩ over");
  await expect(page.getByRole("note")).toHaveCount(1);
});

test("the lens shows each conductor's load, and the deck can be taken away", async ({ page }) => {
  await page.goto("/bench/glasshouse/circuits");
  await expect(mat(page).getByText("320 mA", { exact: true })).toBeAttached();
  const deck = await textOf(await exportAs(page, "Circuits for a simulator"));
  expect(deck).toContain(".control");
  expect(await textOf(await exportAs(page, "Current table"))).toContain("From the USB 2.0 port");
});

test("the circuits as a drawing: sheet by sheet, large, and saved, with no text on another", async ({ page }) => {
  await page.goto("/bench/reedling/circuits");
  await sheet(page, "Drawing").click();
  const picture = tray(page).getByRole("img", { name: "Circuit drawing, Controller and supply" });
  await expect(picture).toBeVisible();
  await tray(page)
    .getByLabel("Sheet", { exact: true })
    .selectOption({ label: "2. Two ladders: Resistor ladder, 1 of 2" });
  await tray(page).getByRole("button", { name: "Show it large" }).click();
  const large = page.getByRole("dialog");
  await expect(large.getByRole("img", { name: /Two ladders/ })).toBeVisible();
  await page.keyboard.press("Escape");
  const saving = page.waitForEvent("download");
  await tray(page).getByRole("button", { name: "Save all sheets" }).click();
  const svg = await textOf(await saving);
  expect(svg.match(/class="sheet"/g)).toHaveLength(4);
  // As the browser sets the type, whatever typeface it has.
  await page.setContent(svg);
  const meeting = await page.evaluate(() =>
    [...document.querySelectorAll("g.sheet")].flatMap((one) => {
      const texts = [...one.querySelectorAll("text")].map((text) => {
        const { x: left, y: top, width, height } = text.getBBox();
        return { words: text.textContent, left, top, right: left + width, bottom: top + 0.8 * height };
      });
      return texts.flatMap((a, nth) =>
        texts
          .slice(nth + 1)
          .filter((b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
          .map((b) => `${a.words} on ${b.words}`),
      );
    }),
  );
  expect(meeting).toEqual([]);
  expect(await page.evaluate(() => document.querySelectorAll("text").length)).toBeGreaterThan(100);
});
