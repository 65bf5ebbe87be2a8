"use client";

import { later } from "@/ui/pieces/later";
import { Box } from "@chakra-ui/react";
import type { Design } from "@/core/document/schema";
import { edit } from "@/store/bench";
import { hasHidDevices, useLiveDevice } from "@/store/liveState";
import { PlainButton } from "@/ui/pieces/buttons";
import { Row, Section } from "@/ui/pieces/sheets";
import { useKeymap } from "./useKeymap";

/** What is only needed with a device in the hand comes when one is connected. */
const live = () => import("@/store/liveDevice");
const Doing = later(() => import("./OnDevice").then((m) => m.Doing));
const Joined = later(() => import("./OnDevice").then((m) => m.Joined));
const StandInHand = later(() => import("./OnDevice").then((m) => m.StandInHand));

/** A device in the hand: what it does otherwise than the design, and changing that without loading it again. */
export function OnDeviceSection() {
  const { design } = useKeymap();
  const { on, doing } = useLiveDevice();
  return (
    <Section title="On the device">
      {on === null ? <Apart design={design} isBusy={doing.doing !== "nothing"} /> : <Joined design={design} />}
      <State design={design} />
      {on === "stand-in" && <StandInHand design={design} doing={doing} />}
    </Section>
  );
}

/** What goes on, or how it ended. */
function State({ design }: { design: Design }) {
  const { words, isTrouble, doing } = useLiveDevice();
  return (
    <Box role="status" aria-label="Device" minHeight="20px" fontSize="13px">
      {doing.doing !== "nothing" && <Doing doing={doing} design={design} />}
      {words && (
        <Box color={isTrouble ? "var(--stop)" : "var(--settled)"} fontWeight="600">
          {words}
        </Box>
      )}
    </Box>
  );
}

const declares = ({ reportSet }: Design) => reportSet.interfaces.includes("live");

function Apart({ design, isBusy }: { design: Design; isBusy: boolean }) {
  return (
    <>
      <Box color="var(--faint)" fontSize="13px">
        Changes what the keys of a loaded device do, without loading it again.
      </Box>
      {!declares(design) && (
        <>
          <Box fontSize="13px">
            This design does not declare Live changes: a device that is loaded with it cannot be changed in place.
          </Box>
          <Row>
            <PlainButton
              onClick={() =>
                edit("declare Live changes", (d) => ({
                  ...d,
                  reportSet: { ...d.reportSet, interfaces: [...d.reportSet.interfaces, "live"] },
                }))
              }
            >
              Declare Live changes
            </PlainButton>
          </Row>
        </>
      )}
      <Row>
        <PlainButton
          disabled={isBusy || !hasHidDevices()}
          onClick={() => void live().then(({ connectDevice }) => connectDevice())}
        >
          Connect a device
        </PlainButton>
        <PlainButton
          disabled={isBusy || !declares(design)}
          onClick={() => void live().then(({ connectStandIn }) => connectStandIn(design))}
        >
          Connect the stand-in
        </PlainButton>
      </Row>
      {!hasHidDevices() && (
        <Box color="var(--faint)" fontSize="13px">
          This browser offers no HID devices to pages. The stand-in works in any; a real device can be loaded again.
        </Box>
      )}
    </>
  );
}
