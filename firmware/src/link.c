/* Two parts of a device, each with a controller and the same tables, tell each other over a serial line what their contacts are, so that the one which
 * speaks with the computer treats all of them as its own, and the other shows what that one shows. Each frame tells everything: one that is lost
 * or damaged changes nothing, and the next one makes up for it. When nothing comes for a while, nothing is pressed over there. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_LINK

/* It is done once a scan, and what it does is little: room in flash counts for more here than speed. */
#if defined(__AVR__) && !defined(__OPTIMIZE_SIZE__)
#pragma GCC optimize("Os")
#endif

enum { FLAGS };

uint8_t ov_is_far;
static uint8_t there;      /* the longest frame, 0: this device has one part */
static uint8_t part;       /* which this is */
static uint8_t configured; /* a computer has set it up */
static uint8_t sleeps;     /* that computer */
static uint8_t hosts;      /* this part speaks with the computer */
static uint8_t is_heard;   /* the other one tells */
static uint8_t other_hosts, other_sleeps; /* it speaks with a computer, which sleeps */

static uint8_t *sent, *other, *received; /* the last frame sent, and taken; and one that comes */
static uint8_t *counted;                 /* steps: of its own knobs all, of the others those that were told */
static uint8_t got;
static uint8_t is_fresh, is_pending, is_first; /* a frame was taken; contacts are to be told; the first since a while */
static uint8_t since_ms, silent_ms;
static uint8_t missed; /* frames, by their numbers */
static uint8_t flags; /* of the next frame: its number, and whether counts begin anew */

/* What a part has, by OV_PART_AT_: its first and how many; and where in a frame of its what begins, and how long that is while the other one speaks with the computer, and while it does. */
struct share {
  uint8_t first[OV_PART_ENTRY_BYTES], count[OV_PART_ENTRY_BYTES];
  uint8_t steps, levels, state, length, host_length;
};
static struct share own, far;

static void measure(struct share *share, uint8_t which) {
  uint16_t entry = (uint16_t)(ov_table_word(OV_AT_PART_TABLE) + OV_PART_ENTRY_BYTES * which);
  uint8_t field;
  for (field = 0; field < OV_PART_ENTRY_BYTES; field++) {
    uint8_t first = which ? ov_table_byte((uint16_t)(entry - OV_PART_ENTRY_BYTES + field)) : 0;
    share->first[field] = first;
    share->count[field] = (uint8_t)(ov_table_byte((uint16_t)(entry + field)) - first);
  }
  share->steps = (uint8_t)(1u + ((share->count[OV_PART_AT_SWITCHES] + 7u) >> 3));
  share->levels = (uint8_t)(share->steps + share->count[OV_PART_AT_ENCODERS]);
  share->state = (uint8_t)(share->levels + (OV_WITH_AXES ? 2u * share->count[OV_PART_AT_SENSORS] : 0u));
  share->length = share->state;
  share->host_length = (uint8_t)(share->state + OV_LINK_STATE_BYTES + ov_table_byte(OV_AT_ENCODERS) + ov_panel_bytes());
}

uint8_t ov_part_first(uint8_t field) { return there ? own.first[field] : 0; }
uint8_t ov_part_end(uint8_t field, uint8_t all) { return there ? (uint8_t)(own.first[field] + own.count[field]) : all; }
#define OTHER ((uint8_t)(part ^ 1u))

uint16_t ov_link_need(void) { return OV_LINK_NEED(ov_table_byte(OV_AT_LINK_MOST), ov_table_byte(OV_AT_ENCODERS)); }

/* Before all else: who this is, and that nobody was heard yet. */
void ov_link_open(void) {
  there = ov_table_byte(OV_AT_PARTS) ? ov_table_byte(OV_AT_LINK_MOST) : 0;
  part = there ? ov_hal_part() : 0;
  if (there) {
    measure(&own, part);
    measure(&far, OTHER);
  }
  hosts = sleeps = is_heard = other_hosts = other_sleeps = ov_is_far = silent_ms = flags = 0;
}

/* Whenever it starts, also because it speaks with the computer now, or no longer: counts begin anew. */
void ov_link_init(void) {
  sent = ov_arena_take(there);
  other = ov_arena_take(there);
  received = ov_arena_take((uint16_t)(there ? there + OV_LINK_AROUND : 0));
  counted = ov_arena_take(there ? ov_table_byte(OV_AT_ENCODERS) : 0);
  got = is_fresh = is_pending = 0;
  is_first = 1;
  since_ms = OV_LINK_EVERY_MS;
  flags ^= OV_LINK_FLAG_ANEW;
  if (sleeps) ov_lamps_sleep(1);
}

