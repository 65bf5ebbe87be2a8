import type { Page } from "@playwright/test";
import { root } from "../prepare.mjs";
import { withApp } from "../shared/app";
import { shootFirstDevice } from "./firstDevice";

const PORT = 4180;

interface Shot {
  name: string;
  path: string;
  night?: boolean;
  prepare?: (page: Page) => Promise<void>;
}

const part = (page: Page, label: string) => page.getByRole("button", { name: new RegExp(`^[A-Z][a-z -]+ ${label},`) });

async function typeOnDevice(page: Page) {
  await page.getByLabel("Contacts bounce, up to 4 ms").check();
  await page.getByRole("textbox", { name: "Typed text" }).focus();
  for (const code of ["KeyW", "KeyA", "KeyR", "KeyP"]) {
    await page.keyboard.down(code);
    await page.waitForTimeout(70);
    await page.keyboard.up(code);
    await page.waitForTimeout(60);
  }
}

const shots: Shot[] = [
  { name: "shelf", path: "/" },
  {
    name: "brief",
    path: "/bench/glasshouse/brief",
    prepare: async (page) => {
      await page.getByRole("button", { name: /^1\. / }).click();
    },
  },
  {
    name: "fit",
    path: "/bench/glasshouse/layout",
    prepare: async (page) => {
      await page.getByRole("tab", { name: "Fit" }).click();
      await page.getByRole("button", { name: /^Look for a seam/ }).click();
      await page.getByRole("button", { name: /^Take seam 1/ }).waitFor();
    },
  },
  {
    name: "reach",
    path: "/bench/loom-64/layout",
    prepare: async (page) => {
      await page.getByRole("tab", { name: "Reach" }).click();
      await page.getByRole("list", { name: "Worst movements" }).scrollIntoViewIfNeeded();
    },
  },
  { name: "layout", path: "/bench/kestrel/layout", prepare: (page) => part(page, "Stop").click() },
  { name: "wiring", path: "/bench/kestrel/wiring", prepare: (page) => part(page, "Mark").click() },
  {
    name: "circuits",
    path: "/bench/glasshouse/circuits",
    prepare: async (page) => {
      await page.getByRole("table", { name: "Rails" }).waitFor();
    },
  },
  {
    name: "make",
    path: "/bench/loom-64/make",
    prepare: async (page) => {
      await page.getByRole("button", { name: /^Begin with step/ }).click();
      for (let nth = 0; nth < 12; nth++) await page.getByRole("button", { name: "Done, next" }).click();
    },
  },
  {
    name: "bring-up",
    path: "/bench/loom-64/bring-up",
    prepare: async (page) => {
      await page.getByRole("button", { name: "Stand-in, I choose" }).click();
      await page.getByLabel("Fault", { exact: true }).selectOption({ label: "the joint of R3 at pin P10 is open" });
      await page.getByRole("button", { name: "Something is wrong: find it" }).click();
      const answer = page.getByRole("table", { name: "Tests made" }).getByRole("row");
      for (let made = 1; made <= 3; made++) {
        await page.getByRole("button", { name: /stand-in do it/ }).click();
        await answer.nth(made).waitFor();
      }
      await page.getByRole("button", { name: "Turn to the solder side" }).click();
    },
  },
  {
    name: "parts",
    path: "/bench/glasshouse/make",
    prepare: async (page) => {
      await page.getByRole("tab", { name: "Parts" }).click();
      const list = page.getByRole("table", { name: "Parts list" }).getByRole("button");
      await list.first().waitFor();
      const names = await list.allTextContents();
      const lines = names.flatMap((name, nth) => [
        `Harbour,"${name}",${1 + (nth % 4)},1`,
        `Fen,"${name}",${nth % 2 ? 0.8 : 1.9},1`,
      ]);
      const buffer = Buffer.from(["supplier,part,price,from", ...lines].join("\n"));
      await page.getByLabel("Table of prices").setInputFiles({ name: "prices.csv", mimeType: "text/csv", buffer });
      await page.getByRole("status", { name: "Cheapest split" }).waitFor();
    },
  },
  {
    name: "pins",
    path: "/bench/loom-64-in-two/pins",
    prepare: async (page) => {
      await page.getByRole("button", { name: "Share out pins" }).first().click();
      await page.getByRole("status", { name: "Last plan" }).waitFor();
      await page.getByText("saved", { exact: true }).waitFor();
    },
  },
  { name: "keymap", path: "/bench/loom-64/keymap", prepare: (page) => part(page, "Signs").click() },
  { name: "reports", path: "/bench/kestrel/reports" },
  { name: "try", path: "/bench/loom-64/try", prepare: typeOnDevice },
  {
    name: "load",
    path: "/bench/kestrel/pins",
    prepare: async (page) => {
      await page.getByRole("button", { name: "Load it", exact: true }).click();
      await page.getByRole("button", { name: "Try it without a board" }).click();
      await page.getByText("The stand-in took").waitFor();
    },
  },
  {
    name: "live",
    path: "/bench/kestrel/keymap",
    prepare: async (page) => {
      const section = page.getByRole("region", { name: "On the device" });
      const press = (name: string | RegExp) => section.getByRole("button", { name }).click();
      await press("Declare Live changes");
      await press("Connect the stand-in");
      await section.getByText("The device does as the design says.").waitFor();
      await part(page, "Mark").click();
      await page.getByRole("combobox", { name: "Search a usage" }).fill("q");
      await page.getByRole("listbox", { name: "Search a usage" }).getByRole("option").first().click();
      await press("Send to the device");
      await press(/^Hold /);
      await section.getByText("In effect and kept").waitFor();
      await part(page, "Faster").click();
      await page.getByRole("combobox", { name: "Search a usage" }).fill("x");
      await page.getByRole("listbox", { name: "Search a usage" }).getByRole("option").first().click();
      await section.getByRole("button", { name: "Cut its power" }).scrollIntoViewIfNeeded();
    },
  },
  {
    name: "journal",
    path: "/bench/kestrel/journal",
    prepare: async (page) => {
      await page
        .getByRole("table", { name: "Journal" })
        .getByRole("row", { name: /Stop is too far/ })
        .getByRole("button")
        .click();
      await page.getByText("For the next revision.").waitFor();
    },
  },
  {
    name: "practice",
    path: "/bench/loom-64/practice",
    prepare: async (page) => {
      await page.getByRole("region", { name: "Practice" }).getByRole("button", { name: "Begin" }).click();
      const line = page.getByRole("textbox", { name: "Line to type" });
      await line.focus();
      for (const sign of [...(await line.textContent())!].slice(0, 22))
        await page.keyboard.press(sign === " " ? "Space" : sign, { delay: 40 });
    },
  },
  {
    name: "case",
    path: "/bench/kestrel/make",
    night: true,
    prepare: async (page) => {
      await page.getByRole("tab", { name: "Case" }).click();
      await page.getByRole("combobox", { name: "It is a" }).selectOption("printed tray");
      await page.getByRole("button", { name: "Add standoffs near the corners" }).click();
      await page.getByRole("textbox", { name: "Rear higher by (°)" }).fill("6");
      await page.keyboard.press("Enter");
      await page.getByRole("img", { name: "Case of Handset in the round: 3 pieces" }).waitFor();
    },
  },
];

await withApp(PORT, async (browser, address) => {
  for (const { name, path, night, prepare } of shots) {
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      colorScheme: night ? "dark" : "light",
      reducedMotion: "reduce",
      locale: "en-GB",
    });
    await page.goto(address + path);
    await page.waitForTimeout(1500);
    await prepare?.(page);
    await page.getByText("The rules look it over").waitFor({ state: "hidden" });
    await page.waitForTimeout(400);
    await page.screenshot({ path: `${root}docs/screenshots/${name}.png` });
    await page.close();
    console.log(`docs/screenshots/${name}.png`);
  }
  await shootFirstDevice(browser, address);
});
