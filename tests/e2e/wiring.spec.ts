import { type Page, expect, test } from "@playwright/test";
import { bindByName, exportAs, goTo, mat, middleOf, part, saved, stage, tap, textOf, tray, typed } from "./bench";

const sheet = (page: Page, name: string) => tray(page).getByRole("tab", { name, exact: true });
const button = (page: Page, name: string | RegExp) => tray(page).getByRole("button", { name });
const section = (page: Page, name: string | RegExp) => tray(page).getByRole("region", { name });

async function newDevice(page: Page) {
  await page.goto("/");
  await page.getByRole("button", { name: "New device" }).click();
  await goTo(page, "Layout");
}

/** Puts so many parts of a kind side by side where the pointer says: the first one brings itself into view. */
async function placeRow(page: Page, kind: string, count: number) {
  await tray(page).getByRole("button", { name: kind, exact: true }).click();
  const middle = await middleOf(mat(page));
  await page.mouse.click(middle.x, middle.y);
  const first = mat(page).locator("[data-control]").first();
  await expect(first).toBeVisible();
  for (let nth = 0; nth < 4; nth++) await page.getByRole("button", { name: /^Zoom out/ }).click();
  const at = await middleOf(first);
  for (let nth = 1; nth < count; nth++) await page.mouse.click(at.x + nth * 95, at.y);
  await page.keyboard.press("Escape");
  await expect(mat(page).locator("[data-control]")).toHaveCount(count);
}

async function milestone(page: Page, name: string): Promise<number> {
  const text = await section(page, name).getByRole("definition").first().innerText();
  return Number(text.replace(/[^\d.]/g, ""));
}

test("Loom 64 is wired by both schools on two controllers", async ({ page }) => {
  test.slow();
  await page.goto("/bench/loom-64/wiring");
  await sheet(page, "Matrix").click();

  // Reading order with the fewest pins: 8 × 8 for 64 switches.
  await tray(page).getByLabel("Lines", { exact: true }).selectOption("fewest-pins");
  await button(page, "Share out in reading order").click();
  // Rows that run over both halves take longer to settle than the firmware waits: told, and settled by a click.
  await page.getByRole("button", { name: /^All \d+ findings$/ }).click();
  await expect(
    page.getByText(/^The lines of Matrix take [\d.]+ µs to rise again, and are read after 6 µs\.$/),
  ).toBeVisible();
  const wait = page.getByRole("button", { name: /^Wait \d+ µs$/ });
  await wait.click();
  await expect(wait).toHaveCount(0);
  // Four more nets cross to the other half than the cable has conductors.
  await page.getByRole("button", { name: "Give it a conductor for each net" }).click();
  await expect(stage(page, "Wiring")).toContainText("8 rows, 8 columns");
  const inOrder = await milestone(page, "Matrix as it stands");

  // Shortest wiring: better plans stream in, it is stopped, and the best one so far is taken.
  await tray(page).getByLabel("School").selectOption("wiring");
  await tray(page).getByLabel("Rows, if given").fill("8");
  await tray(page).getByLabel("Rows, if given").press("Enter");
  await button(page, "Search short wiring").click();
  await expect(tray(page).getByRole("status", { name: "Best plan so far" })).toContainText("Matrix: 8 × 8");
  await button(page, "Stop").click();
  await expect(tray(page).getByText("search ended")).toBeVisible();
  await expect(tray(page).getByText("No plan is below")).toBeVisible();
  await button(page, "Take this plan").click();
  await expect.poll(() => milestone(page, "Matrix as it stands")).toBeLessThan(inOrder);

  // Too few lines are refused in words, and nothing changes.
  await tray(page).getByLabel("Columns, if given").fill("3");
  await tray(page).getByLabel("Columns, if given").press("Enter");
  await button(page, "Search short wiring").click();
  await expect(tray(page).getByRole("alert")).toContainText("too few for the switches");
  await expect(stage(page, "Wiring")).toContainText("8 rows, 8 columns");

  // A matrix for each half, and both controllers' choice.
  await tray(page).getByLabel("Rows, if given").fill("");
  await tray(page).getByLabel("Columns, if given").fill("");
  await tray(page).getByLabel("Columns, if given").press("Enter");
  await tray(page).getByLabel("School").selectOption("reading");
  await tray(page).getByLabel("A matrix for each board, so that no row crosses the gap").check();
  await button(page, "Share out in reading order").click();
  await expect(section(page, "Matrix, Left half as it stands")).toBeVisible();
  await expect(section(page, "Matrix, Right half as it stands")).toBeVisible();
  await goTo(page, "Pins");
  await button(page, "Share out pins").click();
  await expect(tray(page).getByText(/Proven: no plan that meets the same needs/)).toBeVisible();
  await tray(page).getByLabel("Class", { exact: true }).selectOption("mid-3v3-34");
  await expect(
    page.getByText(/nets? moved to another pin; the others keep theirs|Every net keeps its pin/),
  ).toBeVisible();
  await expect(page.getByText("All settled")).toBeVisible();
});

