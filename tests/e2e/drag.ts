import type { Page } from "@playwright/test";
import { part } from "./bench";

const DRAG_MS = 2000;

/** Drags a key of the open design in circles for two seconds. @returns frames a second while it was dragged */
export async function framesWhileDragging(page: Page, label: string): Promise<number> {
  const box = (await part(page, label).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(() => {
    const counter = window as unknown as { frames: number; counting: boolean };
    counter.frames = 0;
    counter.counting = true;
    const count = () => {
      counter.frames += 1;
      if (counter.counting) requestAnimationFrame(count);
    };
    requestAnimationFrame(count);
  });
  const began = Date.now();
  for (let step = 0; Date.now() - began < DRAG_MS; step++) {
    await page.mouse.move(x + 40 * Math.cos(step / 8), y + 40 * Math.sin(step / 8));
  }
  const frames = await page.evaluate(() => {
    const counter = window as unknown as { frames: number; counting: boolean };
    counter.counting = false;
    return counter.frames;
  });
  const seconds = (Date.now() - began) / 1000;
  await page.mouse.up();
  return frames / seconds;
}
