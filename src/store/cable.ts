import type { TimedReport } from "@/core/engine/device";
import type { LanguageId } from "@/core/languages/ids";
import type { Design } from "@/core/document/schema";

/**
 * Between the window in which a device is tried and others that stand in for its computer: who is there, a device that was plugged in, its
 * reports, and that it was unplugged.
 */
export type CableMessage = { designId: string } & (
  | { says: "computer" | "device" | "unplugged" }
  | { says: "plugged"; design: Design; language: LanguageId; reports: TimedReport[] }
  | { says: "reports"; reports: TimedReport[] }
);

const CHANNEL = "ovrin-cable";

/** @returns how to say something, or null where windows cannot speak with each other, and how to leave */
export function openCable(hear: (message: CableMessage) => void) {
  if (typeof BroadcastChannel === "undefined") return null;
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<CableMessage>) => hear(data);
  return { say: (message: CableMessage) => channel.postMessage(message), close: () => channel.close() };
}

/** The device's end: reports go to windows that have asked for them; what was reported before comes with the first answer. */
export class DeviceEnd {
  private design: Design | null = null;
  private language: LanguageId = "en-US";
  private reports: TimedReport[] = [];
  private isHeard = false;
  private readonly cable = openCable((message) => this.hear(message));

  constructor() {
    // A window that is closed or left for another page takes its device along.
    if (typeof window !== "undefined") window.addEventListener("pagehide", () => this.unplug());
  }

  private hear(message: CableMessage) {
    if (message.says !== "computer" || message.designId !== this.design?.id) return;
    this.isHeard = true;
    const { design, language, reports } = this;
    this.cable?.say({ designId: design.id, says: "plugged", design, language, reports });
  }

  /** It has power; whoever listens asks what it is. @param language that its computer is set to */
  plug(design: Design, language: LanguageId): void {
    this.unplug();
    this.design = design;
    this.language = language;
    this.reports = [];
    this.isHeard = false;
    this.cable?.say({ designId: design.id, says: "device" });
  }

  send(reports: TimedReport[]): void {
    if (!this.design) return;
    this.reports = [...this.reports, ...reports].slice(-KEPT);
    if (this.isHeard) this.cable?.say({ designId: this.design.id, says: "reports", reports });
  }

  unplug(): void {
    if (this.design) this.cable?.say({ designId: this.design.id, says: "unplugged" });
    this.design = null;
  }
}

/** So many reports are kept for windows that come later. */
const KEPT = 2000;
