import type { Design } from "../../document/schema";
import { PREFIX, unsignedItem } from "../../hid/descriptorItem";
import { type InterfaceKind, hidInterfaces } from "../../hid/interfaces";

/**
 * A report descriptor with a report id after its collection is opened: the interpreter puts all collections on one
 * interface, where reports are told apart by their first byte (USB HID 1.11, section 6.2.2.7).
 */
export function descriptorWithId(kind: InterfaceKind, reportId: number): number[] {
  const items = hidInterfaces[kind].descriptor();
  const opened = items.findIndex(({ name }) => name.startsWith("Collection"));
  return items.flatMap(({ bytes }, nth) =>
    nth === opened && reportId > 0 ? [...bytes, ...unsignedItem(PREFIX.reportId, reportId)] : bytes,
  );
}

/** The id of a design's report; one alone needs none, so that a keyboard keeps the boot layout. */
export const reportIdOf = ({ reportSet }: Design, nth: number): number =>
  reportSet.interfaces.length > 1 ? nth + 1 : 0;

/** Whether the computer's start-up screen can read the keyboard: it knows reports without an id only. */
export const isBootKeyboard = ({ reportSet }: Design): boolean =>
  reportSet.interfaces.length === 1 && reportSet.interfaces[0] === "keyboard";
