import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { type Page, expect, test } from "@playwright/test";
import { StandInLoader } from "@/core/loader/standInLoader";
import { derive } from "@/core/derived/derive";
import { addLayer, bind } from "@/core/edits/keymap";
import { wireAs } from "@/core/edits/wiring";
import { designText } from "@/core/formats/designJson";
import { readDesignText } from "@/core/formats/readDesignText";
import { usb8Processor } from "../../scripts/buildFirmware.mjs";
import { play, workFolder } from "../firmware/builds";
import { chipWiring, contactsOf } from "../firmware/chipWiring";
import { onSmallClass } from "../firmware/onSmallClass";
import { PairTalk } from "../firmware/pairTalk";
import { buildUsbHost, flashFiles } from "../firmware/usbChip";
import { keyBlock } from "../support/keyBlock";
import { SHELF, bindByName, emptyShelf, exportAs, goTo, part, stage, textOf } from "./bench";
import { plugIn, withoutPort } from "./standInPort";

const openLoad = (page: Page) => page.getByRole("button", { name: "Load it", exact: true }).click();
const panel = (page: Page) => page.getByRole("dialog", { name: /^Load .* into its controller$/ });
const openDemo = async (page: Page, id: string) => {
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  await page.goto(`/bench/${id}/pins`);
};

test("from an empty shelf to a pad whose image types hi on the simulated chip", async ({ page }) => {
  const loader = new StandInLoader();
  await plugIn(page, loader);
  await emptyShelf(page);
  await page.getByRole("button", { name: "New device" }).click();
  await goTo(page, "Layout");
  await page.getByRole("button", { name: "Place the shape" }).click();
  await expect(part(page, "K9")).toBeVisible();
  await goTo(page, "Wiring");
  await page.getByRole("button", { name: "Fewest pins" }).click();
  await expect(stage(page, "Wiring")).toContainText("3 rows, 3 columns");
  await openLoad(page);
  await expect(panel(page)).toContainText("This design has no controller yet");
  await panel(page).getByRole("button", { name: "To Pins" }).click();
  await page.getByLabel("Class", { exact: true }).selectOption("small-5v-18");
  await openLoad(page);
  await expect(panel(page)).toContainText("has no pin of the chip for R1; share out the pins first");
  await page.getByRole("button", { name: "Close" }).click();
  await page.getByRole("button", { name: "Share out pins" }).first().click();
  await expect(stage(page, "Pins")).toContainText("6 of 18 pins");
  await goTo(page, "Keymap");
  for (const [label, query] of [
    ["K1", "h"],
    ["K2", "i"],
  ]) {
    await part(page, label).click();
    await bindByName(page, query);
  }
  const file = await textOf(await exportAs(page, "Design file"));
  await openLoad(page);
  await panel(page).getByRole("button", { name: "Choose the port and load" }).click();
  await expect(panel(page)).toContainText("read back without a difference");

  // What the loader's flash now holds goes onto the simulated chip, and two fingers press its keys.
  const read = readDesignText(file);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const design = read.value;
  const folder = workFolder();
  const [flash, wiring] = [join(folder, "flash.bin"), join(folder, "wiring.txt")];
  writeFileSync(flash, loader.flash);
  writeFileSync(wiring, chipWiring(design));
  const contactOf = (label: string) => {
    const control = derive(design).controls.get(design.controls.find((one) => one.label === label)!.id)!;
    return contactsOf(design).findIndex((contact) => contact.startsWith(`${control.id}:`));
  };
  const [h, i] = [contactOf("K1"), contactOf("K2")];
  const script = `30 contact ${h} 1\n60 contact ${h} 0\n90 contact ${i} 1\n120 contact ${i} 0\n160 end\n`;
  const { output } = play(buildUsbHost(), [usb8Processor(), flash, wiring], script);
  // Usages 0B and 0C are h and i (USB HID Usage Tables, keyboard page).
  expect([...output.matchAll(/keyboard 0000(\w\w)/g)].map(([, usage]) => usage)).toEqual(["0b", "00", "0c", "00"]);
});

