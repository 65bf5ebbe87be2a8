import { chipUsb44 } from "./chipUsb44";
import { chip23, chip35, chip50 } from "./chips";
import type { ControllerProfile } from "./controllerProfile";
import { dual26 } from "./dual26";
import { large70 } from "./large70";
import { dual18, full34, serial20, wireless20 } from "./moreModules";
import { small18 } from "./small18";
import { thumb11 } from "./thumb11";

/** The generic controller classes that the catalogue ships: ready modules by their pins, then bare chips by theirs. */
export const controllerCatalogue: ControllerProfile[] = [
  thumb11,
  small18,
  dual18,
  serial20,
  wireless20,
  dual26,
  full34,
  large70,
  chip23,
  chipUsb44,
  chip35,
  chip50,
];
