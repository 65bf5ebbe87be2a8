/** Bytes as hexadecimal text without spaces. */
export const toHex = (bytes: Uint8Array | number[]): string =>
  Array.from(bytes, (byte) => byte.toString(16).padStart(2, "0")).join("");
