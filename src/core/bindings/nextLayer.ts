import { z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const nextLayerSchema = z.strictObject({ does: z.literal("next-layer"), layerId: idSchema });
export type NextLayerBinding = z.infer<typeof nextLayerSchema>;

/** A layer for the next key only; while its own key is held, for all that is pressed. */
export const nextLayer: BindingKind<NextLayerBinding> = {
  does: "next-layer",
  schema: nextLayerSchema,
  action: ACTION.NEXT_LAYER,
  decode: ({ value }, { layerId }) => ({ does: "next-layer", layerId: layerId(value) }),
  report: null,
  phrase: ({ layerId }, context) => `${context.layerName(layerId)} for the next key`,
  encode: ({ layerId }, context) => ({ kind: ACTION.NEXT_LAYER, modifiers: 0, value: context.layerIndex(layerId) }),
  leads: ({ layerId }) => ({ layerId, lasting: "held" }),
};
