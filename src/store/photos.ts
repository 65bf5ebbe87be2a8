import { useEffect, useState } from "react";
import type { Photo } from "@/core/journal/attached";
import { getRecord, putRecords } from "./records";

export const keepPhotos = (designId: string, photos: Photo[]): Promise<void> => putRecords(designId, "photo", photos);

/** An address under which a photo can be shown; null while it is fetched, "" where it does not lie in this browser. */
export function usePhotoUrl(designId: string, id: string): string | null {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    let made: string | null = null;
    let isWanted = true;
    void getRecord(designId, "photo", id)
      .catch(() => null)
      .then((photo) => {
        if (!isWanted) return;
        if (photo)
          made = URL.createObjectURL(new Blob([photo.bytes as Uint8Array<ArrayBuffer>], { type: photo.mediaType }));
        setUrl(made ?? "");
      });
    return () => {
      isWanted = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [designId, id]);
  return url;
}
