import type { ComponentType } from "react";
import type { Control } from "@/core/catalogue/kinds";
import { EncoderFields } from "./EncoderFields";
import { KeyFields } from "./KeyFields";
import { LampFields } from "./LampFields";

/** Fields of one kind; `change` names what changes, for the undo step. */
export interface KindFieldsProps<C> {
  control: C;
  change: (what: string, fields: Partial<C>) => void;
}

/** The tray's fields of each kind, one line each. */
const fields: { [K in Control["kind"]]: ComponentType<KindFieldsProps<Extract<Control, { kind: K }>>> } = {
  key: KeyFields,
  encoder: EncoderFields,
  lamp: LampFields,
};

export const fieldsOf = (kind: Control["kind"]): ComponentType<KindFieldsProps<Control>> =>
  fields[kind] as ComponentType<KindFieldsProps<Control>>;
