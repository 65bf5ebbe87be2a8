/* Sending: each declared report at most once a scan. A state is sent when it differs from the last one taken; sums and
 * queues for as long as they have something to say. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *sent; /* the last states taken, one after another */
static uint8_t changed;
static uint8_t waiting;
/* The report that is offered first: the one that was refused first, so that those which share an endpoint take turns. */
static uint8_t first;

void ov_reports_init(void) {
  uint8_t bytes = 0;
  uint8_t kind;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (ov_report_declared(kind)) bytes = (uint8_t)(bytes + ov_report_length(kind));
  }
  sent = ov_arena_take(bytes);
  changed = ov_report_declared(OV_REPORT_PAD); /* a hat that is not pressed is not all zeros */
  waiting = first = 0;
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

#if OV_WITH_LINK
void ov_reports_untold(void) {
  uint8_t *at = sent;
  uint8_t kind, i;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (!ov_report_declared(kind)) continue;
    for (i = 0; i < ov_report_length(kind); i++) *at++ = 0xFF;
  }
  changed = 1;
}
#endif

static uint8_t same(const uint8_t *a, const uint8_t *b, uint8_t length) {
  while (length-- > 0) {
    if (a[length] != b[length]) return 0;
  }
  return 1;
}

enum { REFUSED, HAS_MORE, DONE };

/* What is left to tell of a report, whose last state taken is given. */
static uint8_t offer(uint8_t kind, uint8_t *last) {
  uint8_t bytes[OV_LONGEST_REPORT];
  uint8_t length = ov_report_build(kind, bytes);
  uint8_t is_state = ov_report_sending(kind) == OV_SEND_STATE;
  uint8_t i;
  if (length == 0) return DONE;
  if (is_state && same(bytes, last, length)) return DONE;
  if (!ov_hal_report(kind, bytes, length)) return REFUSED;
  ov_report_taken(kind);
  if (OV_WITH_MUSIC && !is_state) length = 0; /* what is no state is not compared */
  for (i = 0; i < length; i++) last[i] = bytes[i];
  return (uint8_t)(OV_WITH_MUSIC && ov_report_has_more(kind) ? HAS_MORE : DONE);
}

/* Those from the one on that is offered first, then those before it. */
void ov_reports_send(void) {
  uint8_t from = first, done = DONE, before, kind;
  if (!changed) return;
  first = 0;
  for (before = 0; before <= (from > 0); before++) {
    uint8_t *last = sent;
    for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
      if (!ov_report_declared(kind)) continue;
      if ((kind < from) == before) {
        uint8_t now = offer(kind, last);
        if (now == REFUSED && done != REFUSED) first = kind;
        if (now < done) done = now;
      }
      last += ov_report_length(kind);
    }
  }
  changed = waiting = (uint8_t)(done != DONE);
}