void ov_host_configured(uint8_t is) {
  configured = is;
  if (!is) sleeps = 0;
}

void ov_link_sleeps(uint8_t is) { sleeps = is; }
uint8_t ov_link_is_set_up(void) { return configured; }

/* What was stuffed, as it was: in place. @returns its length, 0: it is none */
static uint8_t unstuffed(uint8_t length) {
  uint8_t at = 0, end = 0;
  while (at < length) {
    uint8_t code = received[at++];
    for (; code > 1; code--) {
      if (at == length) return 0;
      received[end++] = received[at++];
    }
    if (at < length) received[end++] = 0;
  }
  return end;
}

static uint8_t is_good(uint8_t length) {
  uint16_t crc = ov_tables_crc();
  uint8_t at;
  if (length < 3) return 0;
  length = (uint8_t)(length - 2u);
  for (at = 0; at < length; at++) crc = ov_crc_add(crc, received[at]);
  if (received[length] != (uint8_t)(crc >> 8) || received[length + 1u] != (uint8_t)crc) return 0;
  if (((received[FLAGS] & OV_LINK_FLAG_PART) != 0) != OTHER) return 0;
  return (uint8_t)(length == (received[FLAGS] & OV_LINK_FLAG_HOST ? far.host_length : far.length));
}

static void take(uint8_t length) {
  uint8_t at, differs = (uint8_t)(!is_heard || is_first);
  if (!is_good(unstuffed(length))) return;
  at = (uint8_t)(received[FLAGS] ^ other[FLAGS]);
  if (is_heard && (at & OV_LINK_FLAG_ANEW)) is_first = differs = (uint8_t)(is_first | 2u);
  if (is_heard) missed = (uint8_t)(missed + ((received[FLAGS] - other[FLAGS] - 1u) & OV_LINK_FLAG_SEQUENCE));
  length = received[FLAGS] & OV_LINK_FLAG_HOST ? far.host_length : far.length;
  for (at = 1; at < length; at++) differs |= (uint8_t)(received[at] != other[at]);
  for (at = 0; at < length; at++) other[at] = received[at];
  other_hosts = (uint8_t)((other[FLAGS] & OV_LINK_FLAG_HOST) != 0);
  other_sleeps = (uint8_t)(other_hosts && (other[far.state + OV_LINK_STATE_SHOWN] & OV_LINK_SHOWN_ASLEEP));
  silent_ms = 0;
  is_heard = 1;
  is_fresh |= differs;
}

void ov_link_byte(uint8_t byte) {
  uint8_t length = got;
  if (!there || !received) return;
  if (byte != 0) {
    if (got < there + OV_LINK_AROUND) received[got++] = byte;
    return;
  }
  got = 0;
  if (length < there + OV_LINK_AROUND) take(length);
}

/* Who is set up first speaks with the computer; where both came to do so while they did not hear each other, the first part goes on. One whose
 * computer sleeps gives way to one whose computer does not: a part whose plug was pulled and that the other one feeds cannot tell that from sleep.
 * @returns whether it is another than before */
static uint8_t decide(void) {
  uint8_t was = ov_is_far;
  if (!configured) hosts = 0;
  else if (!other_hosts) hosts = 1;
  else if (other_sleeps != (sleeps != 0)) hosts = (uint8_t)!sleeps;
  else if (part > 0) hosts = 0;
  ov_is_far = (uint8_t)(other_hosts && !hosts);
  return (uint8_t)(was != ov_is_far);
}

/* At the beginning of a scan. @returns whether the device must start anew: it speaks with the computer now, or no longer */
uint8_t ov_link_pass(uint8_t elapsed_ms) {
  if (!there) return 0;
  /* A frame that came since the last scan came a moment ago, however long that is back. */
  if (silent_ms == 0) silent_ms = 1;
  else silent_ms = (uint8_t)(silent_ms > OV_NONE - elapsed_ms ? OV_NONE : silent_ms + elapsed_ms);
  since_ms = (uint8_t)(since_ms > OV_NONE - elapsed_ms ? OV_NONE : since_ms + elapsed_ms);
  if (is_heard && silent_ms >= OV_LINK_QUIET_MS) {
    uint8_t at = far.steps;
    is_heard = other_hosts = other_sleeps = 0;
    while (--at > 0) other[at] = 0;
    is_pending = 1;
    is_first |= 2u;
  }
  return decide();
}

