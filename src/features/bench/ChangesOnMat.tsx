"use client";

import type { Design } from "@/core/document/schema";
import { useCompared } from "@/store/comparison";
import { ChangesLens } from "@/ui/lenses/ChangesLens";

/** What two revisions differ in, part by part. */
export function ChangesOnMat({ design }: { design: Design }) {
  const { compared } = useCompared(design);
  if (!compared?.before || !compared.after || !compared.told) return null;
  return <ChangesLens before={compared.before} after={compared.after} differences={compared.told.differences} />;
}
