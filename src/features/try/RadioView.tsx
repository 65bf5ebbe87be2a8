"use client";

import { Box } from "@chakra-ui/react";
import { type LinkCounts, type SentPacket, deafRadio } from "@/core/engine/radioLink";
import { setAir, useSession } from "@/store/session";
import { Checkbox } from "@/ui/pieces/fields";
import { Section, Values } from "@/ui/pieces/sheets";

const SPOILT_IN = 40;
const LOST_IN = 10;
const SHOWN = 12;

/** The other end of a radio: what its receiver makes of the packets, and what the air does to them. */
export function RadioView() {
  const { counts, packets } = useSession((state) => state.radio) ?? deafRadio;
  const air = useSession((state) => state.air);
  return (
    <Section title="What the radio’s receiver hears">
      <Values rows={valuesOf(packets)} />
      <Checkbox
        label={`One byte in ${SPOILT_IN} comes otherwise than it was sent`}
        checked={air.spoiltIn > 0}
        onChange={(on) => setAir({ ...air, spoiltIn: on ? SPOILT_IN : 0 })}
      />
      <Checkbox
        label={`One packet in ${LOST_IN} does not come at all`}
        checked={air.lostIn > 0}
        onChange={(on) => setAir({ ...air, lostIn: on ? LOST_IN : 0 })}
      />
      <Values rows={countRows(counts)} />
      <Box
        as="ul"
        listStyleType="none"
        fontSize="13px"
        maxHeight="150px"
        overflowY="auto"
        tabIndex={0}
        aria-label="Packets, the newest first"
      >
        {packets
          .slice(-SHOWN)
          .reverse()
          .map((packet) => (
            <li key={packet.atMs}>
              <Packet packet={packet} />
            </li>
          ))}
      </Box>
    </Section>
  );
}

/** What the last packet that was taken says. */
function valuesOf(packets: SentPacket[]): [string, string][] {
  const taken = packets.flatMap(({ received }) => received.filter((one) => one.ok)).at(-1);
  return taken ? taken.values.map(({ name, words }) => [name, words]) : [["Nothing yet", ""]];
}

const whole = new Intl.NumberFormat("en-GB");

const countRows = (counts: LinkCounts): [string, string][] => [
  ["Sent", whole.format(counts.sent)],
  ["Lost on the way", whole.format(counts.lost)],
  ["Missed by their numbers", whole.format(counts.missed)],
  ["Spoilt on the way", whole.format(counts.spoilt)],
  ["Not taken", whole.format(counts.refused)],
  ["Taken", whole.format(counts.taken)],
  ["Taken though wrong", whole.format(counts.wrong)],
];

const hex = (byte: number) => byte.toString(16).toUpperCase().padStart(2, "0");

function Packet({ packet: { atMs, sent, came, received, isWrong } }: { packet: SentPacket }) {
  const why = received.find((one) => !one.ok);
  return (
    <>
      <Box as="span" fontFamily="mono">
        {atMs} ms{" "}
        {[...(came ?? sent)].map((byte, nth) => (
          <Box
            as="span"
            key={nth}
            color={came && byte !== sent[nth] ? "var(--stop)" : "inherit"}
            textDecoration={came ? "none" : "line-through"}
          >
            {`${hex(byte)} `}
          </Box>
        ))}
      </Box>
      {outcome(came !== null, isWrong, why && !why.ok ? why.why : null)}
    </>
  );
}

function outcome(hasCome: boolean, isWrong: boolean, why: string | null): string {
  if (!hasCome) return "did not come";
  if (isWrong) return "taken, though it is wrong";
  return why === null ? "" : `not taken: ${why}`;
}
