/** An action of the palette: its name, other everyday words for it, and its keys where it has any. */
export interface Action {
  title: string;
  words?: string;
  keys?: string;
  run: () => void;
}

/**
 * Actions whose name or other words hold every part of what was typed. Names come before other words, names that begin
 * so before both.
 */
export function found(actions: Action[], query: string): Action[] {
  const parts = query.toLowerCase().split(/\s+/).filter(Boolean);
  const textOf = ({ title, words = "" }: Action) => `${title} ${words}`.toLowerCase();
  const rank = ({ title }: Action) => {
    const name = title.toLowerCase();
    if (name.startsWith(query.trim().toLowerCase())) return 0;
    return parts.every((part) => name.includes(part)) ? 1 : 2;
  };
  return actions
    .filter((action) => parts.every((part) => textOf(action).includes(part)))
    .map((action, nth) => ({ action, nth, rank: rank(action) }))
    .sort((a, b) => a.rank - b.rank || a.nth - b.nth)
    .map(({ action }) => action);
}
