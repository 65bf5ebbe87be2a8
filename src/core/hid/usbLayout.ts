import type { EndpointPlan } from "./endpointPlan";
import { isHid } from "./interfaceKinds";
import { MUSIC_INTERFACES } from "./musicInterfaces";
import { SERIAL_ENDPOINTS, SERIAL_INTERFACES } from "./serialInterfaces";

/** Where a function begins: its first interface, and its first endpoint. */
export interface UsbPlace {
  interface: number;
  endpoint: number;
}

/** Interfaces and endpoints of a device: those of its reports first, then what it only listens to. */
export interface UsbLayout {
  plan: EndpointPlan;
  /** The serial port; null for none. */
  serial: UsbPlace | null;
  /** How many there are in all, the control endpoint not counted. */
  endpoints: number;
  interfaces: number;
}

/** Interfaces of the reports alone. */
export const reportInterfaces = (plan: EndpointPlan): number =>
  plan.reduce((sum, [kind]) => sum + (isHid(kind) ? 1 : MUSIC_INTERFACES), 0);

/** @param hasSerial whether a serial port stands behind the reports */
export function usbLayout(plan: EndpointPlan, hasSerial = false): UsbLayout {
  const own = { interface: reportInterfaces(plan), endpoint: plan.length + 1 };
  return {
    plan,
    serial: hasSerial ? own : null,
    endpoints: plan.length + (hasSerial ? SERIAL_ENDPOINTS : 0),
    interfaces: own.interface + (hasSerial ? SERIAL_INTERFACES : 0),
  };
}
