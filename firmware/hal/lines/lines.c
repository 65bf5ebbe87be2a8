/* The lines of a device, driven and read as the board block says: strobes, banks of sense lines, lamps, added parts. How
 * a single pin is driven and read is the controller's: access.h beside its HAL. */
#include "access.h"
#include "board.h"
#include "lines.h"
#include "ovrin.h"
#include "parts.h"

/* Levels by number: the five ports, a byte that is always high, then what is read and shown remotely. */
static uint8_t *levels;
static uint8_t outputs_changed;
static uint8_t pair; /* the lamp between two lines that was shown last */
#if OV_WITH_DISPLAYS
static uint8_t multiplexer, branch; /* the bus multiplexer that was told last, and what; 0: none yet */
#endif

/* What hangs on the device's other part has no pin here: that part shows it. */
#define IS_FOREIGN(place) (OV_WITH_LINK && (place) == 0)

/* The lowest bit in each step of four select lines, looked up because shifting takes its time. */
static const uint8_t lowest_bit[16] OV_IN_FLASH = {0, 0, 1, 0, 2, 0, 1, 0, 3, 0, 1, 0, 2, 0, 1, 0};

void ov_lines_start(void) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_START_TABLE);
  uint8_t input;
  while ((input = ov_flash_next(&at)) != 0) {
    uint8_t mask = ov_flash_next(&at);
    uint8_t mode = ov_flash_next(&at);
    if (mode >= OV_START_MODE_LOW) ov_pin_drive(input, mask, mode == OV_START_MODE_HIGH);
    else ov_pin_let_go(input, mask, mode == OV_START_MODE_PULL_UP);
  }
}

static void open_parts(void) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_PART_TABLE);
  uint8_t kind;
  while ((kind = ov_flash_next(&at)) != OV_PART_END) {
    uint8_t length = ov_flash_next(&at);
    if (kind == OV_PART_BUS) ov_bus_open(at);
    if (kind == OV_PART_EXPANDERS) ov_expanders_open(at);
    at += length;
  }
}

uint8_t ov_lines_open(void) {
  uint8_t remote = ov_board_byte(OV_BOARD_AT_REMOTE_BYTES);
  uint8_t pairs = ov_board_byte(OV_BOARD_AT_PAIRS);
  uint8_t i;
  if (ov_arena_need() + OV_LEVEL_REMOTE + remote > ov_arena_bytes) return 0;
  levels = ov_arena_take((uint16_t)(OV_LEVEL_REMOTE + remote));
  for (i = OV_LEVEL_PORTS; i < OV_LEVEL_REMOTE + remote; i++) levels[i] = 0xFF;
  for (i = 0; i < pairs; i++) levels[OV_LEVEL_REMOTE + ov_board_byte(OV_BOARD_AT_PAIRS_FIRST) + i] = 0;
  outputs_changed = 1;
  pair = 0;
#if OV_WITH_DISPLAYS
  multiplexer = 0;
#endif
  open_parts();
  return 1;
}

void ov_hal_strobe(uint8_t line) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_STROBE_TABLE) + (uint16_t)line * OV_BOARD_STROBE_BYTES;
  uint8_t input = ov_flash_next(&at);
  ov_pin_drive(input, ov_flash_next(&at), 0);
}

void ov_hal_release(uint8_t line) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_STROBE_TABLE) + (uint16_t)line * OV_BOARD_STROBE_BYTES;
  uint8_t input = ov_flash_next(&at);
  uint8_t mask = ov_flash_next(&at);
  ov_pin_let_go(input, mask, ov_flash_next(&at) & OV_STROBE_PULL_UP);
}

static uint16_t read_whole_bytes(const uint8_t *at) {
  uint8_t low = levels[ov_flash_next(&at)];
  return (uint16_t)(low | (uint16_t)(levels[ov_flash_next(&at)] << 8));
}

