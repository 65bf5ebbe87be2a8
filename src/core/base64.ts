const DIGITS = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";

/** Bytes as text of 64 signs (RFC 4648, section 4); the core has no encoder of its own. */
export function base64(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 3) {
    const [a, b = 0, c = 0] = bytes.subarray(at, at + 3);
    const bits = (a << 16) | (b << 8) | c;
    const there = Math.min(3, bytes.length - at);
    const signs = [18, 12, 6, 0].map((shift) => DIGITS[(bits >> shift) & 63]);
    parts.push(signs.slice(0, there + 1).join("") + "=".repeat(3 - there));
  }
  return parts.join("");
}
