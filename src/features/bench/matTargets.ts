/** What can be under the pointer or in focus on the mat, by the attribute that carries its id. */
type Target = "control" | "net" | "chip" | "corner" | "module";

/** The id of the nearest thing of a sort around an element of the drawing, or null. */
export const idAt = (target: EventTarget | null, sort: Target): string | null =>
  (target as Element | null)?.closest?.(`[data-${sort}]`)?.getAttribute(`data-${sort}`) ?? null;
