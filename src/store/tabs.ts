/** Word between tabs: a design was saved, or left the shelf. */
export interface TabMessage {
  tab: string;
  designId: string;
  revision: number | null;
}

const CHANNEL = "ovrin-designs";

/** This tab's own name, so that it does not answer itself. */
export const thisTab = Math.random().toString(36).slice(2);

/** One channel a tab: a channel does not hear what it says itself, but others of the same tab would. */
let channel: BroadcastChannel | null = null;
const listeners = new Set<(message: TabMessage) => void>();

function open(): BroadcastChannel | null {
  if (channel || typeof BroadcastChannel === "undefined") return channel;
  channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = (event: MessageEvent<TabMessage>) => listeners.forEach((listener) => listener(event.data));
  return channel;
}

export function tellTabs(designId: string, revision: number | null): void {
  open()?.postMessage({ tab: thisTab, designId, revision } satisfies TabMessage);
}

/** Calls back on words of other tabs. @returns how to stop */
export function hearTabs(listener: (message: TabMessage) => void): () => void {
  open();
  listeners.add(listener);
  return () => listeners.delete(listener);
}
