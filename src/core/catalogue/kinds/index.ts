import { type Schema, z } from "../../schema";
import type { ControlKind } from "./controlKind";
import { type Encoder, encoder } from "./encoder";
import { type Key, key } from "./key";
import { type Lamp, lamp } from "./lamp";

/** Every kind of control: its type here, its one line in the list below. */
export type Control = Key | Encoder | Lamp;

export const controlKinds = [key, encoder, lamp] as const;

/** Any kind, seen as one that takes any control; the kind is looked up by the control itself. */
export type AnyControlKind = ControlKind<Control>;

const byKind = new Map<string, AnyControlKind>(
  controlKinds.map((kind) => [kind.kind, kind as unknown as AnyControlKind]),
);

export const kindNamed = (kind: Control["kind"]): AnyControlKind => byKind.get(kind)!;
export const kindOf = (control: Control): AnyControlKind => kindNamed(control.kind);

const schemas = controlKinds.map((kind) => kind.schema) as unknown as [z.core.$ZodTypeDiscriminable];
export const controlSchema = z.discriminatedUnion("kind", schemas) as unknown as Schema<Control>;
