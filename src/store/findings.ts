import { useMemo } from "react";
import { derive } from "@/core/design/derive";
import type { Design } from "@/core/design/schema";
import { findingsOf } from "@/core/findings/check";
import type { Finding, Subject } from "@/core/findings/finding";

const known = new WeakMap<Design, Finding[]>();

/** All findings of a design, kept as long as the design object lives. */
export function findingsFor(design: Design): Finding[] {
  let findings = known.get(design);
  if (!findings) {
    findings = findingsOf(design);
    known.set(design, findings);
  }
  return findings;
}

export const useFindings = (design: Design): Finding[] => useMemo(() => findingsFor(design), [design]);

/** The controls that a finding is about, whatever it names. */
export function controlsOf(design: Design, subject: Subject): string[] {
  const { netById, elements, inputs } = derive(design);
  if (subject.kind === "control") return [subject.id];
  if (subject.kind === "element") return [elements.get(subject.id)?.controlId ?? []].flat();
  if (subject.kind === "input") return [inputs.find(({ id }) => id === subject.id)?.controlId ?? []].flat();
  if (subject.kind === "net") return [...new Set(netById.get(subject.id)?.taps.map((tap) => tap.controlId) ?? [])];
  return [];
}
