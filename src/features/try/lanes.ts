import type { Change } from "@/store/session";

/** One line of the strip: the contact above, what the firmware makes of it below. */
export interface Lane {
  id: string;
  label: string;
  raw: Change[];
  rawStartsOn: boolean;
  settled: Change[];
  settledStartsOn: boolean;
}

interface Recorded {
  contacts: Change[];
  debounced: Change[];
  layers: Change[];
}

const MOST_LANES = 6;

/** The state before `from`: that of the last change before it, else the opposite of the first one after it. */
function startsOn(changes: Change[], from: number, otherwise: boolean): boolean {
  const before = changes.findLast((change) => change.atMs < from);
  if (before) return before.on;
  const after = changes.find((change) => change.atMs >= from);
  return after ? !after.on : otherwise;
}

function lane(id: string, label: string, raw: Change[], settled: Change[], from: number): Lane {
  return {
    id,
    label,
    raw,
    settled,
    rawStartsOn: startsOn(raw, from, false),
    settledStartsOn: startsOn(settled, from, false),
  };
}

/** The lanes to show: layers in use, then the contacts that moved last, in a steady order. */
export function lanesOf(
  recorded: Recorded,
  from: number,
  labelOf: (elementId: string) => string,
  layerName: (index: number) => string,
): Lane[] {
  const layerIds = [...new Set(recorded.layers.map((change) => change.id))];
  const layers = layerIds.map((id) => {
    const changes = recorded.layers.filter((change) => change.id === id);
    return lane(`layer ${id}`, layerName(Number(id)), [], changes, from);
  });
  const moved = [...recorded.contacts].reverse().map((change) => change.id);
  const ghosts = [...recorded.debounced].reverse().map((change) => change.id);
  const recent = [...new Set([...moved, ...ghosts])].slice(0, MOST_LANES).sort();
  const contacts = recent.map((id) => {
    const [element, end] = id.split("/");
    const label = end ? `${labelOf(element)} ${end}` : labelOf(id);
    const by = (changes: Change[]) => changes.filter((change) => change.id === id);
    return lane(id, label, by(recorded.contacts), by(recorded.debounced), from);
  });
  return [...contacts, ...layers];
}
