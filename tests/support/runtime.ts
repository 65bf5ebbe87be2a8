import { bringInlineRuntime } from "@/core/engine/inlineRuntime";
import { bringAllLanguages } from "@/core/languages/allLanguages";

// What the browser fetches as a file is there from the start.
bringInlineRuntime();
bringAllLanguages();
