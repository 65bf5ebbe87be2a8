import { redoEdit, undoEdit } from "@/store/bench";
import { flip, select } from "@/store/hand";
import { pickForPlacing } from "@/store/placing";
import { useShortcuts } from "@/ui/pieces/useShortcuts";
import { useStage } from "./useStage";

interface BenchKeys {
  openPalette: () => void;
  openKeys: () => void;
}

/** Nothing in hand, nothing selected. */
function letGo() {
  pickForPlacing(null);
  select([]);
}

/** What is done to parts comes with its first use. */
const edits = () => import("@/store/selectionEdits");
const duplicateSelection = () => void edits().then((m) => m.duplicateSelection());
const selectAll = () => void edits().then((m) => m.selectAll());
const removeSelection = () => void edits().then((m) => m.removeSelection());

/** Fields that take every key for themselves, so that a key meant for the device never works the bench. */
const hasOwnKeys = (event: KeyboardEvent) => (event.target as Element | null)?.closest?.("[data-own-keys]") !== null;

/** Keys that work all over the bench. Those of the mat itself are with the mat. */
export function useBenchKeys({ openPalette, openKeys }: BenchKeys): void {
  const { stage } = useStage();
  const arranging = stage.mode === "arrange";
  useShortcuts(
    [
      { keys: ["mod+z"], run: undoEdit },
      { keys: ["mod+shift+z", "mod+y"], run: redoEdit },
      { keys: ["mod+k"], run: openPalette, inFields: true },
      { keys: ["?"], run: openKeys },
      { keys: ["f"], run: flip },
      { keys: ["escape"], run: letGo },
      { keys: ["mod+d"], run: duplicateSelection, enabled: arranging },
      { keys: ["delete", "backspace"], run: removeSelection, enabled: arranging },
      { keys: ["mod+a"], run: selectAll, enabled: stage.mode !== "press" },
    ],
    hasOwnKeys,
  );
}
