import { type Page, expect, test } from "@playwright/test";
import { goTo, part, tray } from "./bench";

const section = (page: Page, name: string) => tray(page).getByRole("region", { name });
const isLit = (page: Page, label: string) => expect(part(page, label), label).toHaveAttribute("aria-label", / lit/);
const isDark = (page: Page, label: string) =>
  expect(part(page, label), label).not.toHaveAttribute("aria-label", / lit/);

test("Glasshouse's lamps show what the computer tells, by hand and by a day that goes by", async ({ page }) => {
  await page.goto("/bench/glasshouse/try");
  const told = section(page, "What the computer tells");
  await isDark(page, "Vent 3 on");
  await told.getByRole("checkbox", { name: "Vent 3 on" }).click();
  await isLit(page, "Vent 3 on");
  await told.getByRole("button", { name: "Tell nothing" }).click();
  await isDark(page, "Vent 3 on");
  await told.getByRole("button", { name: "Let a day go by" }).click();
  await isLit(page, "Blind 8 on");
  await isDark(page, "Blind 8 on");
  await told.getByRole("button", { name: "Stop the day" }).click();
});

test("flags and values are named, shown by a lamp, and what is missing is told", async ({ page }) => {
  await page.goto("/bench/tern/reports");
  await section(page, "The device declares").getByRole("checkbox", { name: "Panel that the computer tells" }).click();
  const told = section(page, "What the computer tells");
  await told.getByRole("button", { name: "One flag more" }).click();
  await told.getByRole("button", { name: "One value more" }).click();
  const flag = told.getByRole("region", { name: "Flags" }).getByLabel("1", { exact: true });
  await flag.fill("");
  await expect(told).toContainText("A name of 1 to 40 characters.");
  await flag.fill("constructor");
  await flag.press("Enter");

  await goTo(page, "Keymap");
  await part(page, "Locked").click();
  const lamp = section(page, "Lamp Locked");
  await lamp.getByLabel("Shows", { exact: true }).selectOption({ label: "how far the value of value 1 is" });
  await expect(lamp.getByLabel("Lit from, of 255")).toHaveValue("1");
  await lamp.getByLabel("Shows", { exact: true }).selectOption({ label: "that the computer says “constructor”" });

  await goTo(page, "Try");
  await section(page, "What the computer tells").getByRole("checkbox", { name: "constructor" }).click();
  await isLit(page, "Locked");

  await goTo(page, "Reports");
  await section(page, "The device declares").getByRole("checkbox", { name: "Panel that the computer tells" }).click();
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText('Locked would show what is told on "Panel that the computer tells"');
  await all.getByRole("button", { name: "Declare Panel that the computer tells" }).click();
  await expect(all).not.toContainText("would show what is told");
});

test("without a report lines over a serial port tell a lamp; what is no line changes nothing", async ({ page }) => {
  await page.goto("/bench/tern/reports");
  await section(page, "The device declares")
    .getByRole("checkbox", { name: "No report, but lines over a serial port tell what is shown" })
    .click();
  const told = section(page, "What the computer tells");
  await expect(told.getByRole("checkbox", { name: "Lines of text over a serial port tell it too" })).toBeChecked();
  await told.getByRole("button", { name: "One flag more" }).click();
  await goTo(page, "Keymap");
  await part(page, "Locked").click();
  await section(page, "Lamp Locked")
    .getByLabel("Shows", { exact: true })
    .selectOption({ label: "that the computer says “flag 1”" });
  await goTo(page, "Try");
  await isDark(page, "Locked");
  const says = section(page, "What the computer tells");
  const line = says.getByLabel("A line over the serial port");
  const sent = says.getByRole("list", { name: "Lines sent, the newest first" });
  await line.fill("flag 1 1");
  await line.press("Enter");
  await isLit(page, "Locked");
  await expect(says.getByRole("checkbox", { name: "flag 1" })).toBeChecked();
  await line.fill("flag 1 zero");
  await line.press("Enter");
  await expect(sent).toContainText("flag 1 zero (nothing changes)");
  await isLit(page, "Locked");
  // The tick is told in a line too.
  await says.getByRole("checkbox", { name: "flag 1" }).click();
  await isDark(page, "Locked");
});

test("a device that takes lines is a serial port: told byte by byte, on the bus, and in what is written", async ({
  page,
}) => {
  await page.goto("/bench/tern/reports");
  await section(page, "The device declares")
    .getByRole("checkbox", { name: "No report, but lines over a serial port tell what is shown" })
    .click();
  const descriptor = page.getByRole("region", { name: "Descriptor of Serial port for lines" });
  await expect(descriptor).toContainText("Serial port for lines, 66 bytes");
  await expect(descriptor.getByRole("row", { name: /Interface Association/ })).toContainText("08 0B");
  await expect(section(page, "On the bus")).toContainText(/Serial port for lines\s*endpoints \d to \d, 64 bytes/);
  await goTo(page, "Try");
  await expect(tray(page).getByRole("region", { name: "The computer", exact: true })).toContainText("serial port");
});

test("notes that the computer plays light a lamp; what no message is, is told", async ({ page }) => {
  await page.goto("/bench/tern/reports");
  const declares = section(page, "The device declares");
  const byNotes = declares.getByRole("checkbox", {
    name: "No report, but notes that the computer plays tell what is shown",
  });
  await expect(byNotes).toHaveCount(0);
  await declares.getByRole("checkbox", { name: "Music (MIDI)" }).click();
  await byNotes.click();
  const told = section(page, "What the computer tells");
  await expect(told.getByRole("checkbox", { name: "Notes that the computer plays tell it too" })).toBeChecked();
  await told.getByRole("button", { name: "One flag more" }).click();
  await told.getByRole("button", { name: "One value more" }).click();
  const first = told.getByLabel("Note of flag 1");
  await first.fill("H9");
  await first.press("Enter");
  await expect(told).toContainText('"H9" is no note');
  await first.fill("D4");
  await first.press("Enter");
  await told.getByLabel("Channel").fill("3");
  await told.getByLabel("Channel").press("Enter");
  await expect(told).toContainText("A flag is on while its note sounds: D4.");
  await expect(page.getByRole("region", { name: "Descriptor of Music (MIDI)" })).toContainText("goes on to the lamps");
  await goTo(page, "Keymap");
  await part(page, "Locked").click();
  await section(page, "Lamp Locked")
    .getByLabel("Shows", { exact: true })
    .selectOption({ label: "that the computer says “flag 1”" });
  await goTo(page, "Try");
  await isDark(page, "Locked");
  const says = section(page, "What the computer tells");
  const message = says.getByLabel("A message that it plays");
  const sent = says.getByRole("list", { name: "Messages sent, the newest first" });
  await message.fill("92 3e 7f");
  await message.press("Enter");
  await isLit(page, "Locked");
  await expect(says.getByRole("checkbox", { name: "flag 1" })).toBeChecked();
  await message.fill("f0 3e 7f");
  await message.press("Enter");
  await expect(says).toContainText('"f0 3e 7f" is no message of a channel');
  await message.fill("903e00");
  await message.press("Enter");
  await expect(sent).toContainText("90 3E 00 (nothing changes)");
  await isLit(page, "Locked");
  await message.fill("B2 7B 00");
  await message.press("Enter");
  await isDark(page, "Locked");
  await message.fill("B2 14 40");
  await message.press("Enter");
  await expect(says.getByLabel("Tell value 1")).toHaveValue("129");
  // A tick is told by a note too.
  await says.getByRole("checkbox", { name: "flag 1" }).click();
  await isLit(page, "Locked");
});
