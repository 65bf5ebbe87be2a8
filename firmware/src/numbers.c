/* Values as numbers, for segment displays and displays of dots. */
#include "ovrin.h"
#include "parts.h"

#if OV_WITH_SEGMENTS || OV_WITH_DISPLAYS

/* From low to high as the value goes from 0 to its top, to the nearest. */
int16_t ov_number_between(int16_t low, int16_t high, uint8_t top, uint8_t value) {
  uint8_t is_down = (uint8_t)(high < low);
  uint32_t span = (uint32_t)(is_down ? (int32_t)low - high : (int32_t)high - low);
  uint16_t part = (uint16_t)((span * value + top / 2u) / top);
  return (int16_t)(is_down ? low - (int32_t)part : low + (int32_t)part);
}

/* 1 to 10,000, the lower byte first. They are taken away again and again, which is quicker than dividing on a core that cannot. */
static const uint8_t powers[10] OV_IN_FLASH = {0x01, 0x00, 0x0A, 0x00, 0x64, 0x00, 0xE8, 0x03, 0x10, 0x27};

static uint16_t power_of_ten(uint8_t nth) {
  return (uint16_t)(ov_flash_byte(powers + 2u * nth) | (uint16_t)(ov_flash_byte(powers + 2u * nth + 1) << 8));
}

/* At least one before the point. */
uint8_t ov_digits_of(uint16_t left, uint8_t point) {
  uint8_t count = 5;
  while (count > 1 && count > point + 1 && left < power_of_ten((uint8_t)(count - 1))) count--;
  return count;
}

uint8_t ov_digit_of(uint16_t left, uint8_t nth) {
  uint8_t place = 5, digit = 0;
  while (place-- > nth) {
    uint16_t power = power_of_ten(place);
    for (digit = 0; left >= power; left = (uint16_t)(left - power)) digit++;
  }
  return digit;
}

#endif
