"use client";

import { Box } from "@chakra-ui/react";
import { beforeOrder } from "@/core/findings/beforeOrder";
import type { PurchaseView } from "@/core/purchase/purchaseView";
import { counted } from "@/core/words";
import { useDesign } from "@/store/bench";
import { controlsOf, useFindings } from "@/store/findings";
import { select } from "@/store/hand";
import { PlainButton } from "@/ui/pieces/buttons";
import { PageLink } from "@/ui/pieces/PageLink";
import { Section } from "@/ui/pieces/sheets";

/** What cannot be undone once it is bought. */
export function BeforeOrderSection({ view }: { view: PurchaseView }) {
  const design = useDesign();
  const { findings } = useFindings(design);
  const open = beforeOrder(findings);
  const unoffered = view.orders.length > 0 ? view.unoffered.length : 0;
  const count = open.length + (unoffered > 0 ? 1 : 0);
  return (
    <Section title="Before you order" aside={<span>{count === 0 ? "all settled" : `${count} to settle`}</span>}>
      {count === 0 && (
        <div>Nothing is open that could not be undone after buying. Lay the plate on its 1 : 1 sheet once more.</div>
      )}
      <ul style={{ listStyle: "none", padding: 0, margin: 0 }}>
        {open.map((finding, nth) => (
          <Box
            as="li"
            key={`${finding.rule} ${nth}`}
            borderLeft={`3px solid var(--${finding.severity})`}
            paddingLeft="8px"
            marginBottom="8px"
          >
            <div>{finding.message}</div>
            <Box display="flex" gap="8px" alignItems="center">
              <PlainButton
                onClick={() => select([...new Set(finding.subjects.flatMap((subject) => controlsOf(design, subject)))])}
              >
                Show it
              </PlainButton>
              <PageLink href={`/bench/${encodeURIComponent(design.id)}/${finding.stage}`}>
                Go to {finding.stage}
              </PageLink>
            </Box>
          </Box>
        ))}
        {unoffered > 0 && (
          <Box as="li" borderLeft="3px solid var(--warn)" paddingLeft="8px">
            {counted(unoffered, "line")} that nobody offers: the device cannot be finished with these orders.
          </Box>
        )}
      </ul>
    </Section>
  );
}
