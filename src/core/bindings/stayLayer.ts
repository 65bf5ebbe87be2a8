import { z } from "../schema";
import { idSchema } from "../catalogue/kinds/controlKind";
import { ACTION } from "../contract/contract";
import type { BindingKind } from "./bindingKind";

const stayLayerSchema = z.strictObject({ does: z.literal("stay-layer"), layerId: idSchema });
export type StayLayerBinding = z.infer<typeof stayLayerSchema>;

export const stayLayer: BindingKind<StayLayerBinding> = {
  does: "stay-layer",
  schema: stayLayerSchema,
  action: ACTION.STAY_LAYER,
  decode: ({ value }, { layerId }) => ({ does: "stay-layer", layerId: layerId(value) }),
  report: null,
  phrase: (binding, context) => `stay on ${context.layerName(binding.layerId)}`,
  encode: (binding, context) => ({
    kind: ACTION.STAY_LAYER,
    modifiers: 0,
    value: context.layerIndex(binding.layerId),
  }),
  leads: ({ layerId }) => ({ layerId, lasting: "stays" }),
};
