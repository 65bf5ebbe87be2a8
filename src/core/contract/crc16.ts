/**
 * CRC-16 with polynomial 0x1021, start value 0xFFFF, neither reflected nor inverted; over the nine digits "123456789"
 * it gives 0x29B1 (the usual check value of this CRC). The runtime checks its tables with the same (firmware/src/check.c).
 */
export function crc16(bytes: ArrayLike<number>): number {
  let crc = 0xffff;
  for (let at = 0; at < bytes.length; at++) {
    crc ^= bytes[at] << 8;
    for (let bit = 0; bit < 8; bit++) crc = ((crc & 0x8000 ? (crc << 1) ^ 0x1021 : crc << 1) & 0xffff) >>> 0;
  }
  return crc;
}
