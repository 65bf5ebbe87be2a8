"use client";

import { Box } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { PANEL } from "@/core/contract/panel";
import { setPanel } from "@/core/edits/reportSet";
import { noteName } from "@/core/hid/musicWords";
import { type HeardNotes, flagsHeard } from "@/core/hid/panelNotes";
import { HIGHEST_FIRST_CONTROLLER, noPanel, takesLines, usualNotes } from "@/core/hid/panelSettings";
import { edit, useDesign } from "@/store/bench";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, NumberField, TextField } from "@/ui/pieces/fields";
import { ChannelField, NoteField } from "@/ui/pieces/musicFields";
import { Columns, Row, Section } from "@/ui/pieces/sheets";

const MOST = { flags: PANEL.FLAGS, values: PANEL.VALUES };
const ONE = { flags: "flag", values: "value" };
const LONGEST = 40;

/** Names of what a program on the computer tells, in the order of its report. */
export function PanelSection() {
  const { reportSet } = useDesign();
  return (
    <Section title="What the computer tells">
      <Box fontSize="13px" color="var(--faint)">
        A program on the computer sends {PANEL.BYTES} bytes: flags that lamps and lights show, then values from 0 to
        255. Name them here; in Keymap a lamp shows one.
      </Box>
      <LinesBox />
      {reportSet.interfaces.includes("music") && <NotesBox />}
      <Names of="flags" title="Flags" />
      <Names of="values" title="Values" />
    </Section>
  );
}

function LinesBox() {
  const design = useDesign();
  const panel = design.reportSet.panel ?? noPanel;
  const set = (lines: boolean) => edit("lines over a serial port", (d) => setPanel(d, { ...panel, lines }));
  return (
    <>
      <Checkbox label="Lines of text over a serial port tell it too" checked={takesLines(design)} onChange={set} />
      {takesLines(design) && (
        <Box fontSize="13px" color="var(--faint)">
          Each line tells one thing by its number: “value 1 200”, “flag 2 1”. The finished image is a serial port to the
          computer for it, which takes three endpoints; in Python lines come over the board’s own; in firmware to
          compile you hand each byte to <code>ov_line_byte</code>.
        </Box>
      )}
    </>
  );
}

const highestNote = (heard: HeardNotes, flags: number) =>
  heard.note + Math.min(Math.max(flags, 1), flagsHeard(heard)) - 1;

function NotesBox() {
  const design = useDesign();
  const panel = design.reportSet.panel ?? noPanel;
  const heard = panel.notes;
  const set = (notes: HeardNotes | undefined) =>
    edit("notes that tell a panel", (d) => setPanel(d, { ...panel, notes }));
  const silent = heard ? Math.max(0, panel.flags.length - flagsHeard(heard)) : 0;
  return (
    <>
      <Checkbox
        label="Notes that the computer plays tell it too"
        checked={heard !== undefined}
        onChange={(on) => set(on ? usualNotes : undefined)}
      />
      {heard && (
        <>
          <Columns>
            <NoteField label="Note of flag 1" note={heard.note} onNote={(note) => set({ ...heard, note })} />
            <ChannelField channel={heard.channel} onChannel={(channel) => set({ ...heard, channel })} />
          </Columns>
          <NumberField
            label="Controller of value 1"
            unit=""
            whole
            min={0}
            max={HIGHEST_FIRST_CONTROLLER}
            value={heard.controller}
            onCommit={(controller) => set({ ...heard, controller })}
          />
          <Box fontSize="13px" color="var(--faint)">
            A flag is on while its note sounds: {noteName(heard.note)}
            {panel.flags.length > 1 && ` to ${noteName(highestNote(heard, panel.flags.length))}`}. Values follow
            controllers
            {panel.values.length > 1
              ? ` ${heard.controller} to ${heard.controller + panel.values.length - 1}`
              : ` from ${heard.controller} on`}
            , in 128 steps. It takes an endpoint more.
            {silent > 0 && ` No note is left for the last ${silent === 1 ? "flag" : `${silent} flags`}: begin lower.`}
          </Box>
        </>
      )}
    </>
  );
}

function Names({ of, title }: { of: "flags" | "values"; title: string }) {
  const design = useDesign();
  const panel = design.reportSet.panel ?? noPanel;
  const names = panel[of];
  const set = (next: string[], what: string) => edit(what, (d) => setPanel(d, { ...panel, [of]: next }));
  const add = () => set([...names, `${ONE[of]} ${names.length + 1}`], `one ${ONE[of]} more`);
  return (
    <Box as="section" aria-label={title} display="flex" flexDirection="column" gap="6px">
      <Box fontWeight="600">{title}</Box>
      {names.map((name, nth) => (
        <Box key={nth} display="grid" gridTemplateColumns="1fr 30px" gap="8px" alignItems="end">
          <TextField
            label={`${nth + 1}`}
            value={name}
            check={(text) =>
              text.trim() === "" || text.length > LONGEST ? `A name of 1 to ${LONGEST} characters.` : null
            }
            onCommit={(text) =>
              set(
                names.map((one, at) => (at === nth ? text.trim() : one)),
                `name of ${name}`,
              )
            }
          />
          {nth === names.length - 1 ? (
            <IconButton aria-label={`Remove ${name}`} onClick={() => set(names.slice(0, -1), `without ${name}`)}>
              <Trash2 size={16} />
            </IconButton>
          ) : (
            <span />
          )}
        </Box>
      ))}
      <Row>
        <PlainButton disabled={names.length >= MOST[of]} onClick={add}>
          One {ONE[of]} more
        </PlainButton>
      </Row>
    </Box>
  );
}
