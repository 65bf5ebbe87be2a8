import type { Design } from "../document/schema";
import type { DescriptorItem } from "../hid/descriptorItem";
import { type InterfaceKind, isHid } from "../hid/interfaceKinds";
import { hidInterfaces } from "../hid/interfaces";
import { musicItems } from "../hid/musicInterfaces";
import { withReportId } from "../hid/reportId";
import { packetBytes } from "../hid/packetBytes";
import { reportNumberOf, usbLayoutOf } from "./endpoints";
import { reportShapeOf } from "./reportShape";

/**
 * What tells a host of a report: its report descriptor, with its number where others stand on its interface; of music the interfaces'
 * own, at the numbers that they have.
 */
export function descriptorItems(design: Design, kind: InterfaceKind): DescriptorItem[] {
  const shape = reportShapeOf(design);
  if (isHid(kind)) return withReportId(hidInterfaces[kind].descriptor(shape), reportNumberOf(design, kind));
  const { plan, musicIn } = usbLayoutOf(design);
  const number = Math.max(
    0,
    plan.findIndex((group) => group.includes(kind)),
  );
  return musicItems(number, number + 1, packetBytes([kind], shape), musicIn);
}
