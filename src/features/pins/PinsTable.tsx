"use client";

import { Box } from "@chakra-ui/react";
import type { Net } from "@/core/circuits/net";
import { derive } from "@/core/derived/derive";
import { halfName } from "@/core/derived/halfName";
import { lockPins } from "@/core/edits/pins";
import { nearestJoint, pinPlace } from "@/core/pins/pinPlace";
import { edit, useDesign } from "@/store/bench";
import { pickNet, useHand } from "@/store/hand";
import { Table } from "@/ui/pieces/Table";
import { Checkbox } from "@/ui/pieces/fields";
import { PinField } from "./PinField";
import { abilities } from "./pinChoices";

const ROLE: Record<Net["role"], string> = {
  row: "row",
  column: "column",
  switch: "switch",
  "quadrature-a": "encoder A",
  "quadrature-b": "encoder B",
  lamp: "lamp",
  analog: "analog",
  output: "output",
  line: "driven and read",
  clock: "clock",
  latch: "latch",
  data: "data",
  select: "select",
  enable: "enable",
  interrupt: "interrupt",
  bus: "bus",
  bank: "bank supply",
  chain: "chain",
  supply: "supply",
  ground: "ground",
};

/** Every net with its pin: chosen, swapped and locked here as on the mat. */
export function PinsTable() {
  const design = useDesign();
  const netId = useHand((state) => state.netId);
  const derived = derive(design);
  const { signalNets, profile } = derived;
  const pinOf = (net: Net) =>
    derived
      .controllerOf(net)
      ?.profile?.pins.find((pin) => pin.name === design.pinPlan[net.id]?.pin && pin.role === "io");
  const lead = (net: Net) => {
    const pin = pinOf(net);
    const controller = derived.controllerOf(net)?.controller;
    return pin && controller && net.joints.length > 0
      ? nearestJoint(net, pinPlace(controller, pin)).distanceMm.toFixed(1)
      : "";
  };
  const needs = (net: Net) =>
    [net.need!.input ? "input" : "output", net.need!.interrupt ? "interrupt" : ""].filter(Boolean).join(", ");
  return (
    <Table
      label="Nets and pins"
      rows={signalNets}
      rowId={(net) => net.id}
      isSelected={(net) => net.id === netId}
      onPick={(net) => pickNet(net.id)}
      empty="No net needs a pin yet. Wire some controls in Wiring."
      columns={[
        { title: "Net", cell: (net) => net.flag, width: "110px" },
        ...(design.controllers.length > 1
          ? [{ title: "Controller", cell: (net: Net) => halfName(design, net.controllerId ?? "") }]
          : []),
        { title: "What", cell: (net) => ROLE[net.role] },
        { title: "Contacts", numeric: true, cell: (net) => net.joints.length },
        { title: "Needs", cell: needs },
        {
          title: "Pin",
          width: "200px",
          cell: (net) =>
            profile ? (
              <Box width="104px">
                <PinField net={net} hideLabel />
              </Box>
            ) : (
              "no controller"
            ),
        },
        {
          title: "Pin can",
          cell: (net) => {
            const pin = pinOf(net);
            const words = pin ? abilities(pin) : "";
            return (
              <Box maxWidth="136px" overflow="hidden" textOverflow="ellipsis" title={words}>
                {words}
              </Box>
            );
          },
        },
        { title: "Lead (mm)", numeric: true, cell: lead },
        {
          title: "Locked",
          cell: (net) => (
            <Checkbox
              hideLabel
              label={`Lock ${net.flag}`}
              disabled={!design.pinPlan[net.id]}
              checked={design.pinPlan[net.id]?.locked ?? false}
              onChange={(locked) =>
                edit(`${locked ? "lock" : "unlock"} ${net.flag}`, (d) => lockPins(d, [net.id], locked))
              }
            />
          ),
        },
      ]}
    />
  );
}
