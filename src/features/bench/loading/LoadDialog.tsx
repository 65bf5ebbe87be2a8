"use client";

import { useEffect } from "react";
import { derive } from "@/core/derived/derive";
import { loadWayOf } from "@/core/loader/loadWay";
import { useDesign } from "@/store/bench";
import { forgetLoading, useLoading } from "@/store/loading";
import { PlainButton } from "@/ui/pieces/buttons";
import { Dialog } from "@/ui/pieces/Dialog";
import { CompileSheet } from "./CompileSheet";
import { ImageSheet } from "./ImageSheet";
import { NoController } from "./NoController";
import { PartsSheet } from "./PartsSheet";
import { PythonSheet } from "./PythonSheet";

/** Takes a person from the finished plan to a device that reports, on the controller that was chosen. */
export function LoadDialog({ onClose }: { onClose: () => void }) {
  const design = useDesign();
  const isInParts = design.controllers.length > 1;
  const profile = isInParts ? null : derive(design).profile;
  useEffect(() => forgetLoading, []);
  // A board that is half written is not left by accident: Stop comes first.
  const isRunning = useLoading(({ loading }) => loading.state === "running");
  const close = () => !isRunning && onClose();
  const way = profile && loadWayOf(profile);
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
      {isInParts && <PartsSheet />}
      {!profile && !isInParts && <NoController onClose={onClose} />}
      {profile && way === "image" && <ImageSheet profile={profile} />}
      {profile && way === "python" && <PythonSheet profile={profile} />}
      {profile && way === "compile" && <CompileSheet profile={profile} />}
    </Dialog>
  );
}
