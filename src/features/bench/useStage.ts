import { useParams, useRouter } from "next/navigation";
import { stages } from "../stages";
import type { StageView } from "../stageView";

/** The stage in the address; an unknown one is the first. */
export function useStage(): { designId: string; stage: StageView; go: (stageId: string) => void } {
  const { design, stage: id } = useParams<{ design: string; stage?: string }>();
  const router = useRouter();
  const stage = stages.find((view) => view.id === id) ?? stages[0];
  return { designId: design, stage, go: (stageId) => router.push(`/bench/${design}/${stageId}`) };
}
