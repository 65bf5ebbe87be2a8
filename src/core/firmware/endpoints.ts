import { hasUsb8Chip } from "../chips/usb8Classes";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";
import { ENDPOINTS_THERE_CAN_BE, type EndpointPlan, endpointPlan, reportNumber } from "../hid/endpointPlan";
import type { InterfaceKind } from "../hid/interfaceKinds";
import { notesHeard, takesLines } from "../hid/panelSettings";
import { type Listening, type UsbLayout, listeningEndpoints, usbLayout } from "../hid/usbLayout";

/** Endpoints of the 8-bit USB class beside the first (from memory). */
export const USB8_ENDPOINTS = 6;

/** Endpoints beside the first that the controller's chip has. */
export function chipEndpoints(design: Design): number {
  const { profile } = derive(design);
  return profile && hasUsb8Chip(profile.id) ? USB8_ENDPOINTS : ENDPOINTS_THERE_CAN_BE;
}

/** How many the device may take: what the chip has, or less where a person wants less. */
export const endpointsMost = (design: Design): number =>
  Math.min(chipEndpoints(design), design.reportSet.endpointsMost ?? ENDPOINTS_THERE_CAN_BE);

const listeningOf = (design: Design): Listening => ({
  notes: notesHeard(design) !== undefined,
  lines: takesLines(design),
});

/** Interfaces in order, each with its reports; what the device listens to takes its endpoints beside theirs. */
export const endpointPlanOf = (design: Design): EndpointPlan =>
  endpointPlan(design.reportSet.interfaces, endpointsMost(design) - listeningEndpoints(listeningOf(design)));

/** All interfaces and endpoints of the device. */
export const usbLayoutOf = (design: Design): UsbLayout => usbLayout(endpointPlanOf(design), listeningOf(design));

/** The number in front of a report of the design; 0 where none is. */
export function reportNumberOf(design: Design, kind: InterfaceKind): number {
  const group = endpointPlanOf(design).find((kinds) => kinds.includes(kind));
  return group ? reportNumber(group, kind) : 0;
}
