import type { Design } from "@/core/document/schema";
import type { Supply } from "@/core/document/supplySettings";

/** A design with something of its supply changed. */
export const setSupply = (design: Design, change: Partial<Supply>): Design => ({
  ...design,
  supply: { ...design.supply, ...change },
});
