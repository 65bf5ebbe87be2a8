import { type Page, expect, test } from "@playwright/test";
import { goTo, middleOf, part, saved, tray } from "./bench";

const section = (page: Page, name: string) => tray(page).getByRole("region", { name });
const hears = (page: Page) => section(page, "What the music program hears");

/** Holds a part down with the mouse. */
async function hold(page: Page, label: string) {
  const { x, y } = await middleOf(part(page, label));
  await page.mouse.move(x, y);
  await page.mouse.down();
}

test("Reedling plays: notes sound while their pads are touched, its knob is the volume, its push holds them", async ({
  page,
}) => {
  await page.goto("/bench/reedling/try");
  await expect(part(page, "Ready")).toHaveAccessibleName(/, lit$/);
  await expect(section(page, "What the computer types")).toHaveCount(0);
  await hears(page).getByRole("checkbox", { name: "Let me hear it, as plain tones" }).click();
  const strip = (name: string | RegExp) => hears(page).getByRole("img", { name });
  await expect(strip("No note sounds")).toBeVisible();
  await hold(page, "F sharp");
  await expect(strip("Sounding: F♯4")).toBeVisible();
  await page.mouse.up();
  await expect(strip("No note sounds")).toBeVisible();
  await hold(page, "B high");
  await expect(strip("Sounding: B5")).toBeVisible();
  await page.mouse.up();
  const events = hears(page).getByRole("list", { name: "Events of music, the newest first" });
  await expect(events).toContainText("F♯4 on, velocity 96, channel 1");
  await expect(events).toContainText("B5 off, channel 1");
  await tray(page).getByRole("button", { name: "Turn Volume clockwise" }).click();
  await expect(hears(page)).toContainText("controller 7 (channel volume) 3");
  await tray(page).getByRole("button", { name: "Spin Volume" }).click();
  await expect(hears(page)).toContainText("controller 7 (channel volume) 127");
  await expect(page.getByText("The last reports as a list")).toBeVisible();
  await page.getByText("The last reports as a list").click();
  await expect(page.getByText(/ms music 0bb0077f$/).first()).toBeVisible();
});

test("notes are laid over keys in a scale; what runs out is told; a fall and a gap are found, and mended", async ({
  page,
}) => {
  await page.goto("/bench/reedling/keymap");
  const notes = section(page, "Notes on Base");
  const first = notes.getByLabel("First note");
  await first.fill("H4");
  await expect(notes).toContainText('"H4" is no note: C-1 to G9, like C4 or F#3, or a number from 0 to 127.');
  await first.fill("110");
  await first.press("Enter");
  await expect(first).toHaveValue("D8");
  await expect(notes).toContainText("24 notes from D8 on are more than there are: the last is G9.");
  await expect(notes.getByRole("button", { name: "Lay notes over 24 keys" })).toBeDisabled();
  await first.fill("bb2");
  await first.press("Enter");
  await notes.getByLabel("Scale").selectOption({ label: "major" });
  await notes.getByLabel("Rows").selectOption({ label: "far row lowest" });
  await expect(notes).toContainText("A♯2 to D6, from C high on.");
  await notes.getByRole("button", { name: "Lay notes over 24 keys" }).click();
  await expect(part(page, "C high")).toHaveAccessibleName(/, A♯2,/);
  await expect(part(page, "D high")).toHaveAccessibleName(/, D3,/);

  // One of them by hand to where it falls.
  await part(page, "D high").click();
  const note = tray(page).getByLabel("Note", { exact: true });
  await note.fill("C2");
  await note.press("Enter");
  await expect(part(page, "D high")).toHaveAccessibleName(/, C2,/);
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText("On Base D high plays C2, which falls from C3 of C sharp high, left of it.");
  await all
    .getByRole("button", { name: /^Lay the notes anew, rising from C2/ })
    .first()
    .click();
  await expect(all).not.toContainText("which falls from");
});

test("a stick bends the pitch, a key is a pedal, and what the device does not declare is told", async ({ page }) => {
  await page.goto("/bench/kestrel/keymap");
  await part(page, "Slew").click();
  const x = section(page, "Slew X on Base");
  await x.getByLabel("It moves").selectOption({ label: "Controller or pitch of music" });
  await expect(x).toContainText("the pitch");
  const y = section(page, "Slew Y on Base");
  await y.getByLabel("It moves").selectOption({ label: "Controller or pitch of music" });
  await y.getByLabel("It tells").selectOption({ label: "a controller in 14 bits" });
  await y.getByLabel("Its number").fill("64");
  await expect(y).toContainText("Between 0 and 31.");
  await y.getByLabel("Its number").press("Escape");
  await page.getByRole("button", { name: /^All \d+ findings/ }).click();
  const all = page.getByRole("region", { name: "All findings" });
  await expect(all).toContainText(
    'Slew X and Slew Y would report on "Music (MIDI)", which the device does not declare.',
  );
  await all.getByRole("button", { name: "Declare Music (MIDI)" }).click();
  await expect(all).not.toContainText("would report on");
  await part(page, "Stop").click();
  await tray(page).getByLabel("Music", { exact: true }).selectOption({ label: "a controller while held" });
  await expect(part(page, "Stop")).toHaveAccessibleName(/damper pedal/);
  await saved(page);

  await goTo(page, "Try");
  await expect(hears(page)).toContainText("controller 1 (modulation)");
  const { x: atX, y: atY } = await middleOf(part(page, "Slew"));
  await page.mouse.move(atX, atY);
  await page.mouse.down();
  await page.mouse.move(atX + 90, atY, { steps: 4 });
  await expect(hears(page)).toContainText(/pitch \+\d+/);
  await page.mouse.up();
  await expect(hears(page)).not.toContainText(/Channel 1pitch/);
  await hold(page, "Stop");
  await expect(hears(page)).toContainText("controller 64 (damper pedal) 127");
  await page.mouse.up();
  await expect(hears(page)).toContainText("controller 64 (damper pedal) 0");

  await goTo(page, "Reports");
  await expect(page.getByRole("region", { name: "Descriptor of Music (MIDI)" })).toContainText("MIDI Streaming Header");
});