uint16_t ov_hal_read(uint8_t bank) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_BANK_TABLE) + (uint16_t)bank * OV_BOARD_BANK_BYTES;
  uint8_t lines = ov_flash_next(&at);
  uint16_t word = 0xFFFF, bit = 1;
  if (lines & OV_BANK_WHOLE_BYTES) return read_whole_bytes(at);
  ov_ports_catch(levels);
  for (; lines > 0; lines--, bit = (uint16_t)(bit << 1)) {
    uint8_t from = ov_flash_next(&at);
    uint8_t level = ov_level_of(levels, from & 0x7F, ov_flash_next(&at));
    if ((level == 0) != ((from & OV_LEVEL_INVERTED) != 0)) word &= (uint16_t)~bit;
  }
  return word;
}

/* Caught at one instant by the latch, then shifted in: the last input of the first register comes first. */
static void catch_registers(const uint8_t *at) {
  uint8_t clock = ov_flash_next(&at), clock_mask = ov_flash_next(&at);
  uint8_t latch = ov_flash_next(&at), latch_mask = ov_flash_next(&at);
  uint8_t data = ov_flash_next(&at), data_mask = ov_flash_next(&at);
  uint8_t bytes = ov_flash_next(&at);
  uint8_t *to = levels + OV_LEVEL_REMOTE + ov_flash_next(&at);
  ov_pin_drive(latch, latch_mask, 0);
  ov_pin_drive(latch, latch_mask, 1);
  for (; bytes > 0; bytes--, to++) {
    uint8_t mask;
    uint8_t byte = 0;
    for (mask = 0x80; mask; mask >>= 1) {
      if (ov_pin_is_high(data, data_mask)) byte |= mask;
      ov_pin_set(clock, clock_mask);
      ov_pin_clear(clock, clock_mask);
    }
    *to = byte;
  }
}

/* What each multiplexer of a set says on one channel: what reads low is marked in the bytes, which were all high. */
OV_APART static void catch_channel(const uint8_t *data_pins, uint8_t chips, uint8_t channel, uint8_t *to) {
  uint8_t mask = (uint8_t)~ov_flash_byte(ov_bits + (channel & 7u));
  if (channel & 8u) to++;
  for (; chips > 0; chips--, to += 2) {
    uint8_t data = ov_flash_next(&data_pins);
    if (!ov_pin_is_high(data, ov_flash_next(&data_pins))) *to &= mask;
  }
}

static void turn_select(const uint8_t *select_pins, uint8_t nth) {
  const uint8_t *at = select_pins + 2 * nth;
  uint8_t input = ov_flash_next(&at);
  ov_pin_turn(input, ov_flash_next(&at));
}

/* One select line changes at a time (Gray's code), so that each channel costs one write: what changes from step to step
 * is the lowest bit of the step's number. After the last channel only the highest line is high. */
OV_APART static void catch_multiplexers(const uint8_t *at) {
  uint8_t selects = ov_flash_next(&at);
  const uint8_t *select_pins = at;
  uint8_t chips, last, step, i;
  uint8_t *to;
  at += 2 * selects;
  chips = ov_flash_next(&at);
  to = levels + OV_LEVEL_REMOTE + ov_flash_next(&at);
  last = (uint8_t)((1u << selects) - 1u);
  for (i = 0; i < 2 * chips; i++) to[i] = 0xFF;
  for (step = 0;; turn_select(select_pins, ov_flash_byte(lowest_bit + step))) {
    ov_hal_settle(1);
    catch_channel(at, chips, (uint8_t)(step ^ (step >> 1)), to);
    if (step++ == last) break;
  }
  turn_select(select_pins, (uint8_t)(selects - 1));
}

/* The last output is shifted out first; the latch shows all at once, and the enable line comes with the first of it. */
static void show_registers(const uint8_t *at) {
  uint8_t clock = ov_flash_next(&at), clock_mask = ov_flash_next(&at);
  uint8_t latch = ov_flash_next(&at), latch_mask = ov_flash_next(&at);
  uint8_t data = ov_flash_next(&at), data_mask = ov_flash_next(&at);
  uint8_t enable = ov_flash_next(&at), enable_mask = ov_flash_next(&at);
  uint8_t bytes = ov_flash_next(&at);
  const uint8_t *from = levels + OV_LEVEL_REMOTE + ov_flash_next(&at);
  while (bytes-- > 0) {
    uint8_t mask;
    for (mask = 0x80; mask; mask >>= 1) {
      if (from[bytes] & mask) ov_pin_set(data, data_mask);
      else ov_pin_clear(data, data_mask);
      ov_pin_set(clock, clock_mask);
      ov_pin_clear(clock, clock_mask);
    }
  }
  ov_pin_set(latch, latch_mask);
  ov_pin_clear(latch, latch_mask);
  if (enable) ov_pin_clear(enable, enable_mask);
}

