"use client";

import { Box } from "@chakra-ui/react";
import { FileUp, Moon, Plus, Sun } from "lucide-react";
import { later } from "@/ui/pieces/later";
import { useRouter } from "next/navigation";
import { type DragEvent, useEffect, useRef, useState } from "react";
import { hearTabs } from "@/store/tabs";
import { type ImportRefusal, addNew, importFiles, openShelf, refreshShelf, useShelf } from "@/store/shelf";
import { UnsavedNotice } from "@/ui/pieces/UnsavedNotice";
import { PlainButton, IconButton, StepButton } from "@/ui/pieces/buttons";
import { notify } from "@/ui/pieces/notices";
import { setLight, useLight } from "@/ui/theme/light";
import { DesignCard } from "./DesignCard";

// Dialogs load when one is first asked for.
const DemoDialog = later(() => import("./DemoDialog").then((m) => m.DemoDialog));
const RefusalDialog = later(() => import("./RefusalDialog").then((m) => m.RefusalDialog));

/** The designs in this browser. */
export function Shelf() {
  const { designs, trouble } = useShelf();
  const router = useRouter();
  const light = useLight();
  const picker = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<ImportRefusal[]>([]);
  const [left, setLeft] = useState<ImportRefusal[]>([]);
  const [choosing, setChoosing] = useState(false);
  const [over, setOver] = useState(false);
  useEffect(() => {
    void openShelf();
    return hearTabs(() => void refreshShelf());
  }, []);

  const start = async () => {
    const id = await addNew("New device");
    if (id) router.push(`/bench/${id}/brief`);
  };
  const take = async (files: File[]) => {
    const result = await importFiles(files);
    setRefused(result.refused);
    setLeft(result.left);
    if (result.taken.length > 0)
      notify(`${result.taken.length === 1 ? "1 design is" : `${result.taken.length} designs are`} on the shelf.`);
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take([...event.dataTransfer.files]);
  };

  return (
    <Box
      as="main"
      minHeight="100vh"
      outline={over ? "4px dashed var(--saffron)" : undefined}
      outlineOffset="-8px"
      onDragOver={(event: DragEvent) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={onDrop}
    >
      <Box
        bg="var(--mat-deep)"
        color="var(--mat-ink)"
        padding="22px 32px 20px"
        display="flex"
        alignItems="end"
        gap="16px"
        flexWrap="wrap"
      >
        <Box flex="1" minWidth="320px">
          <Box as="h1" fontSize="26px" fontWeight="700" letterSpacing="0.02em">
            Ovrin
          </Box>
          <div>
            From the wish for a keyboard, pad or panel to a device that reports correctly: laid out, wired, pinned,
            mapped, tried, and out as firmware.
          </div>
        </Box>
        <StepButton onClick={() => void start()}>
          <Plus size={16} /> New device
        </StepButton>
        <PlainButton onClick={() => setChoosing(true)}>From a demo</PlainButton>
        <PlainButton onClick={() => picker.current?.click()}>
          <FileUp size={16} /> Import a file
        </PlainButton>
        <IconButton
          aria-label={light === "day" ? "Night bench" : "Day bench"}
          onClick={() => setLight(light === "day" ? "night" : "day")}
        >
          {light === "day" ? <Moon size={17} /> : <Sun size={17} />}
        </IconButton>
        <input
          ref={picker}
          type="file"
          accept=".json,application/json,.zip,application/zip"
          multiple
          hidden
          aria-label="Design files"
          onChange={(event) => {
            void take([...(event.target.files ?? [])]);
            event.target.value = "";
          }}
        />
      </Box>
      <UnsavedNotice />
      {trouble && (
        <Box role="alert" bg="var(--stop)" color="var(--sheet)" padding="8px 32px">
          {trouble.message}
        </Box>
      )}
      <Box padding="24px 32px">
        <Box as="h2" fontSize="16px" fontWeight="700" marginBottom="12px">
          On the shelf
        </Box>
        {designs === null && <p role="status">Looking at the shelf …</p>}
        {designs?.length === 0 && (
          <p>The shelf is empty. Start a new device, take a demo, or drop a design file anywhere on this page.</p>
        )}
        <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(280px, 1fr))" gap="18px">
          {designs?.map((stored) => (
            <DesignCard key={stored.id} stored={stored} />
          ))}
        </Box>
      </Box>
      {refused.length + left.length > 0 && (
        <RefusalDialog
          refused={refused}
          left={left}
          onClose={() => {
            setRefused([]);
            setLeft([]);
          }}
        />
      )}
      {choosing && <DemoDialog onClose={() => setChoosing(false)} />}
    </Box>
  );
}
