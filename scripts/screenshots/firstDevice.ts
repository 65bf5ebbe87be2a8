import type { Browser, Page } from "@playwright/test";
import { root } from "../prepare.mjs";

const part = (page: Page, label: string) => page.getByRole("button", { name: new RegExp(`^[A-Z][a-z -]+ ${label},`) });
const stage = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Job card" }).getByRole("link", { name: new RegExp(`^\\d+\\s*${name}`) });

async function bindHere(page: Page, query: string) {
  await page.getByRole("combobox", { name: "Search a usage" }).fill(query);
  await page.getByRole("listbox", { name: "Search a usage" }).getByRole("option").first().click();
}

async function bind(page: Page, label: string, query: string) {
  await part(page, label).click();
  await bindHere(page, query);
}

async function placeKnob(page: Page) {
  await page.getByRole("complementary", { name: "Tray" }).getByRole("button", { name: "Encoder", exact: true }).click();
  const corner = (await part(page, "K3").boundingBox())!;
  await page.mouse.click(corner.x + corner.width * 1.8, corner.y + corner.height / 2);
  await page.keyboard.press("Escape");
}

const KEYS = ["h", "i", "Enter", "Backspace", "Arrow up", "Tab", "Arrow left", "Arrow down", "Arrow right"];

const KNOB = [
  ["turned anticlockwise", "volume down"],
  ["push", "mute"],
  ["turned clockwise", "volume up"],
];

/** The way of docs/first-device.md: what is done before each of its pictures, by the picture's name. */
const steps: [name: string, work: (page: Page) => Promise<void>][] = [
  ["1-shelf", async (page) => page.getByRole("button", { name: "New device" }).hover()],
  [
    "2-layout",
    async (page) => {
      await page.getByRole("button", { name: "New device" }).click();
      await stage(page, "Layout").click();
      await page.getByRole("button", { name: "Place the shape" }).click();
      await part(page, "K9").waitFor();
      await placeKnob(page);
      await page.getByRole("button", { name: /^Fit/ }).first().click();
    },
  ],
  [
    "3-wiring",
    async (page) => {
      await stage(page, "Wiring").click();
      await page.getByRole("button", { name: "Fewest pins" }).click();
    },
  ],
  [
    "4-pins",
    async (page) => {
      await stage(page, "Pins").click();
      await page.getByLabel("Class", { exact: true }).selectOption("small-5v-18");
      await page.getByRole("button", { name: "Share out pins" }).first().click();
      await page.getByRole("status", { name: "Last plan" }).waitFor();
      await page.getByRole("button", { name: /^Fit/ }).first().click();
    },
  ],
  [
    "5-keymap",
    async (page) => {
      await stage(page, "Keymap").click();
      for (const [nth, query] of KEYS.entries()) await bind(page, `K${nth + 1}`, query);
      await part(page, "E1").click();
      for (const [movement, query] of KNOB) {
        await page.getByLabel("Movement").selectOption({ label: `E1 ${movement}` });
        await bindHere(page, query);
      }
    },
  ],
  [
    "6-try",
    async (page) => {
      await stage(page, "Try").click();
      for (const label of ["K1", "K2"]) {
        await part(page, label).hover();
        await page.mouse.down();
        await page.waitForTimeout(70);
        await page.mouse.up();
        await page.waitForTimeout(70);
      }
    },
  ],
  [
    "7-load",
    async (page) => {
      await page.getByRole("button", { name: "Load it", exact: true }).click();
      await page.getByRole("button", { name: "Save the file" }).waitFor();
    },
  ],
];

/** The pictures of docs/first-device.md, made on the way itself. */
export async function shootFirstDevice(browser: Browser, address: string): Promise<void> {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 800 },
    colorScheme: "light",
    reducedMotion: "reduce",
    locale: "en-GB",
  });
  await page.goto(address);
  await page.getByRole("article").nth(3).waitFor();
  for (const [name, work] of steps) {
    await work(page);
    await page.waitForTimeout(900);
    await page.getByText("The rules look it over").waitFor({ state: "hidden" });
    await page.screenshot({ path: `${root}docs/first-device/${name}.png` });
    console.log(`docs/first-device/${name}.png`);
  }
  await page.close();
}
