import { type Page, expect, test } from "@playwright/test";
import type { Design } from "@/core/document/schema";
import { addLayer, bind } from "@/core/edits/keymap";
import { wireAs } from "@/core/edits/wiring";
import { scanTableOf } from "@/core/firmware/scanTable";
import { unlockSwitches } from "@/core/firmware/unlock";
import { designText } from "@/core/formats/designJson";
import { workFolder } from "../firmware/builds";
import { ChipTalk } from "../firmware/chipTalk";
import { contactsOf } from "../firmware/chipWiring";
import { onSmallClass } from "../firmware/onSmallClass";
import { buildUsbHost, imageFiles } from "../firmware/usbChip";
import { keyBlock } from "../support/keyBlock";
import { SHELF, bindByName, goTo, part, tray } from "./bench";
import { plugInHid, withoutHid } from "./standInHid";

/** Nine keys that type letters, with a second layer. */
function letters(): Design {
  const block = keyBlock(3, 3);
  const keys = block.controls.map(({ id }) => `${id}:press`);
  const wired = wireAs(block, "matrix", keys);
  const bound = keys.reduce(
    (d, id, nth) => bind(d, "base", id, { does: "keyboard", usage: 4 + nth, modifiers: 0 }),
    wired,
  );
  const layered = addLayer(bound, "second", "Second");
  return onSmallClass({
    ...layered,
    reportSet: { ...layered.reportSet, interfaces: ["keyboard", "consumer", "live"] },
  });
}
const design = letters();
const first = design.controls[0].label;

async function openDesign(page: Page): Promise<void> {
  await page.goto("/");
  await expect(page.getByRole("article")).toHaveCount(SHELF);
  await page
    .getByLabel("Design files")
    .setInputFiles({ name: "letters.json", mimeType: "application/json", buffer: Buffer.from(designText(design)) });
  await expect(page.getByRole("article")).toHaveCount(SHELF + 1);
  await page.goto(`/bench/${design.id}/keymap`);
  await expect(part(page, first)).toBeVisible();
}
const section = (page: Page) => tray(page).getByRole("region", { name: "On the device" });
const button = (page: Page, name: string) => section(page).getByRole("button", { name });
const told = (page: Page) => section(page).getByRole("status", { name: "Device" });

async function bindFirst(page: Page, query: string): Promise<void> {
  await part(page, first).click();
  await bindByName(page, query);
}

test("a key of the simulated chip is changed from the Keymap stage, kept over a power cut, and undone", async ({
  page,
}) => {
  const folder = workFolder();
  const chip = new ChipTalk(buildUsbHost(), imageFiles(design, folder));
  const scan = scanTableOf(design);
  const contacts = contactsOf(design);
  const contactOf = (elementId: string) => contacts.findIndex((contact) => contact.startsWith(elementId));
  const firstContact = contactOf(scan.switches[0]);
  const pressed = async () => (await chip.press(firstContact)).join(" ");
  let unlocking = Promise.resolve();
  await plugInHid(page, {
    set: async (frame) => {
      await unlocking;
      return (await chip.order(`set ${Buffer.from(frame).toString("hex")}`))[0] === "taken";
    },
    get: async () => {
      await unlocking;
      await chip.pass(5);
      return [...Buffer.from((await chip.order("get"))[0], "hex")];
    },
  });
  await openDesign(page);
  await bindFirst(page, "q");
  await button(page, "Connect a device").click();
  await expect(section(page)).toContainText("Pad in the test");
  await expect(section(page)).toContainText("1 input does otherwise on the device");
  expect(await pressed()).toContain("keyboard 0000040000000000");
  await button(page, "Send to the device").click();
  await expect(told(page)).toContainText(/Hold .* and .* on the device together for two seconds/);
  unlocking = chip.holdTogether(
    unlockSwitches(scan, design)!.map((id) => contactOf(id)),
    2100,
  );
  await expect(told(page)).toContainText("In effect and kept: 1 change.");
  expect(await pressed()).toContain("keyboard 0000140000000000");
  await chip.order("off");
  expect(await pressed()).toContain("keyboard 0000140000000000");
  await button(page, "Undo on the device").click();
  await expect(told(page)).toContainText("together for two seconds");
  unlocking = chip.holdTogether(
    unlockSwitches(scan, design)!.map((id) => contactOf(id)),
    2100,
  );
  await expect(told(page)).toContainText("In effect and kept: all is as it was loaded.");
  expect(await pressed()).toContain("keyboard 0000040000000000");
  await page.evaluate(() => (window as unknown as { unplug(): void }).unplug());
  await button(page, "Read again").click();
  await expect(told(page)).toContainText("The device went away. What was sealed on it stays.");
  await expect(button(page, "Connect a device")).toBeEnabled();
  chip.end();
});

