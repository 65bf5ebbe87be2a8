import { create } from "zustand";
import type { Control } from "@/core/catalogue/kinds";

/** The kind of control in hand, waiting for its place on the mat. */
export const usePlacing = create<{ kind: Control["kind"] | null }>(() => ({ kind: null }));

export const pickForPlacing = (kind: Control["kind"] | null): void => usePlacing.setState({ kind });
