import type { Design } from "../document/schema";
import type { DescriptorItem } from "../hid/descriptorItem";
import type { InterfaceKind } from "../hid/interfaceKinds";
import { hidInterfaces, inOrder, isHid } from "../hid/interfaces";
import { musicItems } from "../hid/musicInterfaces";
import { packetBytes } from "../hid/usbDescriptors";
import { padShapeOf } from "./padShape";

/** What tells a host of an interface: its report descriptor; of music the interfaces' own, at the numbers that they have. */
export function descriptorItems(design: Design, kind: InterfaceKind): DescriptorItem[] {
  const shape = padShapeOf(design);
  if (isHid(kind)) return hidInterfaces[kind].descriptor(shape);
  const number = Math.max(0, inOrder(design.reportSet.interfaces).indexOf(kind));
  return musicItems(number, number + 1, packetBytes(kind, shape));
}
