import { type Schema, type schemaCore, z } from "../schema";
import { arc, circleShape, thumbFan } from "./arcs";
import { splitBlock } from "./splitBlock";
import { staggeredColumns } from "./staggeredColumns";
import { staggeredRows } from "./staggeredRows";
import type { StartShape } from "./startShape";
import { straightGrid } from "./straightGrid";
import { typingBlock } from "./typingBlock";

const all = [
  straightGrid,
  staggeredRows,
  staggeredColumns,
  splitBlock,
  typingBlock,
  arc,
  circleShape,
  thumbFan,
] as const;

/** The numbers of any start shape. */
export type ShapeParams = (typeof all)[number]["fresh"];
type AnyStartShape = StartShape<ShapeParams>;

/** Every start shape, one line each above. */
export const startShapes = all as unknown as AnyStartShape[];

export const startShapeOf = (params: ShapeParams): AnyStartShape =>
  startShapes.find(({ shape }) => shape === params.shape)!;

const schemas = all.map(({ schema }) => schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const shapeSchema = z.discriminatedUnion("shape", schemas) as unknown as Schema<ShapeParams>;
