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
  /** The endpoint on which the computer plays to it; null for none. */
  musicIn: number | null;
  /** The serial port; null for none. */
  serial: UsbPlace | null;
  /** How many there are in all, the control endpoint not counted. */
  endpoints: number;
  interfaces: number;
}

/** Interfaces of the reports alone. */
export const reportInterfaces = (plan: EndpointPlan): number =>
  plan.reduce((sum, [kind]) => sum + (isHid(kind) ? 1 : MUSIC_INTERFACES), 0);

/** What a device listens to beside its reports. */
export interface Listening {
  notes: boolean;
  lines: boolean;
}

/** Endpoints that listening takes. */
export const listeningEndpoints = ({ notes, lines }: Listening): number =>
  (notes ? 1 : 0) + (lines ? SERIAL_ENDPOINTS : 0);

const DEAF: Listening = { notes: false, lines: false };

/** Where everything stands: reports, then what notes come on, then the serial port. */
export function usbLayout(plan: EndpointPlan, listening: Listening = DEAF): UsbLayout {
  const { notes, lines } = listening;
  const first = reportInterfaces(plan);
  const after = plan.length + 1;
  return {
    plan,
    musicIn: notes ? after : null,
    serial: lines ? { interface: first, endpoint: after + (notes ? 1 : 0) } : null,
    endpoints: plan.length + listeningEndpoints(listening),
    interfaces: first + (lines ? SERIAL_INTERFACES : 0),
  };
}
