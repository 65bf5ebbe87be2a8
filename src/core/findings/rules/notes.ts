import { jobsOf } from "../../bindings";
import type { NoteBinding } from "../../bindings/note";
import type { Design, Layer } from "../../document/schema";
import { layNotes, rowsOfInputs } from "../../edits/layNotes";
import { noteName } from "../../hid/musicWords";
import { gapsOf, scales } from "../../keymap/scales";
import { type Observation, type Rule, counted, listed } from "../finding";

/** Fewer notes are no scale yet. */
const FEWEST = 5;
/** What leaves out more than this of its notes leaves them out on purpose. */
const MOST_MISSING = 1 / 4;

interface Played {
  id: string;
  note: NoteBinding;
}

/** Notes of a layer by their channel. */
function playedOn(layer: Layer): Map<number, Played[]> {
  const byChannel = new Map<number, Played[]>();
  for (const [id, binding] of Object.entries(layer.bindings)) {
    const note = jobsOf(binding)[0];
    if (note?.does !== "note") continue;
    byChannel.set(note.channel, [...(byChannel.get(note.channel) ?? []), { id, note }]);
  }
  return byChannel;
}

/** Keys of a row whose note is beneath that of the key to the left of them. */
const fallsIn = (row: Played[]) => row.filter(({ note }, nth) => nth > 0 && note.note < row[nth - 1].note.note);

interface Keyboard {
  design: Design;
  layer: Layer;
  played: Played[];
  nameOf: (inputId: string) => string;
}

/** All notes anew, from the lowest on, in the scale that they follow. */
function anew({ layer, played }: Keyboard): Observation["fixes"] {
  const notes = played.map(({ note }) => note.note);
  const first = Math.min(...notes);
  const scale = gapsOf([...new Set(notes)].sort((a, b) => a - b))?.scale ?? "chromatic";
  const { velocity, channel } = played[0].note;
  const lay = { first, scale, from: "near" as const, velocity, channel };
  const ids = played.map(({ id }) => id);
  const apply = (d: Design) => layNotes(d, layer.id, ids, lay) ?? d;
  return [{ title: `Lay the notes anew, rising from ${noteName(first)}: ${scales[scale].title}`, apply }];
}

function backwards(keyboard: Keyboard): Observation[] {
  const { design, played, nameOf, layer } = keyboard;
  const byId = new Map(played.map((one) => [one.id, one]));
  return rowsOfInputs(design, [...byId.keys()]).flatMap((ids) => {
    const row = ids.map((id) => byId.get(id)!);
    const falls = fallsIn(row);
    if (row.length < FEWEST || falls.length === 0) return [];
    const all = falls.length === row.length - 1;
    const [first] = falls;
    const before = row[row.indexOf(first) - 1];
    const message = all
      ? `On ${layer.name} the notes from ${nameOf(row[0].id)} to ${nameOf(row.at(-1)!.id)} fall from the left to the right.`
      : `On ${layer.name} ${nameOf(first.id)} plays ${noteName(first.note.note)}, which falls from ${noteName(before.note.note)} of ${nameOf(before.id)}, left of it${falls.length > 1 ? `; so do ${falls.length - 1} more` : ""}.`;
    return [
      {
        message,
        subjects: (all ? row : falls).map(({ id }) => ({ kind: "input" as const, id })),
        fixes: anew(keyboard),
      },
    ];
  });
}

function missing(keyboard: Keyboard): Observation[] {
  const { played, layer } = keyboard;
  const notes = [...new Set(played.map(({ note }) => note.note))].sort((a, b) => a - b);
  const gaps = notes.length < FEWEST ? null : gapsOf(notes);
  if (!gaps || gaps.missing.length === 0 || gaps.missing.length > notes.length * MOST_MISSING) return [];
  const { length } = gaps.missing;
  return [
    {
      message: `On ${layer.name} no key plays ${listed(gaps.missing.slice(0, 4).map(noteName))}${length > 4 ? ` and ${length - 4} more` : ""}, between ${noteName(notes[0])} and ${noteName(notes.at(-1)!)} (${scales[gaps.scale].title}).`,
      subjects: [],
      fixes: anew(keyboard),
    },
  ];
}

function twice(keyboard: Keyboard): Observation[] {
  const { played, layer, nameOf } = keyboard;
  const byNote = new Map<number, Played[]>();
  for (const one of played) byNote.set(one.note.note, [...(byNote.get(one.note.note) ?? []), one]);
  const doubled = [...byNote].filter(([, keys]) => keys.length > 1);
  if (played.length < FEWEST || doubled.length === 0) return [];
  const [note, keys] = doubled[0];
  const more = doubled.length > 1 ? ` ${counted(doubled.length - 1, "more note")} likewise.` : "";
  return [
    {
      severity: "note",
      message: `On ${layer.name} ${listed(keys.map(({ id }) => nameOf(id)))} play ${noteName(note)}.${more}`,
      subjects: doubled.flatMap(([, all]) => all.map(({ id }) => ({ kind: "input" as const, id }))),
      fixes: anew(keyboard),
    },
  ];
}

/** Keyboards of pads: all notes are there, and rise. */
export const notes: Rule = {
  id: "keymap/notes",
  stage: "keymap",
  severity: "warn",
  why: "A note that is not where the hand looks for it is heard as a wrong one.",
  source: "common practice",
  check(design, { bindable }) {
    const names = new Map(bindable.map(({ id, label }) => [id, label]));
    const nameOf = (id: string) => names.get(id) ?? id;
    return design.keymap.layers.flatMap((layer) =>
      [...playedOn(layer).values()].flatMap((played) => {
        const there = played.filter(({ id }) => names.has(id));
        const keyboard = { design, layer, played: there, nameOf };
        return [...backwards(keyboard), ...missing(keyboard), ...twice(keyboard)];
      }),
    );
  },
};
