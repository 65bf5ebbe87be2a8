import { useHotkeys } from "react-hotkeys-hook";
import { duplicateControls, removeControls } from "@/core/design/edits/controls";
import { edit, flip, redoEdit, select, undoEdit, useBench } from "@/store/bench";
import { newId } from "@/store/newId";
import { takeInHand } from "@/store/placing";
import { useStage } from "./useStage";

interface BenchKeys {
  openPalette: () => void;
  openKeys: () => void;
}

/** Removes what is selected: one step to undo. */
export function removeSelection(): void {
  const { selection } = useBench.getState();
  if (selection.length > 0) edit(`remove ${selection.length}`, (design) => removeControls(design, selection));
}

/** Copies what is selected one pitch to the right and below; the copies are then selected. */
export function duplicateSelection(): void {
  const { selection, history } = useBench.getState();
  if (!history || selection.length === 0) return;
  const { pitch } = history.design;
  const before = new Set(history.design.controls.map((control) => control.id));
  edit(`duplicate ${selection.length}`, (design) =>
    duplicateControls(design, selection, newId, [pitch.xMm, pitch.yMm]),
  );
  select(
    useBench
      .getState()
      .history!.design.controls.map((control) => control.id)
      .filter((id) => !before.has(id)),
  );
}

export function selectAll(): void {
  select(useBench.getState().history?.design.controls.map((control) => control.id) ?? []);
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