test("one key moved late moves as little as can be, and says what", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await page.getByLabel("Row of Mark").selectOption({ label: "R5" });
  await goTo(page, "Pins");
  await expect(page.getByText("1 net without a pin: R5.")).toBeVisible();
  await button(page, "Move as few as can be").click();
  await expect(tray(page).getByText("1 net moved")).toBeVisible();
  await tray(page).getByText("1 net moved").click();
  await expect(tray(page).getByText(/R5: no pin → P\d+/)).toBeVisible();
  await page.getByRole("button", { name: "Undo: fit in new nets" }).click();
  await expect(page.getByText("1 net without a pin: R5.")).toBeVisible();
});

test("a conflict of pins is explained, and each way out is one click", async ({ page }) => {
  await newDevice(page);
  await placeRow(page, "Pot", 4);
  await goTo(page, "Wiring");
  await button(page, "Everything direct").click();
  await goTo(page, "Pins");
  await tray(page).getByLabel("Class", { exact: true }).selectOption("dual-core-3v3-26");
  const words = "P1, P2, P3 and P4 cannot all have a pin: they need an analog pin, and only 3 pins can serve them";
  await expect(page.getByText(words, { exact: false })).toBeVisible();
  const conflict = section(page, "This cannot be done");
  await expect(conflict.getByText("share 3 pins that can serve them", { exact: false })).toBeVisible();
  await expect(conflict.getByRole("button", { name: /^Take the / })).toBeVisible();
  await expect(conflict.getByRole("button", { name: "Leave out P4" })).toBeVisible();
  await conflict.getByRole("button", { name: /^Read sticks and pots through a multiplexer: 5 pins/ }).click();
  await expect(conflict).toHaveCount(0);
  await expect(stage(page, "Pins")).toContainText("of 26 pins");
  // The tracks of the pots lie across the supply for good, which is a note on a port that sleeps.
  await expect(page.getByText(/^Asleep the device still takes/).first()).toBeVisible();
  await goTo(page, "Wiring");
  await expect(section(page, "Circuits").getByRole("button", { name: /^Multiplexers/ })).toContainText("1 added part");
});

test("the wires are walked, interrupted by a reload, and resumed", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await sheet(page, "Wires").click();
  await expect(tray(page).getByText(/^0 of \d+ done$/)).toBeVisible();
  await button(page, "Walk the wires").click();
  await expect(page.getByText("Solder side up: left and right are mirrored")).toBeVisible();
  const inHand = tray(page).getByRole("status", { name: "Wire in hand" });
  await expect(inHand).toContainText("Rows · wire 1 of");
  for (let nth = 0; nth < 3; nth++) await button(page, "Done, next").click();
  await expect(inHand).toContainText("wire 4 of");
  await button(page, "Skip").click();
  await expect(inHand).toContainText("wire 5 of");
  await saved(page);
  await page.reload();
  await sheet(page, "Wires").click();
  await expect(tray(page).getByText(/^3 of \d+ done$/)).toBeVisible();
  await button(page, "Go on walking").click();
  await expect(inHand).toContainText("wire 4 of");
  await button(page, "Back").click();
  await expect(tray(page).getByLabel("Soldered")).toBeChecked();
  await tray(page).getByLabel("Soldered").uncheck();
  await expect(tray(page).getByText(/^2 of \d+ done$/)).toBeVisible();

  // Longer allowances make longer wires; the sheets say what is done.
  const cut = async () => Number(/Cut\s*(\d+) mm/.exec(await inHand.innerText())![1]);
  const before = await cut();
  await tray(page).getByLabel("At each end (mm)").fill("20");
  await tray(page).getByLabel("At each end (mm)").press("Enter");
  await expect.poll(cut).toBe(before + 30);
  await tray(page).getByLabel("For bends (%)").fill("many");
  await expect(tray(page).getByText('"many" is not a number. Type one like 12.5.')).toBeVisible();
  await tray(page).getByLabel("For bends (%)").press("Escape");
  const list = await textOf(await exportAs(page, "Wire list"));
  expect(list.split("\r\n").filter((line) => line.endsWith(",yes"))).toHaveLength(2);
});