uint8_t ov_link_is_heard(void) { return is_heard; }
uint8_t ov_link_missed(void) { return missed; }

static uint8_t bit_at(const uint8_t *bytes, uint8_t nth) {
  return (uint8_t)((bytes[nth >> 3] & ov_flash_byte(ov_bits + (nth & 7u))) != 0);
}

/* Contacts of the other part that are not as they were; some wait for the next scan when there are many. */
static void tell_contacts(void) {
  uint8_t first = far.first[OV_PART_AT_SWITCHES], nth = far.count[OV_PART_AT_SWITCHES];
  uint8_t how = is_heard ? (is_first & 1u ? OV_TOLD_FIRST : OV_TOLD) : OV_TOLD_LOST;
  is_pending = 0;
  while (nth-- > 0) {
    if (!ov_switch_told((uint8_t)(first + nth), bit_at(other + 1, nth), how)) is_pending = 1;
  }
}

void ov_link_keep(uint8_t *closed) {
  uint8_t first = own.first[OV_PART_AT_SWITCHES], count = own.count[OV_PART_AT_SWITCHES], nth;
  for (nth = 0; nth < own.steps; nth++) closed[nth] = 0;
  for (nth = 0; nth < count; nth++) {
    if (ov_switch_closed((uint8_t)(first + nth))) closed[nth >> 3] |= ov_flash_byte(ov_bits + (nth & 7u));
  }
}

void ov_link_found(const uint8_t *closed) {
  uint8_t first = own.first[OV_PART_AT_SWITCHES], count = own.count[OV_PART_AT_SWITCHES], nth;
  for (nth = 0; nth < count; nth++) {
    if (bit_at(closed, nth)) ov_switch_told((uint8_t)(first + nth), 1, OV_TOLD_FIRST);
  }
  /* One that has opened meanwhile reads as if nothing had happened. */
  ov_scan_look_again();
}

/* Steps since the last frame, at most as many as tell their direction. */
static void tell_steps(void) {
  uint8_t e = far.first[OV_PART_AT_ENCODERS], left_over = far.count[OV_PART_AT_ENCODERS];
  const uint8_t *told = other + far.steps;
  for (; left_over > 0; left_over--, e++, told++) {
    int8_t left = (int8_t)(*told - counted[e]);
    counted[e] = *told;
    if (is_first || ov_is_far) continue;
    for (; left > 0; left--) ov_encoder_told(e, 0);
    for (; left < 0; left++) ov_encoder_told(e, 1);
  }
}

/* What the part that speaks with the computer shows. */
static void show_state(void) {
  const uint8_t *state = other + far.state;
  uint8_t encoders = ov_table_byte(OV_AT_ENCODERS), shown = state[OV_LINK_STATE_SHOWN], nth, *place;
  ov_layers_told((uint16_t)(state[OV_LINK_STATE_LAYERS] | (uint16_t)(state[OV_LINK_STATE_LAYERS + 1] << 8)), state[OV_LINK_STATE_DEFAULT]);
  ov_host_locks((uint8_t)(shown & OV_LINK_SHOWN_LOCKS));
  ov_lamps_sleep((uint8_t)((shown & OV_LINK_SHOWN_ASLEEP) != 0));
  state += OV_LINK_STATE_BYTES;
  for (nth = 0; nth < encoders; nth++) ov_encoder_show(nth, *state++);
  place = ov_panel_bytes() ? ov_panel_place() : 0;
  for (nth = 0; nth < ov_panel_bytes(); nth++) place[nth] = state[nth];
}

uint8_t ov_link_shown(void) { return ov_is_far ? other[far.state + OV_LINK_STATE_SHOWN] : 0; }

/* Behind its own switches. */
void ov_link_take(void) {
  if (!there) return;
  if (is_fresh) {
    is_fresh = 0;
    is_pending = 1;
    tell_steps();
    if (ov_is_far) show_state();
  }
  if (is_pending) {
    tell_contacts();
    if (is_heard) is_first = 0;
  }
}

void ov_link_step(uint8_t e, uint8_t back) {
  if (there) counted[e] = (uint8_t)(back ? counted[e] - 1u : counted[e] + 1u);
}

