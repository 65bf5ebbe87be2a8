import { type Opposite, type Together, togetherInput } from "../document/keyRules";
import type { Design } from "../document/schema";

const withRules = (design: Design, rules: Partial<Pick<Design["keymap"], "together" | "opposites">>): Design => ({
  ...design,
  keymap: { ...design.keymap, ...rules },
});

/** How soon after the first press the last one usually comes when keys are meant together (common practice). */
export const USUAL_WINDOW_MS = 40;

export const addTogether = (design: Design, id: string, parts: string[]): Design =>
  withRules(design, {
    together: [...(design.keymap.together ?? []), { id, parts, windowMs: USUAL_WINDOW_MS }],
  });

export const changeTogether = (design: Design, id: string, change: Partial<Omit<Together, "id">>): Design =>
  withRules(design, {
    together: design.keymap.together?.map((one) => (one.id === id ? { ...one, ...change } : one)),
  });

/** Takes keys together apart, and what they did on every layer with them. */
export function removeTogether(design: Design, id: string): Design {
  const input = togetherInput(id);
  const layers = design.keymap.layers.map((layer) => {
    const { [input]: _, ...bindings } = layer.bindings;
    return { ...layer, bindings };
  });
  const together = design.keymap.together?.filter((one) => one.id !== id);
  return { ...design, keymap: { ...design.keymap, layers, together } };
}

const isOf = ({ first, second }: Opposite, inputId: string) => first === inputId || second === inputId;

/** Says what counts while two directions are held at once; each input has one opposite at most. */
export const setOpposite = (design: Design, rule: Opposite): Design =>
  withRules(design, {
    opposites: [
      ...(design.keymap.opposites ?? []).filter((one) => !isOf(one, rule.first) && !isOf(one, rule.second)),
      rule,
    ],
  });

export const removeOpposite = (design: Design, inputId: string): Design =>
  withRules(design, { opposites: design.keymap.opposites?.filter((one) => !isOf(one, inputId)) });

/** The rules that are left of a design with these inputs, and which inputs they are themselves. */
export function rulesWith({ keymap }: Design, inputIds: Set<string>) {
  const together = keymap.together?.filter(({ parts }) => parts.every((part) => inputIds.has(part)));
  const opposites = keymap.opposites?.filter(({ first, second }) => inputIds.has(first) && inputIds.has(second));
  const own = new Set(together?.map(({ id }) => togetherInput(id)));
  return {
    isInput: (id: string) => own.has(id),
    keymap: { ...(together && { together }), ...(opposites && { opposites }) },
  };
}
