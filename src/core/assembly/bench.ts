import type { Control } from "../catalogue/kinds";
import type { Contact } from "../catalogue/kinds/controlKind";
import type { Part } from "../catalogue/parts/part";
import { type Derived, derive } from "../derived/derive";
import type { PlacedController } from "../derived/placedController";
import { isSocketed } from "../document/buildSettings";
import type { Board, Design } from "../document/schema";
import type { Ring } from "../geometry/ring";
import { edgeOf, hasPlate as plated, isMadeBoard, isSurfaceBoard } from "../making/boardMade";
import { type PartNames, partNames } from "../wires/partNames";
import { wiresByHand } from "../wires/wiresByHand";
import type { Wire } from "../wires/wires";
import type { Face, Reach, Step, Want } from "./step";

/** What the makers of steps ask again and again. */
export interface Bench {
  design: Design;
  derived: Derived;
  names: PartNames;
  /** Ends of each control, by its id. */
  contacts: Map<string, Contact[]>;
  /** Wires that are soldered by hand. */
  wires: Wire[];
}

function contactsByControl({ elements }: Derived): Map<string, Contact[]> {
  const byControl = new Map<string, Contact[]>();
  for (const { controlId, contacts } of elements.values())
    byControl.set(controlId, [...(byControl.get(controlId) ?? []), ...contacts]);
  return byControl;
}

export const benchOf = (design: Design): Bench => ({
  design,
  derived: derive(design),
  names: partNames(design),
  contacts: contactsByControl(derive(design)),
  wires: wiresByHand(design),
});

export const isMade = ({ design }: Bench, boardId: string): boolean => isMadeBoard(design, boardId);
export const isSurface = ({ design }: Bench, boardId: string): boolean => isSurfaceBoard(design, boardId);
export const hasPlate = ({ design }: Bench, board: Board): boolean => plated(design, board);
export const ringOf = ({ design }: Bench, board: Board): Ring | null => edgeOf(design, board);

export const controlsOn = ({ design }: Bench, boardId: string): Control[] =>
  design.controls.filter(({ placement }) => placement.boardId === boardId);

export const socketed = ({ design }: Bench, { controller }: PlacedController): boolean =>
  isSocketed(design, controller.id);

/** "" on a device of one board. */
export const onBoard = ({ design }: Bench, boardId: string): string =>
  design.boards.length === 1 ? "" : `, ${design.boards.find(({ id }) => id === boardId)?.name ?? boardId}`;

/** What a controller is called in steps: A1, A2. */
export const controllerName = ({ design }: Bench, controllerId: string): string =>
  `A${1 + design.controllers.findIndex(({ id }) => id === controllerId)}`;

/** A control's contacts on the mat, as places to be reached from one face. */
export const contactsOf = ({ contacts, names }: Bench, control: Control, face: Face): Reach[] =>
  (contacts.get(control.id) ?? []).map(({ at }) => ({
    boardId: control.placement.boardId,
    face,
    at,
    of: control.label,
    owner: names.controls.get(control.id)!,
  }));

export const middleOf = ({ names }: Bench, control: Control, face: Face): Reach => ({
  boardId: control.placement.boardId,
  face,
  at: control.placement,
  of: control.label,
  owner: names.controls.get(control.id)!,
});

export const partOf = ({ derived }: Bench, control: Control): Part => derived.partOf(control);

/** What stands on the device once a step has fitted it. */
export const fitted = (name: string): string => `fitted ${name}`;

export const joinedTo = (name: string): Want => ({
  token: fitted(name),
  sort: "joined",
  words: `needs ${name}`,
});

const nothing: Omit<Step, "id" | "sort" | "title" | "tool" | "units"> = {
  boardId: null,
  face: null,
  fits: [],
  wires: [],
  needs: [],
  how: [],
  checks: [],
  cautions: [],
  lit: { controls: [], chips: [], controllers: [] },
  reaches: [],
  covers: [],
  wants: [],
  gives: [],
  heightMm: null,
};

type Draft = Pick<Step, "id" | "sort" | "title" | "tool" | "units"> & Partial<Step>;

/** A step with what it has; it gives what it fits. */
export function step(draft: Draft): Step {
  const whole = { ...nothing, ...draft };
  return { ...whole, gives: [...whole.gives, ...whole.fits.map(fitted)] };
}
