"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { BringUpView } from "@/core/bringup/view";
import { testAnew } from "@/core/edits/bringUp";
import { currentDesign, edit, useDesign } from "@/store/bench";
import { bringUpTasks } from "@/store/bringUpAside";
import { showHidden, testByHand, testStandIn, useUnderTest } from "@/store/underTest";
import { PlainButton } from "@/ui/pieces/buttons";
import { ChoiceField } from "@/ui/pieces/fields";
import { Row, Section } from "@/ui/pieces/sheets";

/** Which device is tested: the one in the hand, or the stand-in with a fault that one chose or that is hidden. */
export function StandInSection({ view }: { view: BringUpView }) {
  const { isStandIn, faultIds, isHidden } = useUnderTest();
  const hide = async () => {
    const design = currentDesign();
    const id = design && (await bringUpTasks().drawFault(design, Date.now() & 0x7fffffff));
    // Who has left meanwhile tests another device.
    if (!id || currentDesign()?.id !== design.id) return;
    if (view.answers.length > 0) edit("test anew", testAnew);
    testStandIn([id], true);
  };
  return (
    <Section title="Device under test">
      {!isStandIn && (
        <>
          <div>
            The one in your hand. To try the fault finder, take the stand-in: the firmware on this wiring, with a fault
            in it.
          </div>
          <Row>
            <PlainButton onClick={() => void hide()}>Stand-in with a hidden fault</PlainButton>
            <PlainButton onClick={() => testStandIn([], false)}>Stand-in, I choose</PlainButton>
          </Row>
        </>
      )}
      {isStandIn && (
        <>
          <Box>
            {isHidden
              ? faultIds.length > 0
                ? "The stand-in, with one hidden fault."
                : "The stand-in; its hidden fault is mended."
              : `The stand-in, with ${faultIds.length === 0 ? "no fault" : "the fault chosen"}.`}
          </Box>
          {!isHidden && <FaultChoice />}
          <Row>
            {isHidden && faultIds.length > 0 && <PlainButton onClick={showHidden}>Show it</PlainButton>}
            <PlainButton onClick={() => void hide()}>Hide another</PlainButton>
            <PlainButton onClick={testByHand}>Test the one in my hand</PlainButton>
          </Row>
        </>
      )}
    </Section>
  );
}

function FaultChoice() {
  const design = useDesign();
  const { faultIds } = useUnderTest();
  const [faults, setFaults] = useState<{ id: string; words: string }[]>([]);
  useEffect(() => {
    let isWanted = true;
    void bringUpTasks()
      .faultList(design)
      .then((all) => isWanted && setFaults(all));
    return () => {
      isWanted = false;
    };
  }, [design]);
  return (
    <ChoiceField
      label="Fault"
      value={faultIds[0] ?? ""}
      choices={[{ value: "", label: "none" }, ...faults.map(({ id, words }) => ({ value: id, label: words }))]}
      onCommit={(id) => testStandIn(id === "" ? [] : [id], false)}
    />
  );
}
