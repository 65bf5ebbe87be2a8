import { type ChildProcess, spawn } from "node:child_process";
import { type Browser, chromium } from "@playwright/test";
import { framesWhileDragging } from "../../tests/e2e/drag";
import { nextStart, root } from "../prepare.mjs";
import type { Row } from "./row";

const PORT = 4179;
const ADDRESS = `http://127.0.0.1:${PORT}`;
const MOST_KB = 350;
const LEAST_FRAMES = 50;

async function started(): Promise<ChildProcess> {
  const server = spawn(process.execPath, nextStart(PORT), { cwd: root, stdio: "ignore" });
  for (let tries = 0; tries < 100; tries++) {
    if (
      await fetch(`${ADDRESS}/api/demos`).then(
        (answer) => answer.ok,
        () => false,
      )
    )
      return server;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  server.kill();
  throw new Error("the app did not start");
}

/** Compressed bytes of all scripts that come with a first visit to an address. */
async function scriptBytes(browser: Browser, path: string): Promise<number> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const session = await page.context().newCDPSession(page);
  await session.send("Network.enable");
  const scripts = new Set<string>();
  let bytes = 0;
  session.on("Network.responseReceived", ({ requestId, type }) => type === "Script" && scripts.add(requestId));
  session.on("Network.loadingFinished", ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.goto(ADDRESS + path);
  await page.waitForTimeout(2500);
  await page.close();
  return bytes;
}

async function dragRow(browser: Browser): Promise<Row> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${ADDRESS}/bench/loom-64/layout`);
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

/** First load of every screen, and the frame rate of a drag. */
export async function browserRows(): Promise<Row[]> {
  const server = await started();
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  try {
    const rows: Row[] = [];
    for (const screen of ["shelf", "layout", "wiring", "pins", "keymap", "reports", "try"]) {
      const kilobytes = (await scriptBytes(browser, screen === "shelf" ? "/" : `/bench/kestrel/${screen}`)) / 1024;
      rows.push({
        what: `first-load JavaScript, ${screen}, compressed`,
        measured: `${kilobytes.toFixed(0)} KiB`,
        limit: `${MOST_KB} KiB`,
        ratio: MOST_KB / kilobytes,
      });
    }
    return [...rows, await dragRow(browser)];
  } finally {
    await browser.close();
    server.kill();
  }
}
