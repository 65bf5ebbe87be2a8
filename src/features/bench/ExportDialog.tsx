"use client";

import { useEffect, useState } from "react";
import { Box } from "@chakra-ui/react";
import type { Design } from "@/core/document/schema";
import { loadLanguage } from "@/store/hostLanguages";
import type { FirmwareFit } from "@/core/formats/firmwareFit";
import { useDesign } from "@/store/bench";
import { notify } from "@/ui/pieces/notices";
import { Dialog } from "@/ui/pieces/Dialog";
import { exportChoices } from "./exportChoices";
import { exportDesign } from "@/ui/files/exportDesign";

interface Fits {
  of: Map<string, FirmwareFit>;
  undriven: string[];
}

/** What each form of firmware makes of the design; it comes a moment after the list. */
function useFits(design: Design): Fits | null {
  const [fits, setFits] = useState<Fits | null>(null);
  useEffect(() => {
    let isGone = false;
    const coming = Promise.all([import("@/core/formats/firmwareFit"), loadLanguage(design.keymap.hostLanguage)]);
    void coming.then(([{ firmwareFits, undrivenParts }]) => {
      if (isGone) return;
      const all = firmwareFits(design).map((fit): [string, FirmwareFit] => [fit.id, fit]);
      setFits({ of: new Map(all), undriven: undrivenParts(design) });
    });
    return () => {
      isGone = true;
    };
  }, [design]);
  return fits;
}

/** What a form of firmware takes, or why it does not take this design. */
function FitWords({ fit, undriven }: { fit: FirmwareFit; undriven: string[] }) {
  if (fit.refusal)
    return (
      <Box as="span" display="block" fontSize="13px" color="var(--stop)">
        Not as it stands: the design {fit.refusal}.
      </Box>
    );
  const left = undriven.length > 0 ? ` No firmware drives ${undriven.join(", ")} yet.` : "";
  return (
    <Box as="span" display="block" fontSize="13px" color="var(--settled)">
      {fit.takes.join(" ")}
      {left}
    </Box>
  );
}

/** Everything the design can leave the bench as. */
export function ExportDialog({ onClose }: { onClose: () => void }) {
  const design = useDesign();
  const fits = useFits(design);
  const take = (id: string) => {
    onClose();
    void exportDesign(design, id).then(notify);
  };
  return (
    <Dialog title={`Export ${design.name}`} open onClose={onClose} wide>
      <ul style={{ listStyle: "none", margin: 0, padding: 0, columnCount: 2, columnGap: 20 }}>
        {exportChoices.map(({ id, title, purpose }) => (
          <Box as="li" key={id} borderTop="1px solid var(--edge)" breakInside="avoid">
            <button
              onClick={() => take(id)}
              style={{ width: "100%", textAlign: "left", padding: "9px 6px", cursor: "pointer" }}
              className="line-button"
            >
              <Box as="span" fontWeight="600" display="block">
                {title}
              </Box>
              <Box as="span" fontSize="13px" color="var(--faint)">
                {purpose}
              </Box>
              {fits?.of.has(id) && <FitWords fit={fits.of.get(id)!} undriven={fits.undriven} />}
            </button>
          </Box>
        ))}
      </ul>
    </Dialog>
  );
}
