/* CRC-16, polynomial 0x1021, start 0xFFFF: "123456789" gives 0x29B1. A byte at a time, without a table: the eight steps of
 * the polynomial's division written out as shifts. */
#include "ovrin.h"
#include "parts.h"

uint16_t ov_crc_add(uint16_t crc, uint8_t byte) {
  uint8_t x = (uint8_t)((crc >> 8) ^ byte);
  x = (uint8_t)(x ^ (x >> 4));
  return (uint16_t)((uint16_t)(crc << 8) ^ ((uint16_t)x << 12) ^ ((uint16_t)x << 5) ^ x);
}
