import { type Control, kindOf } from "../catalogue/kinds";
import type { PlacedElement } from "../circuits/net";
import { place } from "../geometry/point";

const elementsByControl = new WeakMap<Control, PlacedElement[]>();

/** Elements with their contacts on the mat; kept with the control, like its shapes. */
export function elementsOf(control: Control): PlacedElement[] {
  let elements = elementsByControl.get(control);
  if (!elements) elementsByControl.set(control, (elements = placedElements(control)));
  return elements;
}

/** A part that is mounted from the solder side shows its contacts mirrored. */
function placedElements(control: Control): PlacedElement[] {
  const mirror = control.placement.mirrored ? -1 : 1;
  return kindOf(control)
    .elements(control)
    .map((element) => ({
      ...element,
      contacts: element.contacts.map((contact) => ({
        ...contact,
        at: place({ xMm: mirror * contact.at.xMm, yMm: contact.at.yMm }, control.placement),
      })),
    }));
}
