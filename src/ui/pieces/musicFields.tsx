"use client";

import { MUSIC } from "@/core/contract/music";
import { noteName, noteNamed } from "@/core/hid/musicWords";
import { NumberField, TextField } from "./fields";

const badNote = (words: string) =>
  noteNamed(words) === null ? `"${words}" is no note: C-1 to G9, like C4 or F#3, or a number from 0 to 127.` : null;

/** A note by its name or number. */
export const NoteField = ({ label, note, onNote }: { label: string; note: number; onNote: (note: number) => void }) => (
  <TextField
    label={label}
    value={noteName(note)}
    check={badNote}
    onCommit={(words) => {
      const named = noteNamed(words);
      if (named !== null) onNote(named);
    }}
  />
);

export const ChannelField = ({ channel, onChannel }: { channel: number; onChannel: (channel: number) => void }) => (
  <NumberField
    label="Channel"
    whole
    unit=""
    min={1}
    max={MUSIC.CHANNELS}
    value={channel + 1}
    onCommit={(value) => onChannel(value - 1)}
  />
);
