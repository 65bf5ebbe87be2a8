import { type Schema, type schemaCore, z } from "../schema";
import { type BusDisplays, busDisplays } from "./busDisplays";
import { type Charlieplex, charlieplex } from "./charlieplex";
import type { CircuitKind } from "./circuitKind";
import { type DirectCircuit, direct } from "./direct";
import { type ExpanderCircuit, expander } from "./expander";
import { type InputRegisters, inputRegisters } from "./inputRegisters";
import { type LadderCircuit, ladder } from "./ladder";
import { type LightChain, lightChain } from "./lightChain";
import { type MatrixCircuit, matrix } from "./matrix";
import { type MultiplexerCircuit, multiplexer } from "./multiplexer";
import { type OutputRegisters, outputRegisters } from "./outputRegisters";
import { type SegmentChain, segmentChain } from "./segmentChain";
import { type MusicOut, musicOut } from "./musicOut";
import { type PadPortCircuit, padPort } from "./padPort";
import { type SpiRadio, spiRadio } from "./spiRadio";
import { type TwoWayMatrix, twoWayMatrix } from "./twoWayMatrix";

/** Every kind of circuit: its type here, its one line in the list below. */
export type Circuit =
  | DirectCircuit
  | MatrixCircuit
  | TwoWayMatrix
  | InputRegisters
  | MultiplexerCircuit
  | ExpanderCircuit
  | LadderCircuit
  | OutputRegisters
  | Charlieplex
  | LightChain
  | BusDisplays
  | SegmentChain
  | SpiRadio
  | PadPortCircuit
  | MusicOut;

const kinds = [
  direct,
  matrix,
  twoWayMatrix,
  inputRegisters,
  multiplexer,
  expander,
  ladder,
  outputRegisters,
  charlieplex,
  lightChain,
  busDisplays,
  segmentChain,
  spiRadio,
  padPort,
  musicOut,
] as const;

export const circuitKinds = kinds as unknown as CircuitKind<Circuit>[];

const byKind = new Map(circuitKinds.map((kind) => [kind.kind, kind]));

export const circuitKindOf = (circuit: Circuit): CircuitKind<Circuit> => byKind.get(circuit.kind)!;
export const circuitKindNamed = (kind: Circuit["kind"]): CircuitKind<Circuit> => byKind.get(kind)!;

const schemas = kinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const circuitSchema = z.discriminatedUnion("kind", schemas) as unknown as Schema<Circuit>;
