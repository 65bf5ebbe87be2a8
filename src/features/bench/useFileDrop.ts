import { useRouter } from "next/navigation";
import { type DragEvent, useState } from "react";
import { type ImportRefusal, importFiles } from "@/store/shelf";
import { notify } from "@/ui/pieces/notices";

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
      if (event.dataTransfer.files.length > 0) void take([...event.dataTransfer.files]);
    },
  };
  const understood = () => {
    setRefused([]);
    setLeft([]);
  };
  return { handlers, refused, left, understood };
}
