/* A new set of changes: written byte by byte, one a scan at most, into the slot that is not in effect; checked there change
 * by change; sealed; and taken over once nothing is held. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

enum step { NOTHING, HEAD, CHANGES, CHECKING, CRC, SEAL, SEALED };

static uint8_t step;
static uint8_t slot;
static uint16_t place; /* of the byte that is written next */
static uint8_t head[OV_SLOT_AT_CRC - OV_SLOT_AT_SEAL];
static const uint8_t *from; /* bytes to be written: the head, or changes as they lie in the frame */
static uint8_t at, end; /* in them */
static uint8_t count, written, checked;
static uint16_t crc; /* as it was announced */
static uint8_t forgets;

static void put(uint8_t byte) { head[end++] = byte; }

static void put_word(uint16_t value) {
  put((uint8_t)(value & 0xFFu));
  put((uint8_t)(value >> 8));
}

/* What follows is written from this field of the slot on. */
static void begin(uint8_t what, uint16_t field) {
  step = what;
  place = (uint16_t)(ov_slot_at(slot) + field);
  from = head;
  at = end = 0;
}

void ov_writing_init(void) {
  step = NOTHING;
  at = end = forgets = 0;
}
uint8_t ov_writing_waits(void) { return step == SEALED; }
uint8_t ov_writing_forgets(void) { return forgets; }

uint8_t ov_writing_begin(uint8_t changes, uint16_t sequence) {
  if (step == SEALED) return OV_STATUS_WAITING;
  if (changes > OV_MOST_CHANGES) return OV_STATUS_TOO_MANY;
  slot = ov_changes_slot() == 0;
  count = changes;
  written = 0;
  begin(HEAD, OV_SLOT_AT_SEAL);
  put(OV_NO_SEAL);
  put_word(sequence);
  put_word(ov_tables_crc());
  put(count);
  return OV_STATUS_WORKING;
}

uint8_t ov_writing_changes(uint8_t first, uint8_t changes, const uint8_t *bytes) {
  if (step != HEAD && step != CHANGES) return OV_STATUS_OUT_OF_TURN;
  if (first != written || changes > OV_MOST_WRITTEN || changes > count - written) return OV_STATUS_OUT_OF_TURN;
  begin(CHANGES, (uint16_t)(OV_SLOT_AT_CHANGES + written * OV_CHANGE_BYTES));
  from = bytes;
  end = (uint8_t)(changes * OV_CHANGE_BYTES);
  written = (uint8_t)(written + changes);
  return OV_STATUS_WORKING;
}

uint8_t ov_writing_finish(uint16_t announced) {
  if ((step != HEAD && step != CHANGES) || written != count) return OV_STATUS_OUT_OF_TURN;
  crc = announced;
  checked = 0;
  begin(CHECKING, OV_SLOT_AT_SEAL);
  ov_slot_check(place);
  return OV_STATUS_WORKING;
}

/* Gives up a set that cannot be taken: it stays unsealed. */
static uint8_t give_up(uint8_t status) {
  step = NOTHING;
  return status;
}

static uint8_t check_next(void) {
  if (checked < count) return ov_slot_check_change(checked++) ? OV_STATUS_WORKING : give_up(OV_STATUS_UNSOUND);
  if (ov_slot_check_crc() != crc) return give_up(OV_STATUS_TORN);
  begin(CRC, OV_SLOT_AT_CRC);
  put_word(crc);
  return OV_STATUS_WORKING;
}

/* The byte just written comes next; when it was the last, what it belonged to is done. */
static uint8_t write_next(void) {
  uint8_t taken = ov_hal_keep((uint16_t)(place + at), from[at]);
  if (taken == OV_KEEP_UNTIL_OFF) forgets = 1;
  if (++at < end) return OV_STATUS_WORKING;
  if (step == CRC) {
    begin(SEAL, OV_SLOT_AT_SEAL);
    put(OV_SEAL);
    return OV_STATUS_WORKING;
  }
  if (step == SEAL) step = SEALED;
  return OV_STATUS_OK;
}

uint8_t ov_writing_pass(void) {
  if (step == CHECKING) return check_next();
  return at < end ? write_next() : OV_STATUS_OK;
}

void ov_writing_take_over(void) {
  if (step != SEALED) return;
  /* A part that another one speaks for carries nothing out. */
  if (!ov_is_far && (ov_held_count() > 0 || ov_waiting_count() > 0 || ov_macro_plays)) return;
  ov_changes_take(slot);
  step = NOTHING;
}
