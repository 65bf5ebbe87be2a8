import { useRouter } from "next/navigation";
import { type DragEvent, useState } from "react";
import type { ImportRefusal } from "@/store/shelf";
import { notify } from "@/ui/pieces/notices";

/** What takes files in comes with the first one that is dropped. */
const importFiles = async (files: File[]) => (await import("@/store/shelf")).importFiles(files);

/** A design file dropped on the bench goes to the shelf; what lies on the bench stays as it is. */
export function useFileDrop() {
  const router = useRouter();
  const [refused, setRefused] = useState<ImportRefusal[]>([]);
  const [left, setLeft] = useState<ImportRefusal[]>([]);
  const take = async (files: File[]) => {
    const result = await importFiles(files);
    setRefused(result.refused);
    setLeft(result.left);
    const [first] = result.taken;
    if (first)
      notify("The dropped design is on the shelf.", {
        label: "Open it",
        onClick: () => router.push(`/bench/${first}/layout`),
      });
  };
  const handlers = {
    onDragOver: (event: DragEvent) => event.preventDefault(),
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      const files = [...event.dataTransfer.files];
      if (files.length > 0)
        take(files).catch(() =>
          notify("The file could not be taken in. Reload the page and drop it again; the design stays."),
        );
    },
  };
  const understood = () => {
    setRefused([]);
    setLeft([]);
  };
  return { handlers, refused, left, understood };
}
