import type { ToldFinding } from "@/core/findings/finding";
import { settle } from "@/store/findings";
import { notify } from "@/ui/pieces/notices";

/** Applies a fix, or says that the design has moved on since the finding was told. */
export const settleOrTell = (finding: ToldFinding, title: string): Promise<void> =>
  settle(finding, title).then(
    (isDone) => {
      if (!isDone) notify("That is settled already: the design has changed since.");
    },
    () => notify("The fix could not be loaded; reload the page and try again."),
  );