test("the stand-in device is unlocked by hand, changed, pressed, and keeps it over a power cut", async ({ page }) => {
  await openDesign(page);
  await button(page, "Connect the stand-in").click();
  await expect(section(page)).toContainText("The device does as the design says.");
  await expect(button(page, "Send to the device")).toBeDisabled();
  await bindFirst(page, "q");
  await expect(section(page)).toContainText("1 input does otherwise on the device");
  await button(page, `Press ${first}`).click();
  await expect(told(page)).toContainText('types "a"');
  await button(page, "Send to the device").click();
  await expect(told(page)).toContainText("together for two seconds");
  await section(page)
    .getByRole("button", { name: /^Hold / })
    .click();
  await expect(told(page)).toContainText("In effect and kept: 1 change.");
  await button(page, `Press ${first}`).click();
  await expect(told(page)).toContainText('types "q"');
  await button(page, "Cut its power").click();
  await expect(told(page)).toContainText("this is what it kept");
  await button(page, `Press ${first}`).click();
  await expect(told(page)).toContainText('types "q"');
  await button(page, "Undo on the device").click();
  await section(page)
    .getByRole("button", { name: /^Hold / })
    .click();
  await expect(told(page)).toContainText("all is as it was loaded");
  await expect(section(page)).toContainText("1 input does otherwise on the device");
});

test("waiting for a hand can be given up, and another design is told to be loaded again", async ({ page }) => {
  await openDesign(page);
  await button(page, "Connect the stand-in").click();
  // Other keys to unlock it are chosen after it was loaded: it still asks for those that it knows.
  await goTo(page, "Reports");
  await tray(page).getByLabel("Second key").selectOption({ label: design.controls[1].label });
  await goTo(page, "Keymap");
  await bindFirst(page, "q");
  await button(page, "Send to the device").click();
  await expect(told(page)).toContainText(`Hold ${first} and ${design.controls.at(-1)!.label} on the device`);
  await button(page, "Give up").click();
  await expect(told(page)).toContainText("Given up; nothing else was changed.");
  await goTo(page, "Reports");
  await tray(page)
    .getByRole("region", { name: "The device declares" })
    .getByRole("checkbox", { name: "Consumer control" })
    .click();
  await goTo(page, "Keymap");
  await expect(section(page)).toContainText("load it again");
  await expect(button(page, "Send to the device")).toBeDisabled();
  await button(page, "Disconnect").click();
  await expect(button(page, "Connect the stand-in")).toBeEnabled();
});

test("no HID devices, none chosen, a refusal, and a device that says nothing leave a working screen", async ({
  page,
}) => {
  await withoutHid(page, "not chosen");
  await openDesign(page);
  await button(page, "Connect a device").click();
  await expect(told(page)).toContainText("No device was chosen; nothing was changed.");
  await withoutHid(page, "refused");
  await page.reload();
  await button(page, "Connect a device").click();
  await expect(told(page)).toContainText("The browser gives no device");
  await withoutHid(page, "none");
  await page.reload();
  await expect(button(page, "Connect a device")).toBeDisabled();
  await expect(section(page)).toContainText("This browser offers no HID devices");
  await plugInHid(page, { set: async () => true, get: async () => new Array<number>(64).fill(0) });
  await page.reload();
  await button(page, "Connect a device").click();
  await expect(told(page)).toContainText("The device does not answer.", { timeout: 20_000 });
  await bindFirst(page, "q");
  await expect(button(page, "Connect the stand-in")).toBeEnabled();
});

test("of two parts on a line the other one keeps what was sent, and does it when the plug comes to it", async ({
  page,
}) => {
  await page.goto("/bench/loom-64/wiring");
  await page.getByRole("tab", { name: "Apart" }).click();
  const serial = page.getByRole("region", { name: "Two controllers, a serial line" });
  await serial.getByRole("button", { name: "Wire it so" }).click();
  await expect(serial).toContainText("It is wired so now.");
  await goTo(page, "Keymap");
  await button(page, "Declare Live changes").click();
  await button(page, "Connect the stand-in").click();
  await expect(section(page)).toContainText("The device does as the design says.");
  await part(page, "U").click();
  await bindByName(page, "q");
  await button(page, "Press U").click();
  await expect(told(page)).toContainText('types "u"');
  await button(page, "Send to the device").click();
  await section(page)
    .getByRole("button", { name: /^Hold / })
    .click();
  await expect(told(page)).toContainText("In effect and kept: 1 change.");
  await expect(section(page)).toContainText("Passed on to its other partwithin 0.1 s");
  await button(page, "Put its plug into Right half").click();
  await expect(told(page)).toContainText("Its plug is in Right half; this is what that keeps.");
  await expect(section(page)).toContainText("The device does as the design says.");
  await button(page, "Press U").click();
  await expect(told(page)).toContainText('types "q"');
  await button(page, "Cut its power").click();
  await button(page, "Press U").click();
  await expect(told(page)).toContainText('types "q"');
  await expect(button(page, "Put its plug into Left half")).toBeEnabled();
});
