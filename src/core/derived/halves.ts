import { type Circuit } from "../circuits";
import { farNet, plainNet } from "../circuits/net";
import { usualSupply } from "../document/supplySettings";
import { isSeveralDevices } from "../document/partLinks";
import type { Design } from "../document/schema";
import { derive } from "./derive";

type PinPlan = Design["pinPlan"];

const withoutController = ({ controllerId: _, ...circuit }: Circuit): Circuit => circuit as Circuit;

const mapKeys = (plan: PinPlan, key: (netId: string) => string): PinPlan =>
  Object.fromEntries(Object.entries(plan).map(([netId, choice]) => [key(netId), choice]));

const known = new WeakMap<Design, Map<string, Design>>();

/**
 * The design as one of its controllers sees it: its own circuits and pins, by the names that they have on a device of one controller. All that
 * is worked out for such a device (levels, currents, pins, findings) is worked out for a half in the same way. A half that is not the
 * main one is fed through the link, as by a plug. The design itself where there is one controller; the main half for one that is not there.
 */
export function halfOf(design: Design, controllerId: string | null): Design {
  if (design.controllers.length < 2) return design;
  const controller = design.controllers.find(({ id }) => id === controllerId) ?? design.controllers[0];
  const halves = known.get(design) ?? new Map<string, Design>();
  known.set(design, halves);
  const half = halves.get(controller.id) ?? made(design, controller.id);
  halves.set(controller.id, half);
  wholes.set(half, design);
  return half;
}

/** What a part is loaded as: the design and which of its parts; where each part is a device of its own, that device. */
export const loadedAs = (design: Design, part: number): [design: Design, part: number] =>
  isSeveralDevices(design) ? [halfOf(design, design.controllers[part].id), 0] : [design, part];

/** The devices that a design is: itself, or each of its parts where all have plugs of their own. */
export const devicesOf = (design: Design): Design[] =>
  isSeveralDevices(design) ? design.controllers.map(({ id }) => halfOf(design, id)) : [design];

const wholes = new WeakMap<Design, Design>();

/** The design that a half was made of; itself where it is none. */
export const wholeOf = (half: Design): Design => wholes.get(half) ?? half;

function made(design: Design, controllerId: string): Design {
  const derived = derive(design);
  const own = Object.entries(design.pinPlan).filter(([, choice]) => choice.controllerId === controllerId);
  return {
    ...design,
    controllers: design.controllers.filter(({ id }) => id === controllerId),
    circuits: design.circuits.filter((circuit) => derived.servedBy(circuit) === controllerId).map(withoutController),
    pinPlan: mapKeys(Object.fromEntries(own), plainNet),
    supply: isMain(design, controllerId) ? design.supply : usualSupply,
  };
}

const isMain = ({ controllers: [main] }: Design, controllerId: string) => main?.id === controllerId;

/** The whole design's name of a net of a half. */
export const netOfHalf = (design: Design, controllerId: string, netId: string): string =>
  design.controllers.length < 2 || isMain(design, controllerId) ? netId : farNet(netId, controllerId);

/** Circuits of the half in the places of the old ones; new ones last, under an id of their own. */
function circuitsWith(design: Design, controllerId: string, half: Design): Circuit[] {
  const derived = derive(design);
  const own = (circuit: Circuit): Circuit =>
    isMain(design, controllerId) ? withoutController(circuit) : { ...circuit, controllerId };
  const isOwn = (circuit: Circuit) => derived.servedBy(circuit) === controllerId;
  const before = new Set(design.circuits.filter(isOwn).map(({ id }) => id));
  const taken = new Set(design.circuits.map(({ id }) => id));
  const kept = design.circuits.flatMap((circuit) => {
    if (!isOwn(circuit)) return [circuit];
    const now = half.circuits.find(({ id }) => id === circuit.id);
    return now ? [own(now)] : [];
  });
  const added = half.circuits.filter(({ id }) => !before.has(id));
  return [...kept, ...added.map((circuit) => own({ ...circuit, id: freeId(circuit.id, taken) }))];
}

function freeId(id: string, taken: Set<string>): string {
  let free = id;
  for (let number = 2; taken.has(free); number++) free = `${id}-${number}`;
  taken.add(free);
  return free;
}

/** The whole design with what an edit made of one of its halves. */
export function withHalf(design: Design, controllerId: string, half: Design): Design {
  if (design.controllers.length < 2) return half;
  const others = Object.entries(design.pinPlan).filter(([, choice]) => choice.controllerId !== controllerId);
  return {
    ...half,
    controllers: design.controllers.map((one) => half.controllers.find(({ id }) => id === one.id) ?? one),
    circuits: circuitsWith(design, controllerId, half),
    pinPlan: {
      ...Object.fromEntries(others),
      ...mapKeys(half.pinPlan, (netId) => netOfHalf(design, controllerId, netId)),
    },
    supply: isMain(design, controllerId) ? half.supply : design.supply,
  };
}

/** An edit of a device of one controller, done to one of the halves. */
export const onHalf =
  (controllerId: string, edit: (half: Design) => Design) =>
  (design: Design): Design => {
    if (!design.controllers.some(({ id }) => id === controllerId)) return design;
    return withHalf(design, controllerId, edit(halfOf(design, controllerId)));
  };

/** The design as if its main controller served all of it; pins are what they were. */
export const asOneController = (design: Design): Design =>
  design.controllers.length < 2
    ? design
    : {
        ...design,
        controllers: design.controllers.slice(0, 1),
        circuits: design.circuits.map(withoutController),
        partLinks: [],
      };