void ov_hal_catch(void) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_PART_TABLE);
  uint8_t kind;
  while ((kind = ov_flash_next(&at)) != OV_PART_END) {
    uint8_t length = ov_flash_next(&at);
    uint8_t *remote = levels + OV_LEVEL_REMOTE;
    if (kind == OV_PART_IN_REGISTERS) catch_registers(at);
    else if (kind == OV_PART_MULTIPLEXERS) catch_multiplexers(at);
    else if (kind == OV_PART_EXPANDERS) ov_expanders_catch(at, remote);
    else if (kind == OV_PART_LADDER) ov_ladder_catch(at, remote);
    at += length;
  }
}

static const uint8_t *lamp_at(uint8_t line) {
  return ov_board_table(OV_BOARD_AT_LAMP_TABLE) + (uint16_t)line * OV_BOARD_LAMP_BYTES;
}

/* Which of the lamps between line pairs this line is. */
static uint8_t pair_number(uint8_t line) {
  uint8_t nth = 0;
  while (line-- > 0) nth = (uint8_t)(nth + (ov_flash_byte(lamp_at(line)) == OV_LAMP_ON_PAIR));
  return nth;
}

void ov_hal_lamp(uint8_t line, uint8_t on) {
  const uint8_t *at = lamp_at(line);
  uint8_t kind = ov_flash_next(&at);
  uint8_t where = ov_flash_next(&at);
  uint8_t mask = ov_flash_next(&at);
  if (kind == OV_LAMP_ON_PIN_HIGH) ov_pin_drive(where, mask, on);
#if OV_WITH_TONE
  if (kind == OV_LAMP_ON_TONE) {
    uint16_t half = ov_flash_next(&at);
    half = (uint16_t)(half | (uint16_t)(ov_flash_next(&at) << 8));
    ov_pin_tone(where, mask, on ? half : 0);
  }
#endif
  if (kind == OV_LAMP_ON_REMOTE_LOW) {
    if (on) levels[OV_LEVEL_REMOTE + where] &= (uint8_t)~mask;
    else levels[OV_LEVEL_REMOTE + where] |= mask;
    outputs_changed = 1;
  }
  if (kind == OV_LAMP_ON_PAIR)
    levels[OV_LEVEL_REMOTE + ov_board_byte(OV_BOARD_AT_PAIRS_FIRST) + pair_number(line)] = on;
}

#if OV_WITH_LIGHTS
void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_LIGHT_TABLE) + OV_BOARD_LIGHT_BYTES * chain;
  uint8_t input = ov_flash_next(&at);
  if (IS_FOREIGN(input)) return;
  ov_pin_send(input, ov_flash_next(&at), bytes, length);
}
#endif

#if OV_WITH_SEGMENTS
/* Data are taken when the clock rises; what every driver holds is shown when select rises. */
void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_SEGMENT_TABLE) + OV_BOARD_SEGMENT_BYTES * chain;
  uint8_t data = ov_flash_next(&at), data_mask = ov_flash_next(&at);
  uint8_t clock = ov_flash_next(&at), clock_mask = ov_flash_next(&at);
  uint8_t select_pin = ov_flash_next(&at), select_mask = ov_flash_next(&at);
  if (IS_FOREIGN(data)) return;
  ov_pin_clear(select_pin, select_mask);
  for (; length > 0; length--, bytes++) {
    uint8_t mask;
    for (mask = 0x80; mask; mask >>= 1) {
      if (*bytes & mask) ov_pin_set(data, data_mask);
      else ov_pin_clear(data, data_mask);
      ov_pin_set(clock, clock_mask);
      ov_pin_clear(clock, clock_mask);
    }
  }
  ov_pin_set(select_pin, select_mask);
}
#endif