test("the halves of a device are loaded one after the other, and type as one on two joined chips", async ({ page }) => {
  test.slow();
  const loader = new StandInLoader();
  await plugIn(page, loader);
  await page.goto("/bench/loom-64/wiring");
  await page.getByRole("tab", { name: "Apart" }).click();
  const serial = page.getByRole("region", { name: "Two controllers, a serial line" });
  await serial.getByRole("button", { name: "Wire it so" }).click();
  await expect(serial).toContainText("It is wired so now.");
  await goTo(page, "Pins");
  for (const half of ["Left half (main)", "Right half"]) {
    await page.getByLabel("Which", { exact: true }).selectOption({ label: half });
    // Each controller's class is weighed by what it serves itself.
    const classes = page.getByRole("region", { name: "Classes for 14 nets" });
    await expect(classes).toContainText("18 usable, 4 to spare");
    await classes.getByRole("button", { name: "Take the Small 5 V USB board, 18 I/O" }).click();
    await page.getByRole("button", { name: "Share out pins" }).first().click();
    await expect(page.getByRole("region", { name: "Pins", exact: true })).toContainText("Nets with a pin14 of 14");
  }
  const text = await textOf(await exportAs(page, "Design file"));

  await openLoad(page);
  const dialog = page.getByRole("dialog", { name: "Load Loom 64 into its controllers" });
  const flashes: Uint8Array[] = [];
  for (const half of ["Left half", "Right half"]) {
    await dialog.getByLabel("Part that is loaded now").selectOption({ label: half });
    await expect(dialog).not.toContainText("read back without a difference");
    await dialog.getByRole("button", { name: "Choose the port and load" }).click();
    await expect(dialog).toContainText("read back without a difference");
    flashes.push(Uint8Array.from(loader.flash));
  }
  expect(Buffer.compare(Buffer.from(flashes[0]), Buffer.from(flashes[1]))).not.toBe(0);
  const saving = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Save the files of all parts" }).click();
  expect((await saving).suggestedFilename()).toBe("loom-64-images.zip");

  // Each chip gets what its loader's flash held, the plug is in the right one, and a finger presses a key of each half.
  const read = readDesignText(text);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  const design = read.value;
  const folder = workFolder();
  const files = flashes.map((flash, nth) => flashFiles(design, folder, [{ at: 0, bytes: flash }], nth));
  const pair = new PairTalk(buildUsbHost(), files, folder, 1);
  const contactOf = (label: string) => {
    const { id } = design.controls.find((control) => control.label === label)!;
    return contactsOf(design).findIndex((contact) => contact.startsWith(`${id}:`));
  };
  await pair.pass(20);
  for (const [half, label] of [
    [0, "Q"],
    [1, "U"],
  ] as const) {
    await pair.parts[half].order(`contact ${contactOf(label)} 1`);
    await pair.pass(30);
    await pair.parts[half].order(`contact ${contactOf(label)} 0`);
    await pair.pass(30);
  }
  const typed = pair.parts[1].told.flatMap((line) => /^\d+ keyboard (\w+)$/.exec(line)?.[1] ?? []);
  pair.end();
  // Usages 14 and 18 are q and u (USB HID Usage Tables, keyboard page).
  expect(typed).toEqual(["0000140000000000", "0".repeat(16), "0000180000000000", "0".repeat(16)]);
});

test("a board that is not chosen, another chip and a silent port leave a working panel", async ({ page, context }) => {
  await withoutPort(page, "not chosen");
  await openDemo(page, "kestrel");
  await openLoad(page);
  await panel(page).getByRole("button", { name: "Choose the port and load" }).click();
  await expect(panel(page).getByText("No port was chosen; nothing was written.")).toBeVisible();
  await panel(page).getByRole("button", { name: "Try it without a board" }).click();
  await expect(panel(page)).toContainText("The stand-in took");

  const other = await context.newPage();
  await plugIn(other, new StandInLoader({ signature: [0x0f, 0x95, 0x1e] }));
  await openDemo(other, "kestrel");
  await openLoad(other);
  await panel(other).getByRole("button", { name: "Choose the port and load" }).click();
  await expect(panel(other)).toContainText("Another chip answers (0f 95 1e)");

  const silent = await context.newPage();
  await plugIn(silent, new StandInLoader({ silentAfter: 0 }));
  await openDemo(silent, "kestrel");
  await openLoad(silent);
  await panel(silent).getByRole("button", { name: "Choose the port and load" }).click();
  await expect(panel(silent)).toContainText("The board does not answer. Press its reset button twice");
});

test("a browser without serial ports saves the file instead", async ({ page }) => {
  await withoutPort(page, "none");
  await openDemo(page, "kestrel");
  await openLoad(page);
  await expect(panel(page)).toContainText("This browser reaches no serial ports");
  const download = page.waitForEvent("download");
  await panel(page).getByRole("button", { name: "Save the file" }).click();
  expect(await textOf(await download)).toMatch(/^:10000000[\s\S]*:00000001FF\n$/);
});

test("each class says how it is loaded", async ({ page }) => {
  await openDemo(page, "kestrel");
  const classField = page.getByLabel("Class", { exact: true });
  await classField.selectOption("dual-core-3v3-26");
  await page.getByRole("button", { name: "Share out pins" }).first().click();
  await openLoad(page);
  await expect(panel(page)).toContainText(/\d\.\d to \d\.\d ms/);
  const download = page.waitForEvent("download");
  await panel(page).getByRole("button", { name: "Save the files" }).click();
  expect((await download).suggestedFilename()).toBe("kestrel-firmware-python.zip");
  await page.getByRole("button", { name: "Close" }).click();
  await classField.selectOption("mid-3v3-34");
  await openLoad(page);
  await expect(panel(page)).toContainText("This class needs a compiler");
  await expect(panel(page)).toContainText("Small 5 V USB board, 18 I/O: a finished image");
});

test("a design that is too large for the chip is told before, with the bytes", async ({ page }) => {
  const keys = keyBlock(15, 8);
  let design = wireAs(keys, "input-registers", [...derive(keys).elements.keys()]);
  for (let layer = 1; layer < 16; layer++) design = addLayer(design, `l${layer}`, `Layer ${layer}`);
  const large = { ...onSmallClass(bind(design, "l1", "k1:press", { does: "nothing" })), name: "Wall of keys" };
  const path = join(workFolder(), "wall.ovrin.json");
  writeFileSync(path, designText(large));
  await emptyShelf(page);
  await page.getByLabel("Design files").setInputFiles(path);
  await page.getByRole("link", { name: "Open Wall of keys" }).click();
  await expect(stage(page, "Layout")).toContainText("120 placed");
  await openLoad(page);
  await expect(panel(page)).toContainText(
    /needs \d+ bytes for the tables; the chip has \d{4}, without live changes there are \d{4}/,
  );
  await expect(panel(page).getByRole("button", { name: "Choose the port and load" })).toHaveCount(0);
});
