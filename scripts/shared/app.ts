import { type ChildProcess, spawn } from "node:child_process";
import { type Browser, chromium } from "@playwright/test";
import { nextStart, root } from "../prepare.mjs";

const answers = (address: string) =>
  fetch(`${address}/api/demos`).then(
    (answer) => answer.ok,
    () => false,
  );

async function start(port: number): Promise<ChildProcess> {
  const server = spawn(process.execPath, nextStart(port), { cwd: root, stdio: "ignore" });
  for (let tries = 0; tries < 100; tries++) {
    if (await answers(`http://127.0.0.1:${port}`)) return server;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  server.kill();
  throw new Error("the app did not start");
}

/** Starts the built app and a browser, and ends both when the work is done. */
export async function withApp<T>(port: number, work: (browser: Browser, address: string) => Promise<T>): Promise<T> {
  const server = await start(port);
  const browser = await chromium.launch({
    executablePath: "/usr/bin/chromium",
    args: ["--no-sandbox", "--disable-gpu"],
  });
  try {
    return await work(browser, `http://127.0.0.1:${port}`);
  } finally {
    await browser.close();
    server.kill();
  }
}
