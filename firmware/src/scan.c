/* Reading the contacts: strobe a line, let it settle, read a bank of sense lines; pressed reads low. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint16_t *resting;   /* of each bank, the word read with nothing strobed */
static uint16_t *last_word; /* of each group */
static uint8_t *settling;   /* of each group, whether the time of one of its switches runs */
static uint8_t settle_us;

static uint16_t *words(uint8_t count) {
  uint16_t *place = (uint16_t *)(void *)ov_arena_take((uint16_t)(2u * count));
  uint8_t i;
  for (i = 0; i < count; i++) place[i] = 0xFFFF;
  return place;
}

void ov_scan_init(void) {
  resting = words(ov_table_byte(OV_AT_BANKS));
  last_word = words(ov_table_byte(OV_AT_GROUPS));
  settle_us = ov_table_byte(OV_AT_SETTLE_US);
}

void ov_settling_init(void) { settling = ov_arena_take(ov_table_byte(OV_AT_GROUPS)); }

#if OV_WITH_LINK
void ov_scan_look_again(void) {
  uint8_t index = ov_table_byte(OV_AT_GROUPS);
  while (index-- > 0) settling[index] = 1;
}
#endif

static void read_resting_banks(void) {
  uint16_t table = ov_table_word(OV_AT_BANK_TABLE);
  uint8_t count = ov_table_byte(OV_AT_BANKS);
  uint8_t bank;
  for (bank = 0; bank < count; bank++) {
    if (ov_table_byte((uint16_t)(table + bank))) resting[bank] = ov_hal_read(bank);
  }
}

static uint16_t read_strobed(uint8_t strobe, uint8_t bank) {
  uint16_t word;
  ov_hal_strobe(strobe);
  ov_hal_settle(settle_us);
  word = ov_hal_read(bank);
  ov_hal_release(strobe);
  return word;
}

/* @returns whether the time of one of its switches runs */
static uint8_t debounce_group(uint16_t group, uint16_t word) {
  uint8_t runs = 0;
  uint16_t cell = (uint16_t)(group + 2);
  uint16_t end = (uint16_t)(cell + 16);
  for (; cell != end; cell++, word >>= 1) {
    uint8_t sw = ov_table_byte(cell);
    if (sw != OV_NONE) runs |= ov_debounce(sw, (uint8_t)(~word & 1u));
  }
  return runs;
}

static void scan_group(uint8_t index, uint16_t group) {
  uint8_t strobe = ov_table_byte(group);
  uint8_t bank = ov_table_byte((uint16_t)(group + 1));
  uint16_t word = strobe == OV_NONE ? resting[bank] : read_strobed(strobe, bank);
  /* Nothing new on these lines and nothing being debounced: every switch is as it was. */
  if (word == last_word[index] && !settling[index]) return;
  last_word[index] = word;
  settling[index] = debounce_group(group, word);
}

void ov_scan_switches(void) {
  uint8_t index = ov_part_first(OV_PART_AT_GROUPS);
  uint8_t end = ov_part_end(OV_PART_AT_GROUPS, ov_table_byte(OV_AT_GROUPS));
  uint16_t group = (uint16_t)(ov_table_word(OV_AT_GROUP_TABLE) + OV_GROUP_BYTES * index);
  ov_hal_catch();
  read_resting_banks();
  for (; index < end; index++, group = (uint16_t)(group + OV_GROUP_BYTES)) scan_group(index, group);
}

const uint8_t ov_bits[8] OV_IN_FLASH = {0x01, 0x02, 0x04, 0x08, 0x10, 0x20, 0x40, 0x80};

uint8_t ov_sense_low(uint8_t line) {
  uint16_t word = resting[line >> 4];
  uint8_t byte = (uint8_t)(line & 8u ? word >> 8 : word);
  return (uint8_t)((byte & ov_flash_byte(ov_bits + (line & 7u))) == 0);
}
