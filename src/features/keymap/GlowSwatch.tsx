import { Box } from "@chakra-ui/react";
import type { GlowShows } from "@/core/document/glows";

const ROUND = "#c03030, #a08020, #30a040, #3060c0, #9030a0";

function fillOf(shows: GlowShows): string {
  if (shows.how === "still") return shows.colour;
  return `linear-gradient(90deg, ${shows.how === "round" ? ROUND : `${shows.colour}, ${shows.other}`})`;
}

/** The colours of a glow as a small bar; the words beside it say the same. */
export const GlowSwatch = ({ shows }: { shows: GlowShows }) => (
  <Box
    aria-hidden
    flexShrink="0"
    width="22px"
    height="14px"
    marginTop="3px"
    borderRadius="2px"
    border="1px solid var(--edge)"
    style={{ background: fillOf(shows) }}
  />
);
