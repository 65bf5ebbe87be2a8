/** Word between tabs: a design was saved, or left or joined the shelf. What lies there now is looked up. */
export interface TabMessage {
  designId: string;
}

const CHANNEL = "ovrin-designs";

/** One channel a tab: a channel does not hear what it says itself, but others of the same tab would. */
let channel: BroadcastChannel | null = null;
const listeners = new Set<(message: TabMessage) => void>();

function open(): BroadcastChannel | null {
  if (channel || typeof BroadcastChannel === "undefined") return channel;
  channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = (event: MessageEvent<TabMessage>) => listeners.forEach((listener) => listener(event.data));
  return channel;
}

export function tellTabs(message: TabMessage): void {
  open()?.postMessage(message);
}

/** Calls back on words of other tabs. @returns how to stop */
export function hearTabs(listener: (message: TabMessage) => void): () => void {
  open();
  listeners.add(listener);
  return () => listeners.delete(listener);
}
