import { useEffect, useState } from "react";
import type { HostLanguage } from "@/core/languages/hostLanguage";
import type { LanguageId } from "@/core/languages/ids";
import { loadLanguage } from "@/store/hostLanguages";

/** A keyboard language with its tables; null until they have come. */
export function useHostLanguage(id: LanguageId): HostLanguage | null {
  const [language, setLanguage] = useState<HostLanguage | null>(null);
  useEffect(() => {
    let isAsked = true;
    void loadLanguage(id)
      .then((loaded) => isAsked && setLanguage(loaded))
      .catch(() => {});
    return () => {
      isAsked = false;
    };
  }, [id]);
  return language?.id === id ? language : null;
}
