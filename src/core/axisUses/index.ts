import { AXIS_DO } from "../contract/axes";
import type { InterfaceKind } from "../hid/interfaceKinds";
import type { PadAxis } from "../hid/padShape";
import { type Schema, type schemaCore, z } from "../schema";
import type { AxisUseEntry, AxisUseKind } from "./axisUseKind";
import { type MusicUse, musicUse } from "./musicUse";
import { type NothingUse, nothingUse } from "./nothingUse";
import { type PadUse, padUse } from "./padUse";
import { type PlaceUse, placeUse } from "./placeUse";
import { type PointerUse, pointerUse } from "./pointerUse";
import { type WheelUse, wheelUse } from "./wheelUse";

/** What an axis does on a layer. No use means: as on the layer beneath. */
export type AxisUse = PointerUse | PlaceUse | WheelUse | PadUse | MusicUse | NothingUse;

export const axisUseKinds = [pointerUse, placeUse, wheelUse, padUse, musicUse, nothingUse] as const;

const byDeed = new Map<string, AxisUseKind<AxisUse>>(
  axisUseKinds.map((kind) => [kind.does, kind as unknown as AxisUseKind<AxisUse>]),
);
const kindOf = (use: AxisUse): AxisUseKind<AxisUse> => byDeed.get(use.does)!;

const schemas = axisUseKinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const axisUseSchema = z.discriminatedUnion("does", schemas) as unknown as Schema<AxisUse>;

export const freshAxisUse = (does: AxisUse["does"], end: string): AxisUse => byDeed.get(does)!.fresh(end);
export const axisUsePhrase = (use: AxisUse): string => kindOf(use).phrase(use);
export const axisUseReport = (use: AxisUse): InterfaceKind | null => kindOf(use).report;
export const padAxisOf = (use: AxisUse): PadAxis | null => kindOf(use).padAxis?.(use) ?? null;

const PASS: AxisUseEntry = { does: AXIS_DO.PASS, which: 0, speed: 0 };
export const axisUseEntry = (use: AxisUse | undefined, declared: readonly PadAxis[]): AxisUseEntry =>
  use ? kindOf(use).encode(use, declared) : PASS;
