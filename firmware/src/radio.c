/* A radio's packet: every control in one structure, with a check value, framed as its entry says. It is sent when something has changed,
 * not sooner than its gap after the one before, and again after a while, so that a receiver knows that the device is still there. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_RADIO

uint8_t ov_radio_is_changed;

static uint8_t *sent; /* the structure as it was sent last */
static uint8_t there, waits, differs, at;
static uint16_t since_ms;
static uint8_t *end, *code; /* of the frame: where it ends, and where the last code of a stuffed one is */
static uint16_t check;

OV_RARELY static uint8_t of(uint8_t field) { return ov_table_byte((uint16_t)(ov_table_word(OV_AT_RADIO_TABLE) + field)); }
static uint8_t has(uint8_t part) { return (uint8_t)(of(OV_RADIO_AT_PARTS) & part); }

void ov_radio_init(void) {
  there = ov_table_byte(OV_AT_RADIO);
  sent = ov_arena_take(there);
  since_ms = 0;
  ov_radio_is_changed = waits = 1;
}

static void put(uint8_t byte) {
  if (sent[at] != byte) differs = 1;
  sent[at++] = byte;
}

/* A bit for each switch, the first one lowest. */
static void put_keys(void) {
  uint8_t switches = ov_table_byte(OV_AT_SWITCHES), sw, byte = 0, bit = 1;
  for (sw = 0; sw < switches; sw++) {
    if (ov_switch_closed(sw)) byte |= bit;
    bit = (uint8_t)(bit << 1);
    if (bit && sw + 1u < switches) continue;
    put(byte);
    byte = 0;
    bit = 1;
  }
}

static void put_axes(void) {
  uint8_t sensors = ov_axes_there(), n;
  for (n = 0; n < sensors; n++) {
    uint16_t fine = ov_axis_fine(n);
    if (has(OV_RADIO_PARTS_WIDE)) put((uint8_t)fine);
    put((uint8_t)(has(OV_RADIO_PARTS_WIDE) ? fine >> 8 : fine >> 6));
  }
}

/* The structure as it is now, behind its number. */
static void look(void) {
  uint8_t encoders = ov_table_byte(OV_AT_ENCODERS), e;
  at = (uint8_t)(has(OV_RADIO_PARTS_COUNTER) != 0);
  differs = 0;
  if (has(OV_RADIO_PARTS_KEYS)) put_keys();
  if (has(OV_RADIO_PARTS_AXES)) put_axes();
  for (e = 0; has(OV_RADIO_PARTS_KNOBS) && e < encoders; e++) put(ov_encoder_value(e));
}

static void check_begins(void) { check = of(OV_RADIO_AT_CHECK) == OV_RADIO_CHECK_CRC16 ? OV_CRC_START : 0; }

/* Of 8 bits: the division by x^8 + x^2 + x + 1, a bit at a time. */
static uint8_t divided(uint8_t rest) {
  uint8_t bit;
  for (bit = 8; bit > 0; bit--) rest = (uint8_t)(rest << 1 ^ (rest & 0x80 ? 0x07 : 0));
  return rest;
}

static void check_byte(uint8_t byte) {
  uint8_t how = of(OV_RADIO_AT_CHECK);
  if (how == OV_RADIO_CHECK_CRC16) check = ov_crc_add(check, byte);
  else if (how == OV_RADIO_CHECK_CRC8) check = divided((uint8_t)(check ^ byte));
  else check = (uint8_t)(check + byte);
}

static uint8_t check_bytes(void) {
  uint8_t how = of(OV_RADIO_AT_CHECK);
  return (uint8_t)(how == OV_RADIO_CHECK_NONE ? 0 : how == OV_RADIO_CHECK_CRC16 ? 2 : 1);
}

static uint8_t is_mark(uint8_t byte) {
  if (byte == of(OV_RADIO_AT_START) || byte == of(OV_RADIO_AT_END) || byte == of(OV_RADIO_AT_ESCAPE)) return 1;
  return (uint8_t)(has(OV_RADIO_PARTS_SEPARATES) && byte == of(OV_RADIO_AT_SEPARATOR));
}

/* One byte of what is framed. A stuffed frame says, where a zero was, how far it is to the next one. */
static void frame_byte(uint8_t byte) {
  uint8_t framing = of(OV_RADIO_AT_FRAMING);
  if (framing == OV_RADIO_FRAMING_MARKED && is_mark(byte)) {
    *end++ = of(OV_RADIO_AT_ESCAPE);
    byte ^= of(OV_RADIO_AT_TURNED);
  }
  if (framing == OV_RADIO_FRAMING_STUFFED && byte == 0) {
    *code = (uint8_t)(end - code);
    code = end++;
  } else *end++ = byte;
}

