import { create } from "zustand";
import type { Design } from "@/core/document/schema";
import type { TimedReport } from "@/core/engine/device";
import type { LanguageId } from "@/core/languages/ids";
import type { HostStandIn } from "@/core/engine/hostText";
import { type CableMessage, openCable } from "./cable";
import { loadLanguage } from "./hostLanguages";
import { emptySession, useSession } from "./sessionState";

/** A window that stands in for the computer: what is plugged into it now. */
export const useComputer = create<{ plugged: Design | null; waits: boolean }>(() => ({ plugged: null, waits: true }));

const KEPT_REPORTS = 400;

let host: HostStandIn | null = null;

async function hostFor(design: Design, language: LanguageId): Promise<HostStandIn> {
  const [{ HostStandIn }, computer, music] = await Promise.all([
    import("@/core/engine/hostText"),
    loadLanguage(language),
    design.reportSet.interfaces.includes("music") ? import("@/core/engine/hostMusic") : null,
  ]);
  return new HostStandIn(computer, music?.heardOf ?? null);
}

function receive(reports: TimedReport[]) {
  if (!host) return;
  for (const report of reports) host.receive(report);
  useSession.setState({
    reports: [...useSession.getState().reports, ...reports].slice(-KEPT_REPORTS),
    text: host.text,
    deeds: host.deeds.slice(-KEPT_REPORTS),
    pointing: host.pointing,
    heard: host.heard,
  });
}

/** Listens for a design's device. @returns how to stop */
export function attend(designId: string): () => void {
  let isOpen = true;
  /** One message after another: fetching a language takes its time. */
  let before: Promise<void> = Promise.resolve();
  const cable = openCable((message) => {
    if (message.designId === designId) before = before.then(() => (isOpen ? follow(message) : undefined));
  });
  const ask = () => cable?.say({ designId, says: "computer" });

  async function follow(message: CableMessage) {
    if (message.says === "device") ask();
    if (message.says === "reports") receive(message.reports);
    if (message.says === "unplugged") useComputer.setState({ plugged: null, waits: true });
    if (message.says !== "plugged") return;
    host = await hostFor(message.design, message.language);
    useSession.setState(emptySession);
    useComputer.setState({ plugged: message.design, waits: false });
    receive(message.reports);
  }

  ask();
  return () => {
    isOpen = false;
    cable?.close();
    host = null;
    useComputer.setState({ plugged: null, waits: true });
  };
}