#if OV_WITH_AXES
/* A reading: noted where it is this part's own, else as the other told it; at rest where it tells nothing. */
uint16_t ov_link_reading(uint8_t n, uint16_t reading) {
  uint8_t nth = (uint8_t)(n - own.first[OV_PART_AT_SENSORS]);
  uint8_t *place;
  if (!there) return reading;
  if (nth < own.count[OV_PART_AT_SENSORS]) {
    place = sent + own.levels + 2u * nth;
    if (place[0] != (uint8_t)reading || place[1] != (uint8_t)(reading >> 8)) flags |= OV_LINK_DIFFERS;
    place[0] = (uint8_t)reading;
    place[1] = (uint8_t)(reading >> 8);
    return reading;
  }
  if (!is_heard) return ov_table_word((uint16_t)(ov_table_word(OV_AT_SENSOR_TABLE) + OV_SENSOR_BYTES * n + OV_SENSOR_AT_CENTRE));
  place = other + far.levels + 2u * (uint8_t)(n - far.first[OV_PART_AT_SENSORS]);
  return (uint16_t)(place[0] | (uint16_t)(place[1] << 8));
}
#endif

static uint8_t put(uint8_t at, uint8_t byte) {
  if (sent[at] != byte) flags |= OV_LINK_DIFFERS;
  sent[at] = byte;
  return (uint8_t)(at + 1u);
}

static uint8_t put_contacts(void) {
  uint8_t sw = own.first[OV_PART_AT_SWITCHES], left = own.count[OV_PART_AT_SWITCHES], at = 1, byte = 0, bit = 1;
  for (; left > 0; left--, sw++) {
    if (ov_switch_closed(sw)) byte |= bit;
    bit = (uint8_t)(bit << 1);
    if (bit && left > 1) continue;
    at = put(at, byte);
    byte = 0;
    bit = 1;
  }
  return at;
}

static void put_state(uint8_t at) {
  uint8_t encoders = ov_table_byte(OV_AT_ENCODERS), nth, *place;
  uint16_t layers = ov_layers_there();
  at = put(at, (uint8_t)layers);
  at = put(at, (uint8_t)(layers >> 8));
  at = put(at, ov_layer_default());
  at = put(at, (uint8_t)(ov_lamps_shown() | (ov_next_waits() ? OV_LINK_SHOWN_NEXT : 0) | (ov_awake_is_on() ? OV_LINK_SHOWN_AWAKE : 0)));
  for (nth = 0; nth < encoders; nth++) at = put(at, ov_encoder_value(nth));
  place = ov_panel_told();
  for (nth = 0; nth < ov_panel_bytes(); nth++) at = put(at, place[nth]);
}

/* The frame as it is now. @returns its length */
static uint8_t look(void) {
  uint8_t at = put_contacts(), e = own.first[OV_PART_AT_ENCODERS], left = own.count[OV_PART_AT_ENCODERS];
  for (; left > 0; left--, e++) at = put(at, counted[e]);
  if (hosts) put_state(own.state);
  return hosts ? own.host_length : own.length;
}

/* With its check value, stuffed. */
static void send(uint8_t length) {
  uint8_t frame[OV_LINK_MOST + OV_LINK_AROUND];
  uint8_t end = 1, code = 0, at;
  uint16_t crc = ov_tables_crc();
  for (at = 0; at < length + 2u; at++) {
    uint8_t byte = at < length ? sent[at] : (uint8_t)(at == length ? crc >> 8 : crc);
    if (at < length) crc = ov_crc_add(crc, byte);
    if (byte != 0) {
      frame[end++] = byte;
      continue;
    }
    frame[code] = (uint8_t)(end - code);
    code = end++;
  }
  frame[code] = (uint8_t)(end - code);
  frame[end++] = 0;
  ov_hal_link(frame, end);
}

/* At the end of a scan: when something has changed, and the frame before has gone; and again after a while. */
void ov_link_play(void) {
  uint8_t length;
  if (!there) return;
  length = look();
  if (since_ms < OV_LINK_EVERY_MS && (!(flags & OV_LINK_DIFFERS) || since_ms <= (uint8_t)(length + OV_LINK_AROUND) / OV_LINK_BYTES_A_MS)) return;
  sent[FLAGS] = (uint8_t)((flags & (OV_LINK_FLAG_ANEW | OV_LINK_FLAG_SEQUENCE)) | (hosts ? OV_LINK_FLAG_HOST : 0) | (part ? OV_LINK_FLAG_PART : 0));
  flags = (uint8_t)((flags & OV_LINK_FLAG_ANEW) | ((flags + 1u) & OV_LINK_FLAG_SEQUENCE));
  since_ms = 0;
  send(length);
}

#else

void ov_host_configured(uint8_t is) { (void)is; }
void ov_link_byte(uint8_t byte) { (void)byte; }
uint8_t ov_link_is_heard(void) { return 0; }
uint8_t ov_link_missed(void) { return 0; }

#endif