test("Glasshouse: multiplexers, registers and concentric knobs are wired, looked through and work", async ({
  page,
}) => {
  await page.goto("/bench/glasshouse/wiring");
  const circuits = section(page, "Circuits");
  await expect(circuits.getByRole("button", { name: /^Multiplexers/ })).toContainText("4 added parts, 8 pins");
  await expect(circuits.getByRole("button", { name: /^Serial-in registers/ })).toContainText("3 added parts, 4 pins");
  await expect(
    page
      .getByRole("table")
      .getByText(/^channel \d+ of U\d, read on MUX D\d$/)
      .first(),
  ).toBeVisible();

  // A part of the circuit is dragged aside, and its order is changed.
  const chip = mat(page).locator('[data-chip="mux.U1"] rect');
  const from = await middleOf(chip);
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x + 60, from.y + 20, { steps: 5 });
  await page.mouse.up();
  await expect.poll(async () => (await middleOf(chip)).x).toBeGreaterThan(from.x + 40);
  await circuits.getByRole("button", { name: /^Multiplexers/ }).click();
  await tray(page).getByText("Order of its 52 members").click();
  const first = tray(page).getByRole("list", { name: "Order of Multiplexers" }).getByRole("listitem").first();
  const name = await first.innerText();
  await tray(page)
    .getByRole("button", { name: / later$/ })
    .first()
    .click();
  await expect(first).not.toHaveText(name);
  await tray(page).getByLabel("Channels of each").selectOption("8");
  await expect(circuits.getByRole("button", { name: /^Multiplexers/ })).toContainText(/\d added parts, 1\d pins/);
  await page.getByRole("button", { name: /^Undo: change Multiplexers/ }).click();

  // A switch and a knob behind multiplexers reach the computer.
  await goTo(page, "Keymap");
  await part(page, "Dawn").click();
  await bindByName(page, "d");
  await goTo(page, "Try");
  await tap(page, "Dawn");
  await expect(typed(page)).toHaveText("d");
});

test("ghosts: rollover is told, chords are made safe with the fewest diodes", async ({ page }) => {
  await page.goto("/bench/kestrel/wiring");
  await page.getByLabel("Circuit", { exact: true }).or(page.getByText("Select parts on the mat")).first().waitFor();
  await section(page, "Circuits")
    .getByRole("button", { name: /^Matrix/ })
    .click();
  await tray(page).getByLabel("Diodes", { exact: true }).selectOption("none");
  await sheet(page, "Ghosts").click();
  await expect(section(page, "Matrix: rollover")).toContainText("any 2 (2-key)");
  await expect(section(page, "Levels and speed")).toContainText("Lines settle after");

  // Three keys of a rectangle report a fourth.
  const cells = await page.evaluate(() =>
    [...document.querySelectorAll("select[aria-label^='Row of ']")].map((select) => [
      select.getAttribute("aria-label")!.slice(7),
      (select as HTMLSelectElement).value,
      (
        document.querySelector(
          `select[aria-label='Column of ${select.getAttribute("aria-label")!.slice(7)}']`,
        ) as HTMLSelectElement
      ).value,
    ]),
  );
  const keys = cells.filter(([label]) => !label.endsWith(" push"));
  const at = (row: string, column: string) => keys.find(([, r, c]) => r === row && c === column)?.[0];
  const corners = keys.flatMap(([one, r, c]) =>
    keys.flatMap(([, r2, c2]) =>
      r2 !== r && c2 !== c && at(r, c2) && at(r2, c) && at(r2, c2) ? [[one, at(r, c2)!, at(r2, c)!]] : [],
    ),
  );
  const [a, b, c] = corners[0];
  await part(page, a).click();
  for (const label of [b, c]) await part(page, label).click({ modifiers: ["Shift"] });
  await expect(section(page, "Pressed together").getByRole("status")).toContainText("appears too");
  await button(page, "These must be safe together").click();
  await expect(section(page, "Must be safe together")).toContainText("1 ghost");
  await expect(page.getByText(/together will also report/).first()).toBeVisible();
  await section(page, "Must be safe together")
    .getByRole("button", { name: /^Fit 1 diode: / })
    .click();
  await expect(section(page, "Must be safe together")).toContainText("All of them are safe.");
});

