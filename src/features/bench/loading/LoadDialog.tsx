"use client";

import { useEffect } from "react";
import { derive } from "@/core/derived/derive";
import { isOnBus } from "@/core/document/partLinks";
import { loadWayOf } from "@/core/loader/loadWay";
import { forgetLoading, useLoading } from "@/store/loading";
import { PlainButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";
import { useDesignToLoad } from "./designToLoad";
import { CompileSheet } from "./CompileSheet";
import { ImageSheet } from "./ImageSheet";
import { NoController } from "./NoController";
import { PartsSheet } from "./PartsSheet";
import { PythonSheet } from "./PythonSheet";

/** Takes a person from the finished plan to a device that reports, on the controller that was chosen. */
export function LoadDialog({ onClose }: { onClose: () => void }) {
  const design = useDesignToLoad();
  const { controllers } = derive(design);
  const isInParts = design.controllers.length > 1;
  const profiles = controllers.flatMap(({ profile }) => profile ?? []);
  useEffect(() => forgetLoading, []);
  // A board that is half written is not left by accident: Stop comes first.
  const isRunning = useLoading(({ loading }) => loading.state === "running");
  const close = () => !isRunning && onClose();
  const ways = new Set(profiles.map(loadWayOf));
  // Parts whose ways differ are compiled: the sources serve every class.
  const isMixed = isInParts && (ways.size > 1 || profiles.length < controllers.length);
  // The sources' own board has a serial line: modules on a bus whose ways differ have the project, with the calls of a bus.
  const isCompiled = isOnBus(design) && ways.size > 0 && isMixed;
  const way = isCompiled ? "compile" : isMixed ? "parts" : [...ways][0];
  return (
    <Dialog
      title={`Load ${design.name} into its ${isInParts ? "controllers" : "controller"}`}
      open
      onClose={close}
      wide
      actions={
        <PlainButton disabled={isRunning} onClick={close}>
          Close
        </PlainButton>
      }
    >
      {!way && <NoController onClose={onClose} />}
      {way === "parts" && <PartsSheet />}
      {way === "image" && <ImageSheet />}
      {way === "python" && <PythonSheet profile={profiles[0]} />}
      {way === "compile" && <CompileSheet profile={profiles[0]} />}
    </Dialog>
  );
}
