import { chromium } from "@playwright/test";
export async function run(work: (page: import("@playwright/test").Page, shot: (n: string) => Promise<void>) => Promise<void>) {
  const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox","--disable-gpu"] });
  const page = await b.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: "reduce", locale: "en-GB" });
  page.on("console", m => m.type()==="error" && console.log("console:", m.text()));
  page.on("pageerror", e => console.log("pageerror:", e.message));
  try { await work(page, async n => { await page.screenshot({ path: `/tmp/${n}.png` }); }); } finally { await b.close(); }
}
export const A = "http://127.0.0.1:4170";
