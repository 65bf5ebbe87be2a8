/* Sending: each declared report at most once a scan. A state is sent when it differs from the last one taken; sums and
 * queues for as long as they have something to say. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *sent; /* the last states taken, one after another */
static uint8_t changed;
static uint8_t waiting;

void ov_reports_init(void) {
  uint8_t bytes = 0;
  uint8_t kind;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (ov_report_declared(kind)) bytes = (uint8_t)(bytes + ov_report_length(kind));
  }
  sent = ov_arena_take(bytes);
  changed = ov_report_declared(OV_REPORT_PAD); /* a hat that is not pressed is not all zeros */
  waiting = 0;
}

void ov_reports_changed(void) { changed = 1; }
uint8_t ov_reports_waiting(void) { return waiting; }

/* After a bus reset the host takes everything for released; states that are not so are then told. */
void ov_host_reset(void) {
  uint8_t *at = sent;
  uint8_t kind, i;
  if (!sent) return;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (!ov_report_declared(kind)) continue;
    for (i = 0; i < ov_report_length(kind); i++) *at++ = 0;
    ov_report_forget(kind);
  }
  ov_panel_forget();
  changed = 1;
}

static uint8_t same(const uint8_t *a, const uint8_t *b, uint8_t length) {
  while (length-- > 0) {
    if (a[length] != b[length]) return 0;
  }
  return 1;
}

/* 1 when the host side has all there is to tell. */
static uint8_t offer(uint8_t kind, uint8_t *last) {
  uint8_t bytes[OV_LONGEST_REPORT];
  uint8_t length = ov_report_build(kind, bytes);
  uint8_t is_state = ov_report_sending(kind) == OV_SEND_STATE;
  uint8_t i;
  if (length == 0) return 1;
  if (is_state && same(bytes, last, length)) return 1;
  if (!ov_hal_report(kind, bytes, length)) return 0;
  ov_report_taken(kind);
  if (OV_WITH_MUSIC && !is_state) length = 0; /* what is no state is not compared */
  for (i = 0; i < length; i++) last[i] = bytes[i];
  return (uint8_t)!(OV_WITH_MUSIC && ov_report_has_more(kind));
}

void ov_reports_send(void) {
  uint8_t *last = sent;
  uint8_t done = 1;
  uint8_t kind;
  if (!changed) return;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (!ov_report_declared(kind)) continue;
    done = (uint8_t)(done & offer(kind, last));
    last += ov_report_length(kind);
  }
  changed = waiting = (uint8_t)!done;
}
