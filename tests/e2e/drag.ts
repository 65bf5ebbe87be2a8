import type { Page } from "@playwright/test";
import { middleOf, part } from "./bench";

const DRAG_MS = 2000;

/** As text: it runs in the page, whatever compiler this file went through. */
const COUNT_FRAMES = `
  window.frameCount = 0;
  window.countFrames = true;
  const count = () => { window.frameCount += 1; if (window.countFrames) requestAnimationFrame(count); };
  requestAnimationFrame(count);`;
const FRAMES_COUNTED = `window.countFrames = false; window.frameCount`;

/** Drags a key of the open design in circles for two seconds. @returns frames a second while it was dragged */
export async function framesWhileDragging(page: Page, label: string): Promise<number> {
  const { x, y } = await middleOf(part(page, label));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(COUNT_FRAMES);
  const began = Date.now();
  for (let step = 0; Date.now() - began < DRAG_MS; step++) {
    await page.mouse.move(x + 40 * Math.cos(step / 8), y + 40 * Math.sin(step / 8));
  }
  const frames = Number(await page.evaluate(FRAMES_COUNTED));
  const seconds = (Date.now() - began) / 1000;
  await page.mouse.up();
  return frames / seconds;
}