static void separate(void) {
  if (at > 0 && has(OV_RADIO_PARTS_SEPARATES)) *end++ = of(OV_RADIO_AT_SEPARATOR);
}

/* So many fields of so many bytes, each from the structure. */
static void frame_fields(uint8_t fields, uint8_t bytes) {
  uint8_t n;
  for (; fields > 0; fields--) {
    separate();
    for (n = 0; n < bytes; n++) {
      uint8_t byte = sent[at];
      check_byte(byte);
      frame_byte(byte);
      at++;
    }
  }
}

static void frame_check(void) {
  uint8_t bytes = check_bytes();
  if (bytes == 0) return;
  separate();
  if (bytes == 2) frame_byte((uint8_t)(check >> 8));
  frame_byte((uint8_t)check);
}

/* The frame around the structure. @returns whether the radio takes it */
OV_APART static uint8_t send(void) {
  uint8_t frame[OV_RADIO_FRAME_MOST];
  uint8_t framing = of(OV_RADIO_AT_FRAMING), keys = (uint8_t)((ov_table_byte(OV_AT_SWITCHES) + 7u) >> 3);
  end = code = frame;
  at = 0;
  check_begins();
  if (framing == OV_RADIO_FRAMING_MARKED) *end++ = of(OV_RADIO_AT_START);
  if (framing == OV_RADIO_FRAMING_STUFFED) end++;
  if (has(OV_RADIO_PARTS_COUNTER)) frame_fields(1, 1);
  if (has(OV_RADIO_PARTS_KEYS) && keys > 0) frame_fields(1, keys);
  if (has(OV_RADIO_PARTS_AXES)) frame_fields(ov_axes_there(), has(OV_RADIO_PARTS_WIDE) ? 2 : 1);
  if (has(OV_RADIO_PARTS_KNOBS)) frame_fields(ov_table_byte(OV_AT_ENCODERS), 1);
  frame_check();
  if (framing == OV_RADIO_FRAMING_MARKED) *end++ = of(OV_RADIO_AT_END);
  if (framing == OV_RADIO_FRAMING_STUFFED) {
    *code = (uint8_t)(end - code);
    *end++ = 0;
  }
  return ov_hal_radio(frame, (uint8_t)(end - frame));
}

/* In every scan, when all else has been looked at; one that has much to tell leaves its packet for the next. */
void ov_radio_play(uint8_t elapsed_ms, uint8_t is_crowded) {
  uint16_t again;
  if (there == 0) return;
  since_ms = (uint16_t)(since_ms > 0xFFFFu - elapsed_ms ? 0xFFFFu : since_ms + elapsed_ms);
  if (is_crowded || since_ms < of(OV_RADIO_AT_GAP_MS)) return;
  again = (uint16_t)(of(OV_RADIO_AT_EVERY) * 10u);
  if (again > 0 && since_ms >= again) waits = 1;
  if (!ov_radio_is_changed && !waits) return;
  ov_radio_is_changed = 0;
  look();
  if (differs) waits = 1;
  if (!waits || !send()) return;
  waits = 0;
  since_ms = 0;
  if (has(OV_RADIO_PARTS_COUNTER)) sent[0]++;
}

uint8_t ov_radio_answered(const uint8_t *bytes, uint8_t length) {
  uint8_t *place, n;
  if (there == 0 || !has(OV_RADIO_PARTS_ANSWERS) || length != OV_PANEL_BYTES + check_bytes()) return 0;
  check_begins();
  for (n = 0; n < OV_PANEL_BYTES; n++) check_byte(bytes[n]);
  if (check_bytes() == 2 && bytes[OV_PANEL_BYTES] != (uint8_t)(check >> 8)) return 0;
  if (check_bytes() > 0 && bytes[length - 1u] != (uint8_t)check) return 0;
  place = ov_panel_place();
  for (n = 0; place && n < OV_PANEL_BYTES; n++) place[n] = bytes[n];
  return (uint8_t)(place != 0);
}

#else

uint8_t ov_radio_answered(const uint8_t *bytes, uint8_t length) {
  (void)bytes;
  (void)length;
  return 0;
}

#endif
