"use client";

import { Box } from "@chakra-ui/react";
import { silence } from "@/core/engine/musicHeard";
import { toHex } from "@/core/hex";
import { useSession } from "@/store/session";
import { Section } from "@/ui/pieces/sheets";
import { HeardMusic } from "./HeardMusic";

/** One byte is ten bits of 32 µs. */
const BYTE_MS = 0.32;
const SHOWN = 6;

const spaced = (bytes: number[]) => bytes.map((byte) => toHex(Uint8Array.of(byte))).join(" ");

/** What an instrument on a socket hears, and the bytes that came over its line. */
export function SocketView() {
  const socket = useSession((state) => state.socket);
  const { heard, bytes, lost } = socket ?? { heard: silence, bytes: [], lost: 0 };
  const more: [string, string][] = lost > 0 ? [["Bytes of no event", String(lost)]] : [];
  return (
    <Section title="What hangs on the socket">
      <HeardMusic heard={heard} name="Events over the socket" more={more} />
      {bytes.length > 0 && (
        <Box as="ul" listStyleType="none" fontSize="13px" aria-label="Bytes on the line, the newest first">
          {bytes
            .slice(-SHOWN)
            .reverse()
            .map((one, nth) => (
              <Box as="li" key={`${one.atMs} ${nth}`} fontFamily="mono">
                {one.atMs} ms {spaced(one.bytes)}
              </Box>
            ))}
        </Box>
      )}
      <Box fontSize="13px" color="var(--faint)">
        A byte takes {BYTE_MS} ms at 31,250 bit a second, so a chord of ten notes spreads over about 7 ms. A status that
        is the same as before is left out.
      </Box>
    </Section>
  );
}
