/** On a page of the build book a photo is some 9 cm wide: at this size it has more than 400 dots an inch. */
const LONGEST_PX = 1600;
const QUALITY = 0.82;
/** Beyond this a browser may not have the room to unpack it. */
const MOST_BYTES = 60 * 1024 * 1024;

/** A shrunk picture, or why it could not be taken. */
export type Shrunk = { ok: true; mediaType: string; bytes: Uint8Array } | { ok: false; why: string };

/**
 * A photo at a size that a record needs, as JPEG. Where and with what it was taken, which cameras write into the file, is left behind.
 */
export async function shrinkPhoto(file: File): Promise<Shrunk> {
  const refuse = (why: string): Shrunk => ({ ok: false, why: `${file.name}: ${why}` });
  if (file.size > MOST_BYTES) return refuse(`larger than ${MOST_BYTES / 1024 / 1024} MB.`);
  const picture = await createImageBitmap(file, { imageOrientation: "from-image" }).catch(() => null);
  if (!picture) return refuse("this browser cannot read it as a picture. Save it as JPEG or PNG first.");
  try {
    const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
    const canvas = document.createElement("canvas");
    canvas.width = Math.max(1, Math.round(picture.width * share));
    canvas.height = Math.max(1, Math.round(picture.height * share));
    const context = canvas.getContext("2d");
    if (!context) return refuse("this browser has no room to shrink it now. Close other pages and try again.");
    // What is seen through would be black in a JPEG.
    context.fillStyle = "#fff";
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, "image/jpeg", QUALITY));
    if (!blob) return refuse("it could not be written as JPEG.");
    return { ok: true, mediaType: blob.type, bytes: new Uint8Array(await blob.arrayBuffer()) };
  } finally {
    picture.close();
  }
}
