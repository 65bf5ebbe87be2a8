import { FRAME_BYTES, PACKED_FRAME_BYTES } from "@/core/contract/live";
import { LIVE_COLLECTION } from "@/core/hid/liveCollection";
import { type Transport, TransportClosed } from "@/core/loader/transport";

interface ReportLike {
  reportId?: number;
}
interface CollectionLike {
  usagePage?: number;
  usage?: number;
  inputReports?: ReportLike[];
  outputReports?: ReportLike[];
  featureReports?: ReportLike[];
}
interface InputReportEvent {
  reportId: number;
  data: DataView;
}

/** What is used of a browser's HID devices (WebHID API); not every browser has them. */
export interface HidDeviceLike {
  opened: boolean;
  productName: string;
  collections: CollectionLike[];
  open(): Promise<void>;
  close(): Promise<void>;
  sendFeatureReport(reportId: number, data: Uint8Array): Promise<void>;
  receiveFeatureReport(reportId: number): Promise<DataView>;
  sendReport(reportId: number, data: Uint8Array): Promise<void>;
  addEventListener(type: "inputreport", listener: (event: InputReportEvent) => void): void;
  removeEventListener(type: "inputreport", listener: (event: InputReportEvent) => void): void;
}
interface DisconnectEvent {
  device: HidDeviceLike;
}
interface HidLike {
  requestDevice(options: { filters: { usagePage: number; usage: number }[] }): Promise<HidDeviceLike[]>;
  addEventListener(type: "disconnect", listener: (event: DisconnectEvent) => void): void;
  removeEventListener(type: "disconnect", listener: (event: DisconnectEvent) => void): void;
}

const hidOf = (): HidLike | undefined =>
  typeof navigator === "undefined" ? undefined : (navigator as { hid?: HidLike }).hid;

const [usagePage, usage] = LIVE_COLLECTION;
const liveCollection = ({ collections }: HidDeviceLike) =>
  collections.find((one) => one.usagePage === usagePage && one.usage === usage);

/** Asks the person for a device. @returns null when none was chosen */
export async function chooseDevice(): Promise<HidDeviceLike | null> {
  const devices = (await hidOf()?.requestDevice({ filters: [{ usagePage, usage }] })) ?? [];
  return devices.find((device) => liveCollection(device)) ?? null;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const bytesOf = (data: DataView) => new Uint8Array(data.buffer, data.byteOffset, data.byteLength).slice();

/** Some systems put the report's number before a report without one (from memory). */
const withoutNumber = (bytes: Uint8Array) =>
  bytes.length === FRAME_BYTES + 1 && bytes[0] === 0 ? bytes.slice(1) : bytes;

/** The two ways in which a device carries frames. */
interface Carrier {
  send(frame: Uint8Array): Promise<void>;
  receive(waitMs: number): Promise<Uint8Array>;
  close(): void;
}

/** Feature reports: sent, and asked for. */
const byFeature = (device: HidDeviceLike, reportId: number): Carrier => ({
  send: (frame) => device.sendFeatureReport(reportId, frame),
  async receive(waitMs) {
    await pause(waitMs);
    return withoutNumber(bytesOf(await device.receiveFeatureReport(reportId)));
  },
  close: () => {},
});

/** Reports out and in, as boards with an interpreter have them: answers come by themselves. */
function byReports(device: HidDeviceLike, outId: number, inId: number): Carrier {
  const came: Uint8Array[] = [];
  let wake = () => {};
  const hear = ({ reportId, data }: InputReportEvent) => {
    if (reportId !== inId) return;
    came.push(bytesOf(data));
    wake();
  };
  device.addEventListener("inputreport", hear);
  return {
    send: (frame) => device.sendReport(outId, frame.slice(0, PACKED_FRAME_BYTES)),
    async receive(waitMs) {
      if (came.length === 0) await Promise.race([pause(waitMs), new Promise<void>((resolve) => (wake = resolve))]);
      return came.shift() ?? new Uint8Array();
    },
    close: () => device.removeEventListener("inputreport", hear),
  };
}

function carrierOf(device: HidDeviceLike): Carrier {
  const { featureReports = [], outputReports = [], inputReports = [] } = liveCollection(device) ?? {};
  if (featureReports.length > 0) return byFeature(device, featureReports[0].reportId ?? 0);
  return byReports(device, outputReports[0]?.reportId ?? 0, inputReports[0]?.reportId ?? 0);
}

/** A HID device as a transport of frames. */
export function hidTransport(device: HidDeviceLike): Transport {
  let carrier: Carrier | null = null;
  let isGone = false;
  const leave = (event: DisconnectEvent) => {
    if (event.device === device) isGone = true;
  };
  const here = () => {
    if (isGone || !carrier) throw new TransportClosed();
    return carrier;
  };
  return {
    async open() {
      if (!device.opened) await device.open();
      carrier = carrierOf(device);
      hidOf()?.addEventListener("disconnect", leave);
    },
    send: async (frame) => here().send(frame),
    async receive(waitMs) {
      try {
        return await here().receive(waitMs);
      } catch (problem) {
        // A device that is asked while it works may refuse; one that is gone refuses for good.
        if (isGone || problem instanceof TransportClosed) throw new TransportClosed();
        return new Uint8Array();
      }
    },
    async close() {
      carrier?.close();
      carrier = null;
      hidOf()?.removeEventListener("disconnect", leave);
      await device.close().catch(() => {});
    },
  };
}