test("a chain of lights is ordered, dragged and bridged, and its indices shift", async ({ page }) => {
  await newDevice(page);
  await placeRow(page, "Light", 4);
  await goTo(page, "Wiring");
  await page.keyboard.press("Control+a");
  await tray(page).getByLabel("Circuit", { exact: true }).selectOption({ label: "Light chain" });
  await sheet(page, "Lights").click();
  const order = tray(page).getByRole("list", { name: "Order of Light chain" }).getByRole("listitem");
  await expect(order).toHaveCount(4);
  await expect(order.nth(0)).toContainText("LT1");
  await button(page, "Bridge out LT2").click();
  await expect(order.nth(1)).toContainText("bridged");
  await expect(order.nth(2)).toContainText("index 1, was 2");
  await button(page, "Take LT2 back").click();

  // To another place: by dragging, and with the keyboard.
  const handle = (label: string) => button(page, `Drag ${label} to another place`);
  const from = await middleOf(handle("LT1"));
  const to = await middleOf(handle("LT3"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x, from.y + 10, { steps: 3 });
  await page.mouse.move(to.x, to.y + 4, { steps: 8 });
  await page.mouse.up();
  await expect(order.nth(2)).toContainText("LT1");
  await handle("LT1").focus();
  // What is carried is told aloud; the last place stays the last one, however often it is asked for.
  const told = page.locator("[id^=DndLiveRegion]");
  await page.keyboard.press("Space");
  await expect(told).toContainText(/moved over/);
  const first = await told.textContent();
  await expect(async () => {
    await page.keyboard.press("ArrowDown");
    expect(await told.textContent()).not.toBe(first);
  }).toPass();
  await page.keyboard.press("Space");
  await expect(order.nth(3)).toContainText("LT1");
  await button(page, "Row by row").click();
  await expect(order.nth(0)).toContainText("LT1");
});

test("a net goes round the module with the arrow keys, and wishes keep a side free", async ({ page }) => {
  await page.goto("/bench/tern/pins");
  await tray(page).getByLabel("Rows on neighbouring pins, in their order").check();
  await tray(page).getByLabel("top side free").check();
  await button(page, "Share out pins").click();
  await expect(tray(page).getByText(/Proven/)).toBeVisible();
  await expect(page.getByText("All settled")).toBeVisible();
  const flag = mat(page).locator("[data-net][role=button]").first();
  expect(await flag.getAttribute("aria-label")).toMatch(/ on P\d+$/);
  await flag.focus();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("button", { name: /^Undo: move .* to P\d+$/ })).toBeVisible();
});

test("ways to Loom's other half stand beneath each other; a pad of one part has none", async ({ page }) => {
  await page.goto("/bench/loom-64/wiring");
  await sheet(page, "Apart").click();
  const ways = section(page, /^Ways to /);
  const way = (title: string) => ways.getByRole("region", { name: title });
  await expect(way("One controller, a conductor for each net")).toContainText("Conductors12");
  await expect(way("One controller, a chain of registers there")).toContainText("4 × 74HC165 input register");
  await expect(way("One controller, expanders on a bus there")).toContainText("Conductors4");
  await expect(way("Two controllers, a serial line")).toContainText("0.36 to 1.36 ms");
  await expect(way("A module with a controller, on a bus")).toContainText("4 modules at most");
  await expect(way("Two devices, a plug each")).toContainText("later bynothing");
  await page.goto("/bench/kestrel/wiring");
  await expect(sheet(page, "Wires")).toBeVisible();
  await expect(sheet(page, "Apart")).toHaveCount(0);
});

