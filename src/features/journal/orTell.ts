import { troubleOf } from "@/store/storeTrouble";
import { notify } from "@/ui/pieces/notices";

/** Tells what went wrong, where the browser had no room for what should be frozen. */
export const orTell = (work: Promise<void>): void =>
  void work.catch((error: unknown) => notify(`Not frozen. ${troubleOf(error).message}`));
