import { type Schema, type schemaCore, z } from "../schema";
import type { CircuitKind } from "./circuitKind";
import { type DirectCircuit, direct } from "./direct";
import { type MatrixCircuit, matrix } from "./matrix";

/** Every kind of circuit: its type here, its one line in the list below. */
export type Circuit = DirectCircuit | MatrixCircuit;

export const circuitKinds = [direct, matrix] as const;

const byKind = new Map<string, CircuitKind<Circuit>>(
  circuitKinds.map((kind) => [kind.kind, kind as unknown as CircuitKind<Circuit>]),
);

export const circuitKindOf = (circuit: Circuit): CircuitKind<Circuit> => byKind.get(circuit.kind)!;

const schemas = circuitKinds.map((kind) => kind.schema) as unknown as [schemaCore.$ZodTypeDiscriminable];
export const circuitSchema = z.discriminatedUnion("kind", schemas) as unknown as Schema<Circuit>;
