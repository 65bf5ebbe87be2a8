import { useHotkeys } from "react-hotkeys-hook";
import { redoEdit, undoEdit } from "@/store/bench";
import { flip, select } from "@/store/hand";
import { takeInHand } from "@/store/placing";
import { duplicateSelection, removeSelection, selectAll } from "@/store/selectionEdits";
import { useStage } from "./useStage";

interface BenchKeys {
  openPalette: () => void;
  openKeys: () => void;
}

/** Nothing in hand, nothing selected. */
function letGo() {
  takeInHand(null);
  select([]);
}

/** Fields that take every key for themselves, so that a key meant for the device never works the bench. */
const hasOwnKeys = (event: KeyboardEvent) => (event.target as Element | null)?.closest?.("[data-own-keys]") !== null;

/** Keys that work all over the bench. Those of the mat itself are with the mat. */
export function useBenchKeys({ openPalette, openKeys }: BenchKeys): void {
  const { stage } = useStage();
  const arranging = stage.mode === "arrange";
  const ignoreEventWhen = hasOwnKeys;
  const quiet = { preventDefault: true, ignoreEventWhen };
  useHotkeys("mod+z", undoEdit, quiet);
  useHotkeys("mod+shift+z, mod+y", redoEdit, quiet);
  useHotkeys("mod+k", openPalette, { ...quiet, enableOnFormTags: true });
  useHotkeys("shift+slash, shift+?", openKeys, { useKey: true, ignoreEventWhen });
  useHotkeys("f", flip, { ignoreEventWhen });
  useHotkeys("escape", letGo, { ignoreEventWhen });
  useHotkeys("mod+d", duplicateSelection, { ...quiet, enabled: arranging });
  useHotkeys("delete, backspace", removeSelection, { enabled: arranging, ignoreEventWhen });
  useHotkeys("mod+a", selectAll, { ...quiet, enabled: stage.mode !== "press" });
}
