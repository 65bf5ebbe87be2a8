import type { Page } from "@playwright/test";
import type { StandInLoader } from "@/core/loader/standInLoader";

/** Puts a serial port into the page, with the browser's own method names, whose other end is a loader in the test. */
export async function plugIn(page: Page, loader: StandInLoader): Promise<void> {
  await page.exposeFunction("loaderHears", (bytes: number[]) => [...loader.hear(bytes)]);
  await page.addInitScript(() => {
    const hears = (bytes: number[]) =>
      (window as unknown as { loaderHears(bytes: number[]): Promise<number[]> }).loaderHears(bytes);
    let out: ReadableStreamDefaultController<Uint8Array>;
    const port = {
      readable: null as ReadableStream<Uint8Array> | null,
      writable: null as WritableStream<Uint8Array> | null,
      async open() {
        port.readable = new ReadableStream({ start: (controller) => void (out = controller) });
        port.writable = new WritableStream({
          write: async (bytes: Uint8Array) => out.enqueue(Uint8Array.from(await hears([...bytes]))),
        });
      },
      async close() {},
    };
    Object.defineProperty(navigator, "serial", { value: { requestPort: async () => port }, configurable: true });
  });
}

/** As if the browser had no serial ports, or its question were closed without a choice. */
export const withoutPort = (page: Page, how: "none" | "not chosen") =>
  page.addInitScript((what) => {
    const requestPort = () => Promise.reject(new DOMException("No port selected by the user.", "NotFoundError"));
    const value = what === "none" ? undefined : { requestPort };
    Object.defineProperty(navigator, "serial", { value, configurable: true });
  }, how);
