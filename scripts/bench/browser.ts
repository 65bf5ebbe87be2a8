import type { Browser } from "@playwright/test";
import { part } from "../../tests/e2e/bench";
import { framesWhileDragging } from "../../tests/e2e/drag";
import { keyboardOf } from "../../tests/firmware/keyboard64";
import { withApp } from "../shared/app";
import type { Row } from "./row";

const PORT = 4179;
const MOST_KB = 300;
const LEAST_FRAMES = 50;

/** Compressed bytes of all scripts that come with a first visit to an address. */
async function scriptBytes(browser: Browser, address: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const session = await page.context().newCDPSession(page);
  await session.send("Network.enable");
  const scripts = new Set<string>();
  let bytes = 0;
  session.on("Network.responseReceived", ({ requestId, type }) => type === "Script" && scripts.add(requestId));
  session.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.goto(address);
  await page.waitForTimeout(2500);
  await page.close();
  return bytes;
}

async function dragRow(browser: Browser, address: string): Promise<Row> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/bench/loom-64/layout`);
  await page.getByRole("button", { name: /^Key F,/ }).waitFor();
  const rate = await framesWhileDragging(page, "F");
  await page.close();
  return {
    what: "drag of a key on Loom 64, two seconds",
    measured: `${rate.toFixed(1)} frames a second`,
    limit: `${LEAST_FRAMES} a second`,
    ratio: rate / LEAST_FRAMES,
  };
}

/** Forty of 120 keys, framed on the mat and dragged together. */
async function dragFortyRow(browser: Browser, address: string): Promise<Row> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(address);
  await page.getByRole("article").first().waitFor();
  const design = { ...keyboardOf(6, 20, 1), id: "forty", name: "Forty" };
  await page.locator('input[type="file"]').setInputFiles({
    name: "forty.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(design)),
  });
  await page.getByRole("link", { name: "Open Forty" }).click();
  await part(page, "K1").waitFor();
  const [first, last] = [(await part(page, "K1").boundingBox())!, (await part(page, "K40").boundingBox())!];
  await page.mouse.move(first.x - 8, first.y - 8);
  await page.mouse.down();
  await page.mouse.move(last.x + last.width - 4, last.y + last.height - 4, { steps: 4 });
  await page.mouse.up();
  await page.getByText("40 selected").waitFor();
  const rate = await framesWhileDragging(page, "K21");
  await page.close();
  return {
    what: "drag of 40 selected keys of 120, two seconds",
    measured: `${rate.toFixed(1)} frames a second`,
    limit: `${LEAST_FRAMES} a second`,
    ratio: rate / LEAST_FRAMES,
  };
}

/** First load of every screen, and the frame rate of a drag. */
export const browserRows = (): Promise<Row[]> =>
  withApp(PORT, async (browser, address) => {
    const rows: Row[] = [];
    for (const screen of ["shelf", "brief", "layout", "wiring", "pins", "circuits", "keymap", "reports", "try"]) {
      const path = screen === "shelf" ? "/" : `/bench/kestrel/${screen}`;
      const kilobytes = (await scriptBytes(browser, address + path)) / 1024;
      rows.push({
        what: `first-load JavaScript, ${screen}, compressed`,
        measured: `${kilobytes.toFixed(0)} KiB`,
        limit: `${MOST_KB} KiB`,
        ratio: MOST_KB / kilobytes,
      });
    }
    return [...rows, await dragRow(browser, address), await dragFortyRow(browser, address)];
  });
