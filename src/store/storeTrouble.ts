/** Why the browser could not keep a design, in words that name the way out. */
export interface StoreTrouble {
  kind: "full" | "unavailable" | "other";
  message: string;
}

/** Browsers name a full disk or quota in two ways, and private windows without storage in several. */
export function troubleOf(error: unknown): StoreTrouble {
  const name = error instanceof Error || error instanceof DOMException ? error.name : "";
  if (name === "QuotaExceededError" || /quota|disk/i.test(String(error)))
    return {
      kind: "full",
      message:
        "The browser's storage is full, so this design is not saved. Export it now, then delete designs you no longer need.",
    };
  if (["InvalidStateError", "SecurityError", "UnknownError", "NotSupportedError", "MissingAPIError"].includes(name))
    return {
      kind: "unavailable",
      message:
        "This browser window keeps nothing (a private window, or storage is switched off). Export the design before you close it.",
    };
  return { kind: "other", message: `The design could not be saved (${String(error)}). Export it now to be safe.` };
}
