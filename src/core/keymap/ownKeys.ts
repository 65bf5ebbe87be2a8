import { type Binding, typedBy } from "../bindings";
import { derive } from "../derived/derive";
import type { ControlInput } from "../catalogue/kinds/controlKind";
import type { Design } from "../document/schema";

/**
 * The input that a key of the person's own keyboard stands for: one that types its usage now, with these layers active. On a layer that is not,
 * the same input would type something else, so such a key presses nothing.
 * @param active layer numbers, the base among them or not
 */
export function inputForUsage(design: Design, usage: number, active: number[]): ControlInput | undefined {
  const { layers } = design.keymap;
  const speaking = [...new Set([...active].sort((a, b) => b - a).concat(0))].flatMap((number) => layers[number] ?? []);
  const types = (binding: Binding | undefined) => binding !== undefined && typedBy(binding)?.usage === usage;
  const answers = ({ id }: ControlInput) => speaking.find(({ bindings }) => Object.hasOwn(bindings, id))?.bindings[id];
  const found = derive(design).inputs.filter((input) => types(answers(input)));
  // A plain key types at once; one with two jobs waits to be let go.
  return found.find((input) => answers(input)?.does === "keyboard") ?? found[0];
}
