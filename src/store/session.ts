import type { Design } from "@/core/design/schema";
import type * as SessionDevice from "./sessionDevice";
import { useSession } from "./sessionState";

export { type Change, useSession } from "./sessionState";

/** The simulated device, loaded when one is first tried: the firmware and its world are only needed then. */
let loaded: typeof SessionDevice | null = null;
/** Counts starts and stops, so that a device that arrives too late is not powered. */
let turn = 0;

/** Powers the device: from the design as it is, at time 0. */
export async function startSession(next: Design): Promise<void> {
  const mine = (turn += 1);
  loaded ??= await import("./sessionDevice");
  if (mine === turn) loaded.startDevice(next);
}

export function stopSession(): void {
  turn += 1;
  loaded?.stopDevice();
}

export function setBounce(bounce: boolean): void {
  useSession.setState({ bounce });
  loaded?.powerAnew();
}

export function setWithoutDiodes(withoutDiodes: boolean): void {
  useSession.setState({ withoutDiodes });
  loaded?.powerAnew();
}

export const clearText = (): void => loaded?.forgetText();

/** Presses or lets go a switch element. */
export const pressElement = (elementId: string, pressed: boolean): void => loaded?.pressContact(elementId, pressed);

export const turnElement = (elementId: string, steps: number): void => loaded?.turnKnob(elementId, steps);

export function releaseAll(): void {
  for (const id of useSession.getState().held) pressElement(id, false);
}
