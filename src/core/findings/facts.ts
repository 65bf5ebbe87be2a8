import { usablePins } from "../catalogue/controllers/controllerProfile";
import { derive } from "../derived/derive";
import type { Design } from "../document/schema";

export interface Facts {
  controls: number;
  contacts: number;
  nets: number;
  rows: number;
  columns: number;
  diodes: number;
  resistors: number;
  pinsNeeded: number;
  /** 0 while no controller is chosen. */
  pinsUsable: number;
}

/** The counts of a design. */
export function factsOf(design: Design): Facts {
  const { elements, nets, signalNets, builtCircuits, shunts, controllers } = derive(design);
  const added = [...builtCircuits.flatMap(({ inline }) => inline), ...shunts].map(({ sort }) => sort);
  const contacts = [...elements.values()].reduce((sum, element) => sum + element.contacts.length, 0);
  return {
    controls: design.controls.length,
    contacts,
    nets: nets.length,
    rows: nets.filter((net) => net.role === "row").length,
    columns: nets.filter((net) => net.role === "column").length,
    diodes: added.filter((sort) => sort === "diode").length,
    resistors: added.filter((sort) => sort === "resistor").length,
    pinsNeeded: signalNets.length,
    pinsUsable: controllers.reduce((sum, { profile }) => sum + (profile ? usablePins(profile).length : 0), 0),
  };
}
