import { type Schema, type schemaCore, z } from "../../schema";
import { type Concentric, concentric } from "./concentric";
import type { ControlKind } from "./controlKind";
import { type Display, display } from "./display";
import { type Encoder, encoder } from "./encoder";
import { type FiveWay, fiveWay } from "./fiveWay";
import { type Fixing, fixing } from "./fixing";
import { type Key, key } from "./key";
import { type LadderPad, ladderPad } from "./ladderPad";
import { type Lamp, lamp } from "./lamp";
import { type Light, light } from "./light";
import { type Buzzer, type Motor, buzzer, motor } from "./outputs";
import { type MusicSocket, musicSocket } from "./musicSocket";
import { type PadPort, padPort } from "./padPort";
import { type Pot, pot } from "./pot";
import { type Radio, radio } from "./radio";
import { type Segments, segments } from "./segments";
import { type Stick, stick } from "./stick";
import { type Toggle, toggle } from "./toggle";

/** Every kind of control: its type here, its one line in the list below. */
export type Control =
  | Key
  | Toggle
  | Encoder
  | Concentric
  | Stick
  | Pot
  | FiveWay
  | LadderPad
  | Lamp
  | Light
  | Segments
  | Display
  | Radio
  | PadPort
  | MusicSocket
  | Buzzer
  | Motor
  | Fixing;

export const controlKinds = [
  key,
  toggle,
  encoder,
  concentric,
  stick,
  pot,
  fiveWay,
  ladderPad,
  lamp,
  light,
  segments,
  display,
  radio,
  padPort,
  musicSocket,
  buzzer,
  motor,
  fixing,
] as const;

/** Any kind, seen as one that takes any control; the kind is looked up by the control itself. */
export type AnyControlKind = ControlKind<Control>;

const byKind = new Map<string, AnyControlKind>(
  controlKinds.map((kind) => [kind.kind, kind as unknown as AnyControlKind]),
);

export const kindNamed = (kind: Control["kind"]): AnyControlKind => byKind.get(kind)!;
export const kindOf = (control: Control): AnyControlKind => kindNamed(control.kind);

const schemas = controlKinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const controlSchema = z.discriminatedUnion("kind", schemas) as unknown as Schema<Control>;
