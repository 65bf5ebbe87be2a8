import { accessWords } from "../circuits/lineAccess";
import type { Derived } from "./derive";

/** By line that is no plain pin: how the firmware gets at it, in words. */
export const throughWords = (derived: Derived): Map<string, string> =>
  derived.once(
    "throughWords",
    () =>
      new Map(
        derived.builtCircuits.flatMap(({ access }) =>
          Object.entries(access).map(([id, one]): [string, string] => [
            id,
            accessWords(one, (netId) => derived.netById.get(netId)?.flag ?? netId),
          ]),
        ),
      ),
  );
