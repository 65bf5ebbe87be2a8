"use client";

import { Dialog } from "@/ui/pieces/Dialog";
import { PhotoImage } from "./PhotoImage";

/** One photo over the bench. */
export function LargePhoto({ id, title, onClose }: { id: string; title: string; onClose: () => void }) {
  return (
    <Dialog title={title} open wide onClose={onClose}>
      <PhotoImage id={id} height="70vh" words="Photo" />
    </Dialog>
  );
}
