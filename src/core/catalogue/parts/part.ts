import { type Outline, circle, placeOutline, roundedRectangle } from "../../geometry/outline";
import { point } from "../../geometry/point";
import { type Schema, between, listOf, text, z } from "../../schema";

/** In which order an addressable light takes its three bytes. */
export const colourOrders = ["grb", "rgb", "rbg", "gbr", "brg", "bgr"] as const;
export type ColourOrder = (typeof colourOrders)[number];

const idSchema = z.string().check(z.regex(/^[A-Za-z0-9_-]{1,40}$/));

/** A rectangle with rounded corners about (x, y); with width = height = 2 × radius it is a circle. */
export const shapeSchema = z.strictObject({
  xMm: between(-200, 200),
  yMm: between(-200, 200),
  widthMm: between(0.2, 300),
  heightMm: between(0.2, 300),
  radiusMm: between(0, 150),
});
export type Shape = z.infer<typeof shapeSchema>;

export const postSchema = z.strictObject({
  xMm: between(-200, 200),
  yMm: between(-200, 200),
  diameterMm: between(0.3, 20),
});

/** A part of the trade as data: the room it takes in, before and behind the plate. Lengths in mm about its centre. */
export const partSchema = z.strictObject({
  id: idSchema,
  title: text(1, 80),
  /** The kind of control it serves. */
  kind: text(1, 20),
  /** At the level of the plate. */
  body: shapeSchema,
  /** The opening in the plate; null when the plate is not opened for it. */
  opening: z.nullable(shapeSchema),
  /** What is touched or seen, when the control itself does not say its size. */
  cap: z.nullable(shapeSchema),
  /** Room that must stay free before and behind the plate: a lever's swing, terminals, a plug. */
  front: z.nullable(shapeSchema),
  behind: z.nullable(shapeSchema),
  /** Mounting posts and screws: holes in the plate. */
  posts: listOf(postSchema, 8),
  aboveMm: between(0, 200),
  belowMm: between(0, 200),
  /** Plate thickness that the part clips or clamps to; null when it does not matter. */
  plateMm: z.nullable(z.strictObject({ min: between(0, 20), max: between(0, 20) })),
  /** Money units a piece, for estimates. */
  price: between(0, 1000),
  /** Of addressable lights; green, red, blue when left out (common practice). */
  colourOrder: z.optional(z.enum(colourOrders)),
});
export type Part = z.infer<typeof partSchema>;
export const partListSchema: Schema<Part[]> = listOf(partSchema, 200);

export const box = (widthMm: number, heightMm: number, radiusMm = 0, xMm = 0, yMm = 0): Shape => ({
  xMm,
  yMm,
  widthMm,
  heightMm,
  radiusMm,
});
export const disc = (diameterMm: number, xMm = 0, yMm = 0): Shape =>
  box(diameterMm, diameterMm, diameterMm / 2, xMm, yMm);

const FLAT_MM = 1e-6;

/** A part's shape as an outline about the part's centre. */
export function shapeOutline({ xMm, yMm, widthMm, heightMm, radiusMm }: Shape): Outline {
  const radius = Math.min(radiusMm, widthMm / 2, heightMm / 2);
  const round = Math.max(widthMm, heightMm) - 2 * radius < FLAT_MM;
  const outline = round ? circle(2 * radius) : roundedRectangle(widthMm, heightMm, radius);
  return placeOutline(outline, { ...point(xMm, yMm), rotationDeg: 0 });
}

interface PartDraft extends Pick<Part, "id" | "title" | "kind" | "body"> {
  opening?: Shape;
  cap?: Shape;
  front?: Shape;
  behind?: Shape;
  posts?: Part["posts"];
  aboveMm: number;
  belowMm: number;
  plateMm?: [number, number];
  price: number;
}

/** A part with what it has; the rest is nothing. */
export const part = ({ opening, cap, front, behind, posts, plateMm, ...rest }: PartDraft): Part => ({
  ...rest,
  opening: opening ?? null,
  cap: cap ?? null,
  front: front ?? null,
  behind: behind ?? null,
  posts: posts ?? [],
  plateMm: plateMm ? { min: plateMm[0], max: plateMm[1] } : null,
});

/** Four posts at the corners of a rectangle about the centre. */
export const fourPosts = (acrossMm: number, downMm: number, diameterMm: number): Part["posts"] =>
  [-1, 1].flatMap((down) =>
    [-1, 1].map((across) => ({ xMm: (across * acrossMm) / 2, yMm: (down * downMm) / 2, diameterMm })),
  );
