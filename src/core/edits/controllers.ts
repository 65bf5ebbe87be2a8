import { type Circuit, circuitKindOf } from "../circuits";
import { derive } from "../derived/derive";
import { profileNamed } from "../derived/placedController";
import { conductorsOf } from "../derived/linkEnds";
import { type PartLink, isModule } from "../document/partLinks";
import { type Board, type Controller, type Design, MOST_CONTROLLERS } from "../document/schema";
import { boundsOf } from "../geometry/outline";
import { addLink, changeLink } from "./boards";
import { tidyPins } from "./tidyPins";

/** Room between the controls of a board and a module laid beside them. */
const BESIDE_MM = 14;
const tidy = (mm: number) => Math.round(mm * 100) / 100;

function freeId(stem: string, taken: string[]): string {
  let number = 2;
  while (taken.includes(`${stem}-${number}`)) number++;
  return `${stem}-${number}`;
}

/** Beside the controls of a board; on its right, where the main controller is not. */
function besideBoard(design: Design, boardId: string, widthMm: number, heightMm: number): Controller["placement"] {
  const caps = derive(design).capPieces.filter(({ owner }) => design.controls[owner].placement.boardId === boardId);
  const box = boundsOf(caps.map(({ outline }) => outline));
  if (!box) return { xMm: 0, yMm: 0, rotationDeg: 0, boardId };
  return {
    xMm: tidy(box.maxXMm + BESIDE_MM + widthMm / 2),
    yMm: tidy(box.minYMm + heightMm / 2),
    rotationDeg: 0,
    boardId,
  };
}

/** Adds a controller of a class to a board; it serves nothing yet. The design itself when the class is not known, or there is no room for one. */
export function addController(design: Design, profileId: string, boardId: string): Design {
  const profile = profileNamed(design, profileId);
  const { controllers, boards } = design;
  if (!profile || controllers.length >= MOST_CONTROLLERS || !boards.some(({ id }) => id === boardId)) return design;
  const ids = controllers.map(({ id }) => id);
  const id = ids.length === 0 ? "controller" : freeId("controller", ids);
  const placement = besideBoard(design, boardId, profile.widthMm, profile.heightMm);
  return { ...design, controllers: [...controllers, { id, profileId, placement, side: "top" }] };
}

/** Takes a controller away: the main one serves its circuits, whose pins become free, and its links go. The main one stays while there are others. */
export function removeController(design: Design, controllerId: string): Design {
  const [main, ...others] = design.controllers;
  if (!others.some(({ id }) => id === controllerId)) return design;
  const circuits = design.circuits.map((circuit) =>
    circuit.controllerId === controllerId ? onMain(circuit) : circuit,
  );
  const links = design.partLinks?.filter(({ nearId, farId }) => nearId !== controllerId && farId !== controllerId);
  return withOwnPins({
    ...design,
    controllers: [main, ...others.filter(({ id }) => id !== controllerId)],
    circuits,
    ...(links ? { partLinks: links } : {}),
  });
}

const onMain = ({ controllerId: _, ...circuit }: Circuit): Circuit => circuit as Circuit;

/** Pins of nets that are gone, or that lie at another controller now, become free. */
function withOwnPins(design: Design): Design {
  const { netById } = derive(design);
  const kept = Object.entries(design.pinPlan).filter(
    ([netId, choice]) => netById.get(netId)?.controllerId === choice.controllerId,
  );
  return tidyPins({ ...design, pinPlan: Object.fromEntries(kept) });
}

/** Has a controller serve a circuit: its lines go there, and want pins there. */
export function serveFrom(design: Design, circuitId: string, controllerId: string): Design {
  if (!design.controllers.some(({ id }) => id === controllerId)) return design;
  const isMain = design.controllers[0].id === controllerId;
  const circuits = design.circuits.map((circuit) =>
    circuit.id !== circuitId ? circuit : isMain ? onMain(circuit) : { ...circuit, controllerId },
  );
  return withOwnPins({ ...design, circuits });
}

/** How a link reaches its controller: over a serial line (null), or over the bus, and how it is told then that there is something to ask. */
export type LinkWay = NonNullable<PartLink["calls"]> | null;

/** A part is a device of its own, with its own plug: no line leads to it. */
const withOwnPlug = (design: Design, controllerId: string): Design => ({
  ...design,
  controllers: design.controllers.map((one) => (one.id === controllerId ? { ...one, ownPlug: true as const } : one)),
});

/** How the links that are there reach theirs; a device has links of one sort. */
const wayOfLinks = ({ partLinks: [first] = [] }: Design): LinkWay => first?.calls ?? null;

