"use client";

import { later } from "@/ui/pieces/later";
import { useDesign } from "@/store/bench";
import { type WiringTab, openWiringTab, useWiringView } from "@/store/wiringView";
import { Tabs } from "@/ui/pieces/Tabs";
import { CircuitsTab } from "./CircuitsTab";

const MatrixTab = later(() => import("./MatrixTab").then((m) => m.MatrixTab));
const GhostsTab = later(() => import("./GhostsTab").then((m) => m.GhostsTab));
const WiresTab = later(() => import("./WiresTab").then((m) => m.WiresTab));
const LightsTab = later(() => import("./LightsTab").then((m) => m.LightsTab));

const ApartTab = later(() => import("./ApartTab").then((m) => m.ApartTab));

const TABS: { id: WiringTab; title: string }[] = [
  { id: "circuits", title: "Circuits" },
  { id: "matrix", title: "Matrix" },
  { id: "ghosts", title: "Ghosts" },
  { id: "wires", title: "Wires" },
];

/** How contacts reach the controller: circuits, rows and columns, what ghosts allow, and the wires to solder. */
export function WiringTray() {
  const tab = useWiringView((state) => state.tab);
  const { circuits, boards, controls } = useDesign();
  const hasLights = circuits.some(({ kind }) => kind === "light-chain");
  const isApart = boards.filter(({ id }) => controls.some(({ placement }) => placement.boardId === id)).length > 1;
  const tabs = [
    ...TABS,
    ...(hasLights ? [{ id: "lights" as const, title: "Lights" }] : []),
    ...(isApart ? [{ id: "apart" as const, title: "Apart" }] : []),
  ];
  const open = tabs.some(({ id }) => id === tab) ? tab : "circuits";
  return (
    <Tabs label="Sheets of the wiring" tabs={tabs} open={open} onOpen={openWiringTab}>
      {open === "circuits" && <CircuitsTab />}
      {open === "matrix" && <MatrixTab />}
      {open === "ghosts" && <GhostsTab />}
      {open === "wires" && <WiresTab />}
      {open === "lights" && <LightsTab />}
      {open === "apart" && <ApartTab />}
    </Tabs>
  );
}
