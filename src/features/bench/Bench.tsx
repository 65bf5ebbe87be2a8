"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { openOnBench, useBench, useDesign } from "@/store/bench";
import { releaseAll, startSession, stopSession } from "@/store/session";
import type { LensId } from "@/ui/lenses/lens";
import { BenchMat } from "./BenchMat";
import { CommandPalette } from "./CommandPalette";
import { ConflictSlip } from "./ConflictSlip";
import { JobCard } from "./JobCard";
import { KeysSlip } from "./KeysSlip";
import { NoDesign } from "./NoDesign";
import { StoreNotice } from "./StoreNotice";
import { TellTale } from "./TellTale";
import { TopBar } from "./TopBar";
import { useBenchKeys } from "./useBenchKeys";
import { useStage } from "./useStage";

/** The workspace: job card, mat with its ledger, tray, tell-tale. */
export function Bench() {
  const { designId } = useStage();
  const status = useBench((state) => state.status);
  const openId = useBench((state) => state.history?.design.id);
  useEffect(() => void openOnBench(designId), [designId]);
  if (status === "ready" && openId === designId) return <Workspace />;
  return <NoDesign />;
}

function Workspace() {
  const { stage } = useStage();
  const design = useDesign();
  const [lens, setLens] = useState<{ stage: string; id: LensId } | null>(null);
  const [slip, setSlip] = useState<"palette" | "keys" | null>(null);
  useBenchKeys({ openPalette: () => setSlip("palette"), openKeys: () => setSlip("keys") });

  const isLive = stage.mode === "press";
  useEffect(() => {
    if (isLive) startSession(design);
  }, [isLive, design]);
  useEffect(() => {
    if (!isLive) return;
    window.addEventListener("blur", releaseAll);
    return () => {
      window.removeEventListener("blur", releaseAll);
      stopSession();
    };
  }, [isLive]);

  const shownLens = lens?.stage === stage.id ? lens.id : stage.lens;
  const { Tray, Ledger } = stage;
  return (
    <Box
      display="grid"
      height="100vh"
      gridTemplateRows="46px auto 1fr 36px"
      gridTemplateColumns="184px 1fr 316px"
      minWidth="1024px"
    >
      <Box gridColumn="1 / -1" as="header">
        <TopBar onPalette={() => setSlip("palette")} onKeys={() => setSlip("keys")} />
      </Box>
      <Box gridColumn="1 / -1">
        <StoreNotice />
      </Box>
      <Box as="nav" aria-label="Job card" bg="var(--paper)" borderRight="1px solid var(--edge)" overflowY="auto">
        <JobCard />
      </Box>
      <Box as="main" minWidth="0" minHeight="0" display="flex" flexDirection="column">
        <Group orientation="vertical" style={{ flex: 1, minHeight: 0 }}>
          <Panel defaultSize="68%" minSize="25%">
            <BenchMat stage={stage} lens={shownLens} onLens={(id) => setLens({ stage: stage.id, id })} />
          </Panel>
          <Separator
            style={{ height: 6, background: "var(--edge)", cursor: "row-resize" }}
            aria-label="Height of the table"
          />
          <Panel defaultSize="32%" minSize="0%" collapsible>
            <Box
              as="section"
              aria-label={stage.ledgerTitle}
              height="100%"
              overflow="auto"
              bg="var(--sheet)"
              tabIndex={0}
            >
              <Ledger />
            </Box>
          </Panel>
        </Group>
      </Box>
      <Box
        as="aside"
        aria-label="Tray"
        bg="var(--sheet)"
        borderLeft="1px solid var(--edge)"
        overflowY="auto"
        padding="4px 14px 14px"
      >
        <Tray />
      </Box>
      <Box gridColumn="1 / -1" as="footer">
        <TellTale />
      </Box>
      <CommandPalette open={slip === "palette"} onClose={() => setSlip(null)} onKeys={() => setSlip("keys")} />
      <KeysSlip open={slip === "keys"} onClose={() => setSlip(null)} />
      <ConflictSlip />
    </Box>
  );
}