/** Joins a controller to the main one, as the others are where there are any; one that has a link keeps it. */
export function linkToMain(design: Design, farId: string, way: LinkWay = wayOfLinks(design)): Design {
  const [main] = design.controllers;
  const links = design.partLinks ?? [];
  const known = design.controllers.some(({ id, ownPlug }) => id === farId && !ownPlug);
  if (!known || main.id === farId || links.some((link) => link.farId === farId)) return design;
  const taken = [...links.map(({ id }) => id), "link-1"];
  const id = links.length === 0 ? "link" : freeId("link", taken);
  const link: PartLink = { id, nearId: main.id, farId, plug: "keyed", ...(way === null ? {} : { calls: way }) };
  return { ...design, partLinks: [...links, link] };
}

/** All modules call on one line, or each on its own; what hangs on the old lines gives its pins free. */
export const changeCalls = (design: Design, calls: NonNullable<LinkWay>): Design =>
  withOwnPins({
    ...design,
    partLinks: (design.partLinks ?? []).map((link) => (isModule(link) ? { ...link, calls } : link)),
  });

export const changePartLink = (design: Design, id: string, change: Pick<PartLink, "plug">): Design => ({
  ...design,
  partLinks: (design.partLinks ?? []).map((link) => (link.id === id ? { ...link, ...change } : link)),
});

export const removePartLink = (design: Design, id: string): Design =>
  withOwnPins({ ...design, partLinks: (design.partLinks ?? []).filter((link) => link.id !== id) });

/** A circuit whose members lie on a board and elsewhere becomes two; what lies there is served by the controller. */
function splitOff(circuit: Circuit, isThere: (elementId: string) => boolean, controllerId: string, ids: string[]) {
  const kind = circuitKindOf(circuit);
  const members = kind.members(circuit);
  const there = members.filter(isThere);
  if (there.length === 0) return [circuit];
  if (there.length === members.length) return [{ ...circuit, controllerId }];
  const without = (gone: string[]) => gone.reduce((left, id) => kind.without(left, id), circuit);
  const id = freeId(circuit.id, ids);
  ids.push(id);
  const rest = members.filter((member) => !isThere(member));
  return [
    without(there),
    { ...without(rest), id, name: `${circuit.name.slice(0, 37)} ${id.split("-").at(-1)}`, controllerId },
  ];
}

/** The cable between two boards carries their link, and nothing else does. */
function cableOf(design: Design, one: string, other: string): Design {
  const joins = ({ fromBoardId, toBoardId }: Design["links"][number]) =>
    (fromBoardId === one && toBoardId === other) || (fromBoardId === other && toBoardId === one);
  const cable = design.links.find(joins);
  const conductors = [...conductorsOf(design.partLinks!.at(-1)!)];
  if (cable) return changeLink(design, cable.id, { conductors });
  return addLink(
    design,
    freeId(
      "cable",
      design.links.map(({ id }) => id),
    ),
    one,
    other,
    conductors,
  );
}

/** No cable runs between two devices. */
const withoutCable = (design: Design, main: Controller, boardId: string): Design => ({
  ...design,
  links: design.links.filter(({ fromBoardId, toBoardId }) => {
    const ends = [fromBoardId, toBoardId];
    return !(ends.includes(boardId) && ends.includes(main.placement.boardId));
  }),
});

/**
 * Gives a board a controller of its own on a line to the main one, as a module on its bus, or with a plug of its own: circuits are split where they reach over, the cable is a link's, pins of what
 * moved become free. The design itself where it has no controller, or the board has one.
 */
export function ownControllerFor(
  design: Design,
  boardId: Board["id"],
  profileId: string,
  way: LinkWay | "plug" = null,
): Design {
  const [main] = design.controllers;
  if (!main || design.controllers.some(({ placement }) => placement.boardId === boardId)) return design;
  const added = addController(design, profileId, boardId);
  const own = added.controllers.at(-1)!;
  if (added === design) return design;
  const { elements, controls } = derive(added);
  const isThere = (id: string) => controls.get(elements.get(id)?.controlId ?? "")?.placement.boardId === boardId;
  const ids = added.circuits.map(({ id }) => id);
  const circuits = added.circuits.flatMap((circuit) => splitOff(circuit, isThere, own.id, ids));
  if (way === "plug") return withOwnPins(withoutCable(withOwnPlug({ ...added, circuits }, own.id), main, boardId));
  const linked = linkToMain({ ...added, circuits }, own.id, way);
  return withOwnPins(cableOf(linked, main.placement.boardId, boardId));
}
