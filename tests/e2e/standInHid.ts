import type { Page } from "@playwright/test";

/** What answers on the other end: feature reports of 64 bytes, there and back. */
export interface FarEnd {
  set(frame: number[]): Promise<boolean>;
  get(): Promise<number[]>;
}

/** Puts a HID device into the page, with the browser's own method names, whose other end is in the test. */
export async function plugInHid(page: Page, far: FarEnd): Promise<void> {
  await page.exposeFunction("deviceHears", (frame: number[]) => far.set(frame));
  await page.exposeFunction("deviceSays", () => far.get());
  await page.addInitScript(() => {
    const ends = window as unknown as {
      deviceHears(frame: number[]): Promise<boolean>;
      deviceSays(): Promise<number[]>;
      unplug(): void;
    };
    const leaving: ((event: { device: unknown }) => void)[] = [];
    const device = {
      opened: false,
      productName: "Pad in the test",
      collections: [
        { usagePage: 0xff00, usage: 1, featureReports: [{ reportId: 0 }], inputReports: [], outputReports: [] },
      ],
      isGone: false,
      async open() {
        device.opened = true;
      },
      async close() {
        device.opened = false;
      },
      async sendFeatureReport(_: number, data: Uint8Array) {
        const taken = !device.isGone && (await ends.deviceHears([...data]));
        if (!taken) throw new DOMException("Failed to write the feature report.", "NotAllowedError");
      },
      async receiveFeatureReport() {
        if (device.isGone) throw new DOMException("Failed to receive the feature report.", "NotAllowedError");
        return new DataView(Uint8Array.from(await ends.deviceSays()).buffer);
      },
      addEventListener() {},
      removeEventListener() {},
    };
    ends.unplug = () => {
      device.isGone = true;
      leaving.forEach((tell) => tell({ device }));
    };
    const hid = {
      requestDevice: async () => [device],
      addEventListener: (_: string, tell: (event: { device: unknown }) => void) => leaving.push(tell),
      removeEventListener: () => {},
    };
    Object.defineProperty(navigator, "hid", { value: hid, configurable: true });
  });
}

/** As if the browser had no HID devices, or its question were closed, or refused. */
export const withoutHid = (page: Page, how: "none" | "not chosen" | "refused") =>
  page.addInitScript((what) => {
    const requestDevice = async () => {
      if (what === "refused") throw new DOMException("Must be handling a user gesture.", "SecurityError");
      return [];
    };
    const value = what === "none" ? undefined : { requestDevice, addEventListener() {}, removeEventListener() {} };
    Object.defineProperty(navigator, "hid", { value, configurable: true });
  }, how);