test("Loom's right half gets a controller of its own, is tried with its line cut, and is a ribbon again by undo", async ({
  page,
}) => {
  test.slow();
  await page.goto("/bench/loom-64/wiring");
  await sheet(page, "Apart").click();
  const serial = section(page, /^Ways to /).getByRole("region", { name: "Two controllers, a serial line" });
  await serial.getByRole("button", { name: "Wire it so" }).click();
  await expect(serial).toContainText("It is wired so now.");
  // Four conductors are left between the halves, and both controllers have all their pins.
  await expect(stage(page, "Pins")).toContainText("28 of 52 pins");
  await expect(page.getByText("All settled: no rule has anything to say.")).toBeVisible();
  await tray(page).getByLabel("Plugs of the line to Right half").selectOption("either-way");
  await page.getByRole("button", { name: /^All \d+ findings$/ }).click();
  await page.getByRole("button", { name: "Take keyed plugs" }).first().click();
  await expect(page.getByText("All settled: no rule has anything to say.")).toBeVisible();

  // Pins: each controller by itself; the right one's rows are shared out anew.
  await goTo(page, "Pins");
  await tray(page).getByLabel("Which").selectOption({ label: "Right half" });
  await expect(section(page, "Pins")).toContainText("Nets with a pin14 of 14");
  await button(page, "Free the unlocked").click();
  await expect(section(page, "Pins")).toContainText("Nets with a pin0 of 14");
  await button(page, "Share out pins").click();
  await expect(section(page, "Pins")).toContainText("Nets with a pin14 of 14");

  // Try: keys of both halves type; a cut line silences the right one only, and joined it speaks again.
  await goTo(page, "Try");
  const line = section(page, "The line between its parts");
  await expect(line.getByRole("status")).toHaveText("Left half and Right half hear each other.");
  const computer = section(page, "What the computer types");
  await part(page, "U").click();
  await part(page, "Q").click();
  await expect(computer).toContainText("uq");
  await expect(line).toContainText(/Press to report, Right half[67] ms/);
  await line.getByLabel("The line is cut").check();
  await expect(line.getByRole("status")).toHaveText("Left half and Right half do not hear each other.");
  await part(page, "I").click();
  await part(page, "W").click();
  await expect(computer).toContainText("uqw");
  await line.getByLabel("The line is cut").uncheck();
  await expect(line.getByRole("status")).toHaveText("Left half and Right half hear each other.");
  // A damaged frame is not taken; the next one makes up for it.
  await line.getByLabel("One byte in 10 on it is damaged").check();
  await expect(line).toContainText(/Frames that did not arrive[1-9]/);
  await line.getByLabel("One byte in 10 on it is damaged").uncheck();
  await line.getByLabel("The computer’s plug is in").selectOption("Right half");
  await part(page, "O").click();
  await part(page, "E").click();
  await expect(computer).toContainText("uqwoe");

  // Load it: files for both parts, each in its folder.
  await page.getByRole("button", { name: "Load it" }).click();
  const loading = page.getByRole("dialog");
  await expect(loading).toContainText("Take the parts apart");
  await expect(loading).toContainText("The archive has a folder for each part");
  const saving = page.waitForEvent("download");
  await loading.getByRole("button", { name: "Save the files" }).click();
  expect((await saving).suggestedFilename()).toMatch(/\.zip$/);
  await loading.getByRole("button", { name: "Close" }).click();

  // Kept over a reload; and back step by step to the ribbon.
  await saved(page);
  await page.reload();
  await expect(section(page, "The line between its parts")).toBeVisible();
  await goTo(page, "Pins");
  await tray(page).getByLabel("Which").selectOption({ label: "Right half" });
  await button(page, "Remove this one").click();
  await expect(tray(page).getByLabel("Which")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(tray(page).getByLabel("Which")).toHaveCount(1);
});

test("a controller of its own is undone in one step", async ({ page }) => {
  await page.goto("/bench/loom-64/wiring");
  await sheet(page, "Apart").click();
  const serial = section(page, /^Ways to /).getByRole("region", { name: "Two controllers, a serial line" });
  await serial.getByRole("button", { name: "Wire it so" }).click();
  await expect(stage(page, "Pins")).toContainText("28 of 52 pins");
  await page.getByRole("button", { name: "Undo", exact: false }).first().click();
  await expect(stage(page, "Pins")).toContainText("of 26 pins");
  await expect(serial.getByRole("button", { name: "Wire it so" })).toBeVisible();
});
