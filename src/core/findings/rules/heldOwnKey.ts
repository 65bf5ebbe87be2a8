import { leadsOf } from "../../bindings";
import { bind } from "../../edits/keymap";
import type { Rule } from "../finding";

/** What stands on a layer at the very key that has to be held for it. */
export const heldOwnKey: Rule = {
  id: "keymap/held-own-key",
  stage: "keymap",
  severity: "note",
  why: "A key that is held down to be on a layer cannot be pressed there.",
  source: "follows from the keymap",
  check({ keymap: { layers } }, { bindable }) {
    return layers.flatMap((layer) => {
      const leads = layers.flatMap(({ bindings }) =>
        Object.entries(bindings).flatMap(([inputId, binding]) =>
          leadsOf(binding).flatMap(({ layerId, lasting }) => (layerId === layer.id ? [{ inputId, lasting }] : [])),
        ),
      );
      const holders = new Set(leads.map(({ inputId }) => inputId));
      const [only] = holders;
      if (holders.size !== 1 || leads.some(({ lasting }) => lasting !== "held")) return [];
      if (!Object.hasOwn(layer.bindings, only)) return [];
      const label = bindable.find(({ id }) => id === only)?.label ?? only;
      return [
        {
          message: `${label} is bound on ${layer.name}, and is held there: nobody can press it.`,
          subjects: [{ kind: "input" as const, id: only }],
          fixes: [{ title: `Clear ${label} on ${layer.name}`, apply: (d) => bind(d, layer.id, only, null) }],
        },
      ];
    });
  },
};
