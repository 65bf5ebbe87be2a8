import { controllerCatalogue } from "../catalogue/controllers";
import type { ControllerProfile } from "../catalogue/controllers/controllerProfile";
import { priceOf } from "../catalogue/prices";
import { derive } from "../derived/derive";
import { removeControls } from "./controls";
import { chooseController, lockPins, adoptPinPlan } from "./pins";
import { wireAs } from "./wiring";
import { shareOutMatrix } from "./shareOutMatrix";
import type { Design } from "../document/schema";
import { canPlaceAll, pinConflict } from "../pins/conflict";
import { planPins } from "../pins/planPins";

/** A change after which every net finds a pin, tried out before it is offered. */
export interface Remedy {
  title: string;
  apply(design: Design): Design;
}

const replanned = (design: Design): Design => adoptPinPlan(design, planPins(design, "fewest-moves"));

const readyToUse = ({ form, firmware }: ControllerProfile) => form === "module" && firmware.compiled === "runs-usb";

/** The cheapest other module on which everything fits, keeping pins whose names it also has. */
function otherProfiles(design: Design): Remedy[] {
  const { profile } = derive(design);
  const candidates = [...design.profiles, ...controllerCatalogue]
    .filter((one) => one.id !== profile?.id && readyToUse(one))
    .sort((a, b) => priceOf(a.id, design.brief.prices, a.price) - priceOf(b.id, design.brief.prices, b.price));
  const found = candidates.find((one) => canPlaceAll(chooseController(design, one.id)));
  if (!found) return [];
  return [{ title: `Take the ${found.title}`, apply: (d) => replanned(chooseController(d, found.id)) }];
}

const idsOf = (design: Design, ...kinds: string[]) =>
  [...derive(design).elements.values()].filter(({ kind }) => kinds.includes(kind)).map(({ id }) => id);

/** Other circuits that need fewer or plainer pins. */
function otherCircuits(design: Design): Remedy[] {
  const count = (d: Design) => derive(d).signalNets.length;
  const changes: [words: string, apply: (d: Design) => Design][] = [
    ["Put the switches into a matrix with the fewest pins", (d) => shareOutMatrix(d, "fewest-pins")],
    [
      "Read switches and knobs through input registers",
      (d) => wireAs(d, "input-registers", idsOf(d, "switch", "quadrature")),
    ],
    ["Read sticks and pots through a multiplexer", (d) => wireAs(d, "multiplexer", idsOf(d, "analog"))],
    ["Light the lamps from output registers", (d) => wireAs(d, "output-registers", idsOf(d, "lamp"))],
  ];
  return changes.flatMap(([words, apply]) => {
    const changed = apply(design);
    if (changed === design || !canPlaceAll(changed)) return [];
    return [
      {
        title: `${words}: ${count(changed)} pins instead of ${count(design)}`,
        apply: (d: Design) => replanned(apply(d)),
      },
    ];
  });
}

function unlocked(design: Design): Remedy[] {
  const locks = (pinConflict(design)?.locks ?? []).map(({ id }) => id);
  const found = locks.find((id) => canPlaceAll(lockPins(design, [id], false)));
  if (!found) return [];
  const flag = derive(design).netById.get(found)!.flag;
  return [{ title: `Unlock ${flag}`, apply: (d) => replanned(lockPins(d, [found], false)) }];
}

/** One control without which the rest fits, among those in the conflict. */
function oneFewer(design: Design): Remedy[] {
  const { controls, signalNets } = derive(design);
  const ids = new Set(
    (pinConflict(design)?.nets ?? signalNets).flatMap(({ joints }) => joints.map(({ controlId }) => controlId)),
  );
  const inConflict = [...controls.values()].filter(({ id }) => ids.has(id));
  // The last one placed is the least missed.
  const found = inConflict
    .reverse()
    .slice(0, MOST_TRIED)
    .find(({ id }) => canPlaceAll(removeControls(design, [id])));
  if (!found) return [];
  return [{ title: `Leave out ${found.label}`, apply: (d) => replanned(removeControls(d, [found.id])) }];
}

const MOST_TRIED = 12;

const found = (design: Design): Remedy[] =>
  !derive(design).profile || canPlaceAll(design)
    ? []
    : [...unlocked(design), ...otherCircuits(design), ...otherProfiles(design), ...oneFewer(design)];

/** What the answer rests on; where parts lie does not matter. */
interface Kept {
  basis: unknown[];
  ways: Remedy[];
}

const kept = new WeakMap<Design["circuits"], Kept>();

/** The cheapest ways out of a plan that cannot be made; each was tried. Empty when there is no conflict. */
export function remedies(design: Design): Remedy[] {
  const { circuits, controllers, profiles, pinPlan, controls, brief } = design;
  const basis = [controllers, profiles, pinPlan, controls.length, brief.prices];
  const known = kept.get(circuits);
  if (known && known.basis.every((one, nth) => one === basis[nth])) return known.ways;
  const ways = found(design);
  kept.set(circuits, { basis, ways });
  return ways;
}
