"use client";

import { Box } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { PANEL } from "@/core/contract/panel";
import { setPanel } from "@/core/edits/reportSet";
import { noPanel, takesLines } from "@/core/hid/panelSettings";
import { edit, useDesign } from "@/store/bench";
import { IconButton, PlainButton } from "@/ui/pieces/buttons";
import { Checkbox, TextField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";

const MOST = { flags: PANEL.FLAGS, values: PANEL.VALUES };
const ONE = { flags: "flag", values: "value" };
const LONGEST = 40;

/** Names of what a program on the computer tells, in the order of its report. */
export function PanelSection() {
  return (
    <Section title="What the computer tells">
      <Box fontSize="13px" color="var(--faint)">
        A program on the computer sends {PANEL.BYTES} bytes: flags that lamps and lights show, then values from 0 to
        255. Name them here; in Keymap a lamp shows one.
      </Box>
      <LinesBox />
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
