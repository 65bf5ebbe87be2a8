import type { ToldAssembly } from "@/core/assembly/toldAssembly";
import type { CaseView } from "@/core/cases/caseView";
import type { Simpler } from "@/core/edits/savings";
import type { PurchaseView } from "@/core/purchase/purchaseView";
import { checking } from "@/workers/checking";
import { asideOf } from "./aside";

/** How the design in hand is put together. */
export const useAssembly = asideOf<ToldAssembly>((design) => checking().assembly(design));

/** What simpler ones would want. */
export const useSimplerOnes = asideOf<Simpler[]>((design) => checking().simplerOnes(design));

/** The cases around its boards. */
export const useCases = asideOf<CaseView[]>((design) => checking().cases(design));

/** What is bought where. */
export const usePurchase = asideOf<PurchaseView>((design) => checking().purchase(design));
