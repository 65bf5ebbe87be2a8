"use client";

import { createContext, useContext } from "react";
import type { Design } from "@/core/document/schema";
import { useDesign } from "@/store/bench";

/** What is loaded in place of the design on the bench. */
export const OtherDesign = createContext<Design | null>(null);

/** What the dialog loads: the design on the bench, or another one made from it. */
export function useDesignToLoad(): Design {
  const own = useDesign();
  return useContext(OtherDesign) ?? own;
}
