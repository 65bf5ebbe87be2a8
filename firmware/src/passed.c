/* Changes of the keymap are kept by both of two parts on a line, so that a key means the same whichever of them the plug is in. The part that speaks with
 * the computer tells its set with its state, a change at a time, round and round; the other one writes the change that it wants next and answers nothing.
 * So what is lost comes again, and a part that was away makes up for it. Where that one's set is the newer of both it tells it in the same way. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_LINK && OV_WITH_LIVE

uint8_t ov_passed_tells;
static uint8_t status;
static uint8_t next; /* the change that is wanted, from 1 on; 0: none */
static uint8_t set[OV_LINK_KEPT_BYTES], change[OV_CHANGE_BYTES]; /* the set that came or comes, as it is told; and a change of it */

void ov_passed_init(void) {
  status = OV_STATUS_OK;
  next = ov_passed_tells = 0;
  ov_changes_tell(0, set);
}

/* Of two sets that are equally new the other one must not count at the next start; a byte at a time. @returns whether one is written */
static uint8_t unseal_other(void) {
  uint16_t seal = (uint16_t)(ov_slot_at(ov_changes_slot() == 0) + OV_SLOT_AT_SEAL);
  if (ov_changes_slot() == OV_NONE || ov_hal_kept(seal) != OV_SEAL) return 0;
  ov_hal_keep(seal, OV_NO_SEAL);
  return 1;
}

static uint8_t are_alike(const uint8_t *one, const uint8_t *other) {
  uint8_t at = OV_LINK_KEPT_BYTES;
  while (at > 0 && one[at - 1u] == other[at - 1u]) at--;
  return (uint8_t)(at == 0);
}

static uint16_t word(const uint8_t *at) { return (uint16_t)(at[0] | (uint16_t)(at[1] << 8)); }

/* Sequences run round, so the difference tells; none at all is the oldest. Of two that are equally new that of the part with the plug counts. */
static uint8_t is_newer(const uint8_t *told, const uint8_t *own) {
  uint16_t by = (uint16_t)(word(told + OV_LINK_KEPT_SEQUENCE) - word(own + OV_LINK_KEPT_SEQUENCE));
  if (own[OV_LINK_KEPT_COUNT] == OV_NONE) return 1;
  if (told[OV_LINK_KEPT_COUNT] == OV_NONE) return 0;
  return by == 0 ? ov_is_far : (uint8_t)(by < 0x8000u);
}

static void look_at_set(const uint8_t *told) {
  uint8_t own[OV_LINK_KEPT_BYTES], at;
  ov_changes_tell(0, own);
  ov_passed_tells = 0;
  if (are_alike(told, own)) return;
  if (!is_newer(told, own)) {
    ov_passed_tells = ov_is_far;
  } else if (!are_alike(told, set)) {
    for (at = 0; at < OV_LINK_KEPT_BYTES; at++) set[at] = told[at];
    next = 1;
    status = ov_writing_begin(set[OV_LINK_KEPT_COUNT], word(set + OV_LINK_KEPT_SEQUENCE));
  }
}

/* One step a scan, as with changes that a computer tells. */
void ov_passed_pass(void) {
  const uint8_t *told = ov_link_kept();
  uint8_t at;
  if (!told || ov_writing_waits()) return;
  if (status == OV_STATUS_WORKING) {
    status = ov_writing_pass();
  } else if (next > set[OV_LINK_KEPT_COUNT]) {
    next = 0;
    status = ov_writing_finish(word(set + OV_LINK_KEPT_CRC));
  } else if (ov_is_far && next == 0 && unseal_other()) {
    return;
  } else if (told[OV_LINK_KEPT_NTH] == 0) {
    look_at_set(told);
  } else if (told[OV_LINK_KEPT_NTH] == next) {
    for (at = 0; at < OV_CHANGE_BYTES; at++) change[at] = told[OV_LINK_KEPT_CHANGE + at];
    status = ov_writing_changes((uint8_t)(next++ - 1u), 1, change);
  }
}

#endif
