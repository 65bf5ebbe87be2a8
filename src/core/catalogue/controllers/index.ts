import type { ControllerProfile } from "./controllerProfile";
import { dual26 } from "./dual26";
import { large70 } from "./large70";
import { small18 } from "./small18";
import { thumb11 } from "./thumb11";

/** The generic controller classes that the catalogue ships, fewest pins first. */
export const controllerCatalogue: ControllerProfile[] = [thumb11, small18, dual26, large70];
