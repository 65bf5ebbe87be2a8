import { idSchema } from "../catalogue/kinds/controlKind";
import { between, listOf, text, whole, z } from "../schema";

/** How the conductors of a board are made: by hand, on a made board, or the parts sit right on the module. */
export const boardWays = ["hand-wired", "made-board", "direct"] as const;
export type BoardWay = (typeof boardWays)[number];

/** How diodes, resistors and added parts sit on a made board. */
export const smallPartWays = ["leaded", "surface"] as const;
export type SmallPartWay = (typeof smallPartWays)[number];

export const moduleWays = ["soldered", "socketed"] as const;
export type ModuleWay = (typeof moduleWays)[number];

const stepIdSchema = text(1, 200);

/** How it is made, and how far that is. Wires that are soldered are kept with the wires. */
export const buildSchema = z.strictObject({
  /** By board, where it is not wired by hand. */
  boards: z.record(idSchema, z.strictObject({ way: z.enum(boardWays), smallParts: z.enum(smallPartWays) })),
  /** By controller, where it is not soldered. */
  modules: z.record(idSchema, z.enum(moduleWays)),
  done: listOf(stepIdSchema, 4000),
  skipped: listOf(stepIdSchema, 4000),
  notes: z.record(stepIdSchema, text(1, 2000)),
  /** Which one of its kind is being made; left out for the first. */
  device: z.optional(whole(1, 10_000)),
  /** Minutes that a step took, by its id. */
  minutes: z.record(stepIdSchema, between(0, 100_000)),
});
export type Build = z.infer<typeof buildSchema>;

export const usualBuild: Build = { boards: {}, modules: {}, done: [], skipped: [], notes: {}, minutes: {} };

/** Which one of its kind is on the bench: 1 for the first. */
export const deviceOf = ({ build }: Pick<Made, "build">): number => build?.device ?? 1;

interface Made {
  build?: Build | undefined;
  brief: { wish: { making: string } };
}

/** How a board is made: as it was chosen for it, else as the brief wishes, else by hand. */
export function boardWayOf({ build, brief }: Made, boardId: string): { way: BoardWay; smallParts: SmallPartWay } {
  const boards = build?.boards ?? {};
  if (Object.hasOwn(boards, boardId)) return boards[boardId];
  return { way: brief.wish.making === "made-board" ? "made-board" : "hand-wired", smallParts: "leaded" };
}

export const isSocketed = ({ build }: Pick<Made, "build">, controllerId: string): boolean =>
  build !== undefined && Object.hasOwn(build.modules, controllerId) && build.modules[controllerId] === "socketed";
