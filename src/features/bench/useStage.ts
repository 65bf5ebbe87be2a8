import { usePathname } from "next/navigation";
import { holdSession } from "@/store/session";
import { stages } from "../stages";
import type { StageView } from "../stageView";

const addressOf = (design: string, stageId: string) => `/bench/${design}/${stageId}`;

/** Changes the stage without asking the server: all of them are one page, and only the address says which is shown. */
function show(address: string): void {
  holdSession();
  window.history.pushState(null, "", address);
}

/** The stage in the address; an unknown one is the first. */
export function useStage(): {
  designId: string;
  stage: StageView;
  addressOf: (stageId: string) => string;
  go: (stageId: string) => void;
} {
  const [, , design = "", id] = usePathname().split("/");
  const stage = stages.find((view) => view.id === id) ?? stages[0];
  return {
    designId: decodeURIComponent(design),
    stage,
    addressOf: (stageId) => addressOf(design, stageId),
    go: (stageId) => show(addressOf(design, stageId)),
  };
}
