import type { Element } from "@/core/catalogue/kinds/controlKind";
import { flipElement, pressElement } from "@/store/session";
import type { Grip } from "./grip";

/** A finger on a contact: it holds it down, or flips what stays where it is put. */
export function pressEnd(element: Element, others: Element[]): Grip {
  if (element.stays) {
    flipElement(
      element.id,
      others.filter(({ stays }) => stays).map(({ id }) => id),
    );
    return { end: () => {} };
  }
  pressElement(element.id, true);
  return { end: () => pressElement(element.id, false) };
}