#if OV_WITH_DISPLAYS
/* A display that hangs behind a bus multiplexer is reached when that has its branch on, and no other one has any. */
void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length) {
  static const uint8_t none = 0;
  const uint8_t *at = ov_board_table(OV_BOARD_AT_DISPLAY_TABLE) + OV_BOARD_DISPLAY_BYTES * display;
  uint8_t address = ov_flash_next(&at), there = ov_flash_next(&at), on = ov_flash_next(&at);
  if (IS_FOREIGN(address)) return;
  if (there != 0 && (there != multiplexer || on != branch)) {
    if (multiplexer != 0 && multiplexer != there) ov_bus_write(multiplexer, &none, 1);
    ov_bus_write(there, &on, 1);
    multiplexer = there;
    branch = on;
  }
  ov_bus_write(address, bytes, length);
}
#endif

#if OV_WITH_AXES
/* Until a multiplexer's line has settled, and until the converter has taken its sample: 1.5 cycles of 125 kHz and the wait for one. */
#define SELECT_SETTLES_US 2
#define SAMPLE_US 20

/* The select lines are low when they are at rest, as the others that share them want it. */
static void select(const uint8_t *pins, uint8_t selects, uint8_t channel) {
  for (; selects > 0; selects--, channel >>= 1) {
    uint8_t input = ov_flash_next(&pins);
    uint8_t mask = ov_flash_next(&pins);
    if (channel & 1u) ov_pin_set(input, mask);
    else ov_pin_clear(input, mask);
  }
}

uint16_t ov_hal_sense(uint8_t sensor) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_SENSE_TABLE) + (uint16_t)sensor * OV_BOARD_SENSE_BYTES;
  uint8_t pin = ov_flash_next(&at);
  uint8_t channel = ov_flash_next(&at);
  uint8_t selects = ov_flash_next(&at);
  uint16_t before = ov_convert_end();
  if (selects == 0) {
    ov_convert_begin(pin);
    return before;
  }
  select(at, selects, channel);
  ov_hal_settle(SELECT_SETTLES_US);
  ov_convert_begin(pin);
  ov_hal_settle(SAMPLE_US);
  select(at, selects, 0);
  return before;
}
#endif

/* Puts the pins of a lamp between two lines: lit, or both let go. */
static void show_pair(uint8_t nth, uint8_t lit) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_LAMP_TABLE);
  uint8_t high, high_mask, low;
  for (;; at += OV_BOARD_LAMP_BYTES) {
    if (ov_flash_byte(at) == OV_LAMP_ON_PAIR && nth-- == 0) break;
  }
  at++;
  high = ov_flash_next(&at);
  high_mask = ov_flash_next(&at);
  low = ov_flash_next(&at);
  if (lit) {
    ov_pin_drive(low, ov_flash_byte(at), 0);
    ov_pin_drive(high, high_mask, 1);
  } else {
    ov_pin_let_go(high, high_mask, 0);
    ov_pin_let_go(low, ov_flash_byte(at), 0);
  }
}

static void show_next_pair(void) {
  uint8_t pairs = ov_board_byte(OV_BOARD_AT_PAIRS);
  const uint8_t *lit = levels + OV_LEVEL_REMOTE + ov_board_byte(OV_BOARD_AT_PAIRS_FIRST);
  uint8_t tries = pairs;
  if (pairs == 0) return;
  show_pair(pair, 0);
  while (tries-- > 0) {
    pair = (uint8_t)(pair + 1 < pairs ? pair + 1 : 0);
    if (lit[pair]) {
      show_pair(pair, 1);
      return;
    }
  }
}

void ov_lines_show(void) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_PART_TABLE);
  uint8_t kind;
  show_next_pair();
  if (!outputs_changed) return;
  outputs_changed = 0;
  while ((kind = ov_flash_next(&at)) != OV_PART_END) {
    uint8_t length = ov_flash_next(&at);
    if (kind == OV_PART_OUT_REGISTERS) show_registers(at);
    at += length;
  }
}
