import type { StandInLoader } from "./standInLoader";
import { type Transport, TransportClosed } from "./transport";

/** A stand-in loader as if it were plugged in: its answers wait until they are asked for. */
export function standInTransport(loader: StandInLoader, pause: () => Promise<void> = async () => {}): Transport {
  let answers: number[] = [];
  let isOpen = false;
  const mustBeOpen = () => {
    if (!isOpen) throw new TransportClosed();
  };
  return {
    async open() {
      isOpen = true;
    },
    async send(bytes) {
      mustBeOpen();
      await pause();
      answers.push(...loader.hear(bytes));
    },
    async receive() {
      mustBeOpen();
      const came = Uint8Array.from(answers);
      answers = [];
      return came;
    },
    async close() {
      isOpen = false;
    },
  };
}
