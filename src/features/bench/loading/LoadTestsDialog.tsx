"use client";

import { useMemo } from "react";
import { testKeymapOf } from "@/core/bringup/testKeymap";
import { useDesign } from "@/store/bench";
import { loadTests } from "@/store/loadingTests";
import { LoadDialog } from "./LoadDialog";
import { OtherDesign } from "./designToLoad";

/** Of the 40 characters that a name may have. */
const LONGEST_NAME = 30;

/** Loads the device on the bench with the keymap for tests; the design keeps its own. */
export function LoadTestsDialog() {
  const own = useDesign();
  const design = useMemo(() => {
    const tests = testKeymapOf(own).design;
    return { ...tests, name: `${own.name.slice(0, LONGEST_NAME)} for tests` };
  }, [own]);
  return (
    <OtherDesign.Provider value={design}>
      <LoadDialog onClose={() => loadTests(false)} />
    </OtherDesign.Provider>
  );
}
