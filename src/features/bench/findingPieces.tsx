"use client";

import type { ToldFinding } from "@/core/findings/finding";
import { useDesign } from "@/store/bench";
import { controlsOf } from "@/store/findings";
import { pickLayer, pickNet, select } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { settleOrTell } from "./settleOrTell";
import { useStage } from "./useStage";

/** Ways out of a finding, one click each. */
export function FixButtons({ finding, most = 3 }: { finding: ToldFinding; most?: number }) {
  return finding.fixes.slice(0, most).map((fix) => (
    <PlainButton key={fix} height="26px" onClick={() => settleOrTell(finding, fix)}>
      {fix}
    </PlainButton>
  ));
}

/** Goes to what a finding is about. */
export function useShow() {
  const design = useDesign();
  const { stage, go } = useStage();
  return (finding: ToldFinding) => {
    if (finding.stage !== stage.id) go(finding.stage);
    select([...new Set(finding.subjects.flatMap((subject) => controlsOf(design, subject)))]);
    pickNet(finding.subjects.find((subject) => subject.kind === "net")?.id ?? null);
    pickLayer(finding.subjects.find((subject) => subject.kind === "layer")?.id ?? null);
  };
}
