/** From so many on each costs so much. */
export interface QuantityStep {
  from: number;
  each: number;
}

/** What one supplier asks for a part. */
export interface Offer {
  /** Sold in multiples of it. */
  pack: number;
  /** Fewer are not sold. */
  least: number;
  /** By rising quantities; the first one holds from the least on. */
  steps: QuantityStep[];
}

export interface Bought {
  quantity: number;
  cost: number;
}

const upTo = (quantity: number, pack: number) => Math.ceil(quantity / pack - 1e-9) * pack;

/** Money units for a quantity that is sold. */
function costOf({ steps }: Offer, quantity: number): number {
  const step = steps.findLast(({ from }) => from <= quantity) ?? steps[0];
  return quantity * step.each;
}

/**
 * The cheapest quantity that is enough: where a price step lies a little above what is needed, buying more can cost less.
 * @param need pieces or metres, more than 0
 */
export function cheapestEnough(offer: Offer, need: number): Bought {
  const enough = upTo(Math.max(need, offer.least), offer.pack);
  const higher = offer.steps.flatMap(({ from }) => (from > enough ? [upTo(from, offer.pack)] : []));
  return [enough, ...higher]
    .map((quantity) => ({ quantity, cost: costOf(offer, quantity) }))
    .reduce((best, one) => (one.cost < best.cost ? one : best));
}
