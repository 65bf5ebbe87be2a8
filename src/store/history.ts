import type { Design } from "@/core/document/schema";

/** A state of the design and the words for the step that left it. */
export interface Step {
  design: Design;
  title: string;
}

/** The design with what can be undone and redone. Steps share all they have in common, so many are cheap. */
export interface History {
  design: Design;
  past: Step[];
  future: Step[];
}

const MOST_STEPS = 500;

export const startHistory = (design: Design): History => ({ design, past: [], future: [] });

export function advance(history: History, design: Design, title: string): History {
  if (design === history.design) return history;
  const past = [...history.past, { design: history.design, title }].slice(-MOST_STEPS);
  return { design, past, future: [] };
}

export function undo(history: History): History {
  const step = history.past.at(-1);
  if (!step) return history;
  const future = [...history.future, { design: history.design, title: step.title }];
  return { design: step.design, past: history.past.slice(0, -1), future };
}

export function redo(history: History): History {
  const step = history.future.at(-1);
  if (!step) return history;
  const past = [...history.past, { design: history.design, title: step.title }];
  return { design: step.design, past, future: history.future.slice(0, -1) };
}
