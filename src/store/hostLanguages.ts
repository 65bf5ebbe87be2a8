import type { HostLanguage } from "@/core/languages/hostLanguage";
import type { LanguageId } from "@/core/languages/ids";
import { bringLanguages } from "@/core/languages/known";
import { usEnglish } from "@/core/languages/usEnglish";

/** The tables of all languages but the first come when one is asked for. */
export async function loadLanguage(id: LanguageId): Promise<HostLanguage> {
  if (id === usEnglish.id) return usEnglish;
  const { hostLanguage } = await import("@/core/languages/languages");
  bringLanguages(hostLanguage);
  return hostLanguage(id);
}
