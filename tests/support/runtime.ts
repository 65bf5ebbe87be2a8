import { bringInlineRuntime } from "@/core/engine/inlineRuntime";

// What the browser fetches as a file is there from the start.
bringInlineRuntime();
