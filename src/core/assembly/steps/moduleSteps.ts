import type { PlacedController } from "../../derived/placedController";
import { depthMm } from "../../geometry/depth";
import { pinPlace } from "../../pins/pinPlace";
import {
  type Bench,
  contactsOf,
  controlsOn,
  controllerName,
  fitted,
  hasPlate,
  isMade,
  joinedTo,
  onBoard,
  socketed,
  step,
} from "../bench";
import type { Cover, Face, Reach, Step, Want } from "../step";
import { bareOf, plateOf } from "./plateSteps";

export const modulesOf = ({
  derived,
}: Bench): (PlacedController & { profile: NonNullable<PlacedController["profile"]> })[] =>
  derived.controllers.flatMap((placed) => (placed.profile ? [{ ...placed, profile: placed.profile }] : []));

type Module = ReturnType<typeof modulesOf>[number];

/** The side of the board on which the module lies. */
export const ownFace = ({ controller }: Pick<Module, "controller">): Face =>
  controller.side === "under" ? "back" : "front";

/** Its pins are soldered where they come out: on a made board on the other side. */
function pinFace(bench: Bench, module: Module): Face {
  const { boardId } = module.controller.placement;
  if (!isMade(bench, boardId)) return "back";
  if (module.controller.side === "top") return "back";
  const board = bench.design.boards.find(({ id }) => id === boardId)!;
  return hasPlate(bench, board) ? "inside" : "front";
}

const pads = (bench: Bench, module: Module): Reach[] =>
  module.profile.pins.map((pin) => ({
    boardId: module.controller.placement.boardId,
    face: pinFace(bench, module),
    at: pinPlace(module.controller, pin),
    of: `pad ${pin.name} of ${controllerName(bench, module.controller.id)}`,
    owner: controllerName(bench, module.controller.id),
  }));

function base(bench: Bench, boardId: string): Want[] {
  const board = bench.design.boards.find(({ id }) => id === boardId)!;
  const name = isMade(bench, boardId) || !hasPlate(bench, board) ? bareOf(board) : plateOf(board);
  return [{ token: fitted(name), sort: "joined", words: "sits on it" }];
}

/** Whether a module lies over contacts that are soldered on the same side. */
export const coversContacts = (bench: Bench, boardId: string): boolean => modulesOver(bench, boardId).length > 0;

/** Whether a contact lies beneath a module: it is mended with the module off, or never. */
export const isUnderModule = (bench: Bench, { boardId, at }: Reach): boolean =>
  modulesOver(bench, boardId).some((module) => liesUnder(module, at));

const modulesOver = (bench: Bench, boardId: string): Module[] =>
  modulesOf(bench).filter(
    (module) =>
      module.controller.placement.boardId === boardId &&
      module.controller.side === "under" &&
      controlsOn(bench, boardId).some((control) =>
        contactsOf(bench, control, "back").some(({ at }) => liesUnder(module, at)),
      ),
  );

const liesUnder = ({ outline }: Module, at: Reach["at"]) => outline !== null && depthMm(outline, at) > 0;

/** Sockets for the pins close nothing but their own two rows. */
function rows(bench: Bench, module: Module): Step[] {
  const { id, placement } = module.controller;
  if (!socketed(bench, module)) return [];
  const name = controllerName(bench, id);
  const made = isMade(bench, placement.boardId);
  return [
    step({
      id: `rows ${id}`,
      sort: "joint",
      title: `Solder the socket rows of ${name}${onBoard(bench, placement.boardId)}`,
      boardId: placement.boardId,
      face: pinFace(bench, module),
      tool: "iron",
      units: made ? module.profile.pins.length : 4,
      needs: [`Socket rows for ${module.profile.pins.length} pins`],
      how: ["Put the rows onto the module's pins while their first joints are soldered: so they stand straight."],
      cautions: ["solder"],
      checks: ["The module slides in and out without force."],
      lit: { controls: [], chips: [], controllers: [id] },
      reaches: made ? pads(bench, module) : [],
      wants: base(bench, placement.boardId),
      gives: [fitted(`rows ${id}`)],
    }),
  ];
}

function moduleStep(bench: Bench, module: Module): Step {
  const { controller, profile, outline } = module;
  const { id, placement } = controller;
  const name = controllerName(bench, id);
  const isPlugged = socketed(bench, module);
  const solders = isMade(bench, placement.boardId) && !isPlugged;
  const face = ownFace(module);
  const cover: Cover[] =
    outline === null ? [] : [{ boardId: placement.boardId, face, shape: { outline }, removable: isPlugged }];
  return step({
    id: `module ${id}`,
    sort: solders ? "joint" : "lay-down",
    title: `${isPlugged ? "Plug in" : solders ? "Solder" : "Fix"} ${name}: ${profile.title}${onBoard(bench, placement.boardId)}`,
    boardId: placement.boardId,
    face: solders ? pinFace(bench, module) : face,
    tool: solders ? "iron" : "hands",
    units: solders ? profile.pins.length : 1,
    fits: [name],
    needs: [profile.title],
    how: [
      controller.side === "under"
        ? "It lies under the board with its parts away from it."
        : "It lies with its parts up.",
      ...(profile.form === "chip" ? ["A bare chip wants its plug, regulator and small parts around it first."] : []),
    ],
    checks: ["Its plug stands free, and the button for its loader can be reached."],
    cautions: solders ? ["solder"] : [],
    lit: { controls: [], chips: [], controllers: [id] },
    reaches: solders ? pads(bench, module) : [],
    covers: cover,
    wants: [...base(bench, placement.boardId), ...(isPlugged ? [joinedTo(`rows ${id}`)] : [])],
  });
}

/** The controllers of a device, soldered or in sockets. */
export const moduleSteps = (bench: Bench): Step[] =>
  modulesOf(bench).flatMap((module) => [...rows(bench, module), moduleStep(bench, module)]);
