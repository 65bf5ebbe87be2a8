/* Live changes: frames that the host sends, and what the device answers; documented in the design program's
 * docs/device-protocol.md. One frame at a time: the answer takes its place. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *frame; /* none when the device takes no live changes */
static uint8_t working;

void ov_live_init(void) {
  frame = ov_live_declared() ? ov_arena_take(OV_FRAME_BYTES) : 0;
  working = 0;
  ov_writing_init();
  ov_unlock_init();
  ov_passed_init();
}

const uint8_t *ov_live_frame(void) { return frame; }
uint8_t *ov_live_place(void) { return working || !OV_WITH_LIVE ? 0 : frame; }

void ov_live_asked(void) {
  if (!OV_WITH_LIVE || !frame) return;
  frame[OV_FRAME_AT_STATUS] = OV_STATUS_WORKING;
  working = 1;
}

static void put_word(uint8_t at, uint16_t value) {
  frame[at] = (uint8_t)(value & 0xFFu);
  frame[at + 1] = (uint8_t)(value >> 8);
}

static uint16_t payload_word(void) {
  return (uint16_t)(frame[OV_FRAME_AT_PAYLOAD] | (uint16_t)(frame[OV_FRAME_AT_PAYLOAD + 1] << 8));
}

static uint8_t state(void) {
  return (uint8_t)((ov_unlock_seconds() > 0 ? OV_LIVE_STATE_UNLOCKED : 0) | (ov_writing_waits() ? OV_LIVE_STATE_WAITING : 0) |
                   (ov_writing_forgets() ? OV_LIVE_STATE_FORGETS : 0));
}

static uint8_t hello(void) {
  frame[OV_HELLO_AT_LIVE_VERSION] = OV_LIVE_VERSION;
  frame[OV_HELLO_AT_TABLE_VERSION] = OV_TABLE_VERSION;
  put_word(OV_HELLO_AT_TABLES_CRC, ov_tables_crc());
  put_word(OV_HELLO_AT_FIXED_CRC, ov_table_word(OV_AT_FIXED_CRC));
  frame[OV_HELLO_AT_LAYERS] = ov_table_byte(OV_AT_LAYERS);
  frame[OV_HELLO_AT_INPUTS] = ov_input_count();
  put_word(OV_HELLO_AT_POOL_BYTES, ov_pool_bytes());
  frame[OV_HELLO_AT_MOST_CHANGES] = OV_MOST_CHANGES;
  frame[OV_HELLO_AT_CHANGES] = ov_changes_count();
  put_word(OV_HELLO_AT_SEQUENCE, ov_changes_sequence());
  frame[OV_HELLO_AT_STATE] = state();
  frame[OV_HELLO_AT_UNLOCK_FIRST] = ov_table_byte(OV_AT_UNLOCK_FIRST);
  frame[OV_HELLO_AT_UNLOCK_SECOND] = ov_table_byte(OV_AT_UNLOCK_SECOND);
  frame[OV_HELLO_AT_UNLOCK_TENTHS] = OV_UNLOCK_TENTHS;
  frame[OV_HELLO_AT_OPEN_SECONDS] = ov_unlock_seconds();
  return OV_STATUS_OK;
}

static uint8_t read_actions(uint8_t active) {
  uint8_t layer = frame[OV_FRAME_AT_FIRST];
  uint8_t input = frame[OV_FRAME_AT_PAYLOAD];
  uint8_t count = frame[OV_FRAME_AT_COUNT];
  uint8_t *to = frame + OV_FRAME_AT_PAYLOAD;
  uint8_t nth;
  if (layer >= ov_table_byte(OV_AT_LAYERS) || count > OV_MOST_READ || input + count > ov_input_count()) return OV_STATUS_UNSOUND;
  for (; count > 0; count--, input++) {
    uint32_t action = active ? ov_entry(layer, input) : ov_loaded_action(layer, input);
    for (nth = 0; nth < OV_ACTION_BYTES; nth++, action >>= 8) *to++ = (uint8_t)action;
  }
  return OV_STATUS_OK;
}

static uint8_t read_pool(void) {
  uint16_t from = payload_word();
  uint8_t count = frame[OV_FRAME_AT_COUNT];
  uint8_t nth;
  if (count > OV_MOST_POOL_READ || from >= OV_MOST_TABLE_BYTES || from + count > ov_pool_bytes()) return OV_STATUS_UNSOUND;
  for (nth = 0; nth < count; nth++) frame[OV_FRAME_AT_PAYLOAD + nth] = ov_table_byte((uint16_t)(ov_pool_place(from) + nth));
  return OV_STATUS_OK;
}

/* Where sticks and pots stand is no secret, as what is typed would be: it is told though the device is locked. */
static uint8_t read_sensors(void) {
  uint8_t from = frame[OV_FRAME_AT_FIRST];
  uint8_t count = frame[OV_FRAME_AT_COUNT];
  uint8_t nth;
  if (count > OV_MOST_SENSORS_READ || from + count > ov_axes_there()) return OV_STATUS_UNSOUND;
  for (nth = 0; nth < count; nth++) put_word((uint8_t)(OV_FRAME_AT_PAYLOAD + 2u * nth), ov_axis_reading((uint8_t)(from + nth)));
  return OV_STATUS_OK;
}

/* A part that another one speaks for keeps what that one keeps. */
static uint8_t change(void) {
  if (ov_unlock_seconds() == 0 || ov_is_far) return OV_STATUS_LOCKED;
  if (ov_link_kept()) return OV_STATUS_WAITING; /* the other part has a newer set, which comes first */
  ov_unlock_use();
  switch (frame[OV_FRAME_AT_COMMAND]) {
    case OV_COMMAND_BEGIN: return ov_writing_begin(frame[OV_FRAME_AT_COUNT], (uint16_t)(ov_changes_sequence() + 1u));
    case OV_COMMAND_WRITE:
      return ov_writing_changes(frame[OV_FRAME_AT_FIRST], frame[OV_FRAME_AT_COUNT], frame + OV_FRAME_AT_PAYLOAD);
    default: return ov_writing_finish(payload_word());
  }
}

OV_RARELY static uint8_t obey(void) {
  switch (frame[OV_FRAME_AT_COMMAND]) {
    case OV_COMMAND_HELLO: return hello();
    case OV_COMMAND_READ_ACTIVE: return read_actions(1);
    case OV_COMMAND_READ_LOADED: return read_actions(0);
    case OV_COMMAND_READ_POOL: return read_pool();
    case OV_COMMAND_READ_SENSORS: return read_sensors();
    case OV_COMMAND_BEGIN:
    case OV_COMMAND_WRITE:
    case OV_COMMAND_FINISH: return change();
    default: return OV_STATUS_UNKNOWN;
  }
}

/* One step a scan, and none while a contact settles: a key whose meaning is kept could not be looked up while a byte is
 * being written. */
void ov_live_pass(uint8_t elapsed_ms) {
  uint8_t status;
  if (!frame) return;
  ov_unlock_pass(elapsed_ms);
  if (ov_hal_keeping()) return; /* what is kept could not be read now without waiting */
  ov_writing_take_over();
  if (ov_debounce_busy()) return;
  if (!working) ov_passed_pass();
  if (!working) return;
  status = working == 1 ? obey() : ov_writing_pass();
  working = status == OV_STATUS_WORKING ? 2 : 0;
  frame[OV_FRAME_AT_STATUS] = status;
}
