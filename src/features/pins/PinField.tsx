"use client";

import type { Net } from "@/core/circuits/net";
import { derive } from "@/core/derived/derive";
import { freePin, movePin } from "@/core/edits/pins";
import { edit, useDesign } from "@/store/bench";
import { notify } from "@/ui/pieces/notices";
import { ChoiceField } from "@/ui/pieces/fields";
import { pinChoices } from "./pinChoices";

/** Which pin a net is on; choosing a taken one swaps the two. */
export function PinField({ net, hideLabel }: { net: Net; hideLabel?: boolean }) {
  const design = useDesign();
  const { netById } = derive(design);
  const profile = derive(design).controllerOf(net)?.profile;
  if (!profile) return null;
  const choice = design.pinPlan[net.id];
  const choose = (pin: string) => {
    if (choice?.locked) return notify(`${net.flag} is locked to ${choice.pin}. Unlock it to move it.`);
    edit(pin === "" ? `free the pin of ${net.flag}` : `${net.flag} to ${pin}`, (d) =>
      pin === "" ? freePin(d, net.id) : movePin(d, net.id, pin),
    );
  };
  return (
    <ChoiceField
      hideLabel={hideLabel}
      label={hideLabel ? `Pin of ${net.flag}` : "Pin"}
      value={choice?.pin ?? ""}
      choices={pinChoices(design, profile, net, (id) => netById.get(id)?.flag ?? id)}
      onCommit={choose}
    />
  );
}
