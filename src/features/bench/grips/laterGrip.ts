import type { MatPointer } from "@/ui/mat/Mat";
import type { Grip } from "./grip";

/**
 * A grip whose code comes with its first use. The hand is followed from when it is there; what the hand did is done
 * in any case, at the latest after it has let go.
 */
export function laterGrip(fetch: () => Promise<Grip>): Grip {
  let grip: Grip | null = null;
  const coming = fetch().then((got) => (grip = got));
  return {
    follow: (pointer: MatPointer) => grip?.follow?.(pointer),
    end(pointer: MatPointer) {
      if (grip) grip.end(pointer);
      else void coming.then((got) => got.end(pointer));
    },
  };
}
