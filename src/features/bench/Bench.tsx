"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { later } from "@/ui/pieces/later";
import { openOnBench, useBench, useDesign } from "@/store/bench";
import { holdSession } from "@/store/session";
import { useChecking } from "@/store/findings";
import { loadTests, useLoadingTests } from "@/store/loadingTests";
import { type LayoutTab, useLayoutView } from "@/store/layoutView";
import type { LensId } from "@/ui/lenses/lens";
import { BenchMat } from "./BenchMat";
import { JobCard } from "./JobCard";
import { NoDesign } from "./NoDesign";
import { StoreNotice } from "./StoreNotice";
import { TellTale } from "./TellTale";
import { TopBar } from "./TopBar";
import { useBenchKeys } from "./useBenchKeys";
import type { StageView } from "../stageView";
import { SplitPanes } from "@/ui/pieces/SplitPanes";
import { useFileDrop } from "./useFileDrop";
import { usePower } from "./usePower";
import { useStage } from "./useStage";

// Dialogs load when one is first asked for.
const CommandPalette = later(() => import("./CommandPalette").then((m) => m.CommandPalette));
const KeysDialog = later(() => import("./KeysDialog").then((m) => m.KeysDialog));
const ExportDialog = later(() => import("./ExportDialog").then((m) => m.ExportDialog));
const LoadDialog = later(() => import("./loading/LoadDialog").then((m) => m.LoadDialog));
const LoadTestsDialog = later(() => import("./loading/LoadTestsDialog").then((m) => m.LoadTestsDialog));
const RefusalDialog = later(() => import("../shelf/RefusalDialog").then((m) => m.RefusalDialog));
const ConflictDialog = later(() => import("./ConflictDialog").then((m) => m.ConflictDialog));

export type DialogName = "palette" | "keys" | "export" | "load";

/** The workspace: job card, mat with its table, tray, tell-tale. */
export function Bench() {
  const { designId } = useStage();
  const status = useBench((state) => state.status);
  const openId = useBench((state) => state.history?.design.id);
  useEffect(() => void openOnBench(designId), [designId]);
  if (status === "ready" && openId === designId) return <Workspace />;
  return <NoDesign />;
}

/** Sheets of the layout that show best under a lens of their own. */
const LENS_OF_TAB: Partial<Record<LayoutTab, LensId>> = { boards: "plate", fit: "plate", reach: "reach" };

function Workspace() {
  const { stage } = useStage();
  const design = useDesign();
  useChecking(design);
  const [lens, setLens] = useState<{ stage: string; id: LensId } | null>(null);
  const isInConflict = useBench((state) => state.saving.state === "conflict");
  const [dialog, setDialog] = useState<DialogName | null>(null);
  const isLoadingTests = useLoadingTests((state) => state.isOpen);
  useBenchKeys({ openPalette: () => setDialog("palette"), openKeys: () => setDialog("keys") });

  const { share, setShare } = useTableShare(stage);

  usePower(stage, design);
  // A design that is left open with it is not opened with it.
  useEffect(() => () => loadTests(false), []);

  const tab = useLayoutView((state) => state.tab);
  const sheet = stage.id === "layout" ? `layout ${tab}` : stage.id;
  const usual = stage.id === "layout" ? (LENS_OF_TAB[tab] ?? stage.lens) : stage.lens;
  const shownLens = lens?.stage === sheet ? lens.id : usual;
  const { Tray, Table } = stage;
  const drop = useFileDrop();
  return (
    <Box
      {...drop.handlers}
      onClickCapture={({ target }) => (target as Element).closest("a[href]") && holdSession()}
      display="grid"
      height="100vh"
      gridTemplateRows="46px auto 1fr 36px"
      gridTemplateColumns="184px 1fr 316px"
      minWidth="1024px"
    >
      <Box gridColumn="1 / -1" as="header">
        <TopBar onDialog={setDialog} />
      </Box>
      <Box gridColumn="1 / -1">
        <StoreNotice />
      </Box>
      <Box as="nav" aria-label="Job card" bg="var(--paper)" borderRight="1px solid var(--edge)" overflowY="auto">
        <JobCard />
      </Box>
      <Box as="main" minWidth="0" minHeight="0" display="flex" flexDirection="column">
        <SplitPanes
          label="Height of the table"
          share={share}
          onShare={setShare}
          upper={<BenchMat stage={stage} lens={shownLens} onLens={(id) => setLens({ stage: sheet, id })} />}
          lower={
            <Box
              as="section"
              aria-label={stage.tableTitle}
              height="100%"
              overflow="auto"
              bg="var(--sheet)"
              tabIndex={0}
            >
              <Table />
            </Box>
          }
        />
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
      {dialog === "palette" && <CommandPalette onClose={() => setDialog(null)} onDialog={setDialog} />}
      {dialog === "keys" && <KeysDialog onClose={() => setDialog(null)} />}
      {dialog === "load" && <LoadDialog onClose={() => setDialog(null)} />}
      {isLoadingTests && stage.id === "bring-up" && <LoadTestsDialog />}
      {dialog === "export" && <ExportDialog onClose={() => setDialog(null)} />}
      {isInConflict && <ConflictDialog />}
      {drop.refused.length + drop.left.length > 0 && (
        <RefusalDialog refused={drop.refused} left={drop.left} onClose={drop.understood} />
      )}
    </Box>
  );
}

/** Each stage has its own height of the table, and keeps what the person makes of it. */
function useTableShare({ id, tableShare }: StageView) {
  const [shares, setShares] = useState<Record<string, number>>({});
  return {
    share: shares[id] ?? tableShare,
    setShare: (share: number) => setShares((known) => ({ ...known, [id]: share })),
  };
}
