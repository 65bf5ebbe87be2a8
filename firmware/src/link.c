/* Parts of a device, each with a controller and the same tables, tell each other what their contacts are, so that the one which speaks with the
 * computer treats all of them as its own, and the others show what that one shows: two over a serial line, or a main part and its modules over a
 * bus, where the main part tells all of them at once and asks one in each scan. Each frame tells everything: one that is lost or damaged changes
 * nothing, and the next one makes up for it. When nothing comes for a while, nothing is pressed over there. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_LINK

/* It is done once a scan, and what it does is little: room in flash counts for more here than speed. */
#if defined(__AVR__) && !defined(__OPTIMIZE_SIZE__)
#pragma GCC optimize("Os")
#endif

enum { FLAGS };

/* With modules on a bus the main part has several others; on a line, and of a module, there is one. */
#define MOST_OTHERS (OV_WITH_BUS ? OV_MOST_PARTS - 1u : 1u)

uint8_t ov_is_far;
static uint8_t there;      /* the longest frame, 0: this device has one part */
static uint8_t part;       /* which this is */
static uint8_t configured; /* a computer has set it up */
static uint8_t sleeps;     /* that computer */
static uint8_t hosts;      /* this part speaks with the computer */

static uint8_t *sent, *received; /* the last frame sent, and one that comes */
static uint8_t *counted;         /* steps: of its own knobs all, of the others those that were told */
static uint8_t got;
static uint8_t since_ms;
static uint8_t missed; /* frames */
static uint8_t flags;  /* of the next frame: its number, and whether counts begin anew */
#if OV_WITH_LIVE
static uint8_t kept_bytes; /* in a frame that tells what is kept: modules on a bus leave all that keys do to the main part */
static uint8_t kept_nth, kept_ms; /* the change that is told (0: the set), and for how long it is */
#else
#define kept_bytes 0u
#endif

/* What a part has, by OV_PART_AT_: its first and how many; and where in a frame of its what begins, and how long that is while another one speaks with the computer, and while it does. */
struct share {
  uint8_t first[OV_PART_ENTRY_BYTES], count[OV_PART_ENTRY_BYTES];
  uint8_t steps, levels, state, length, host_length;
};
static struct share own;

/* Another part, as this one hears it. */
struct other {
  struct share has;
  uint8_t *told; /* its last frame */
  uint8_t is_heard, silent_ms;
  uint8_t hosts, sleeps; /* it speaks with a computer, which sleeps */
  uint8_t is_fresh, is_pending, is_first; /* a frame was taken; contacts are to be told; the first since a while */
  uint8_t kept_at; /* where in its last frame what it keeps begins; 0: nowhere */
};
static struct other others[MOST_OTHERS];

#if OV_WITH_BUS
static uint8_t on_bus, count; /* of others */
static uint8_t asked, is_awaited; /* the one that was asked last, and whether it has not answered yet */
static uint8_t last_called;       /* the one that was asked last because its line was pulled */
static uint8_t unasked_ms[MOST_OTHERS];
/* Of the main part each module is another; of a module, and on a line, the only other one. */
#define OTHER_OF(nth) ((uint8_t)(on_bus ? (part == 0 ? (nth) + 1u : 0u) : part ^ 1u))
#define OTHERS count
#else
#define on_bus 0
#define OTHER_OF(nth) ((uint8_t)((void)(nth), part ^ 1u))
#define OTHERS 1u
#endif
#define EACH(o) struct other *o = others; o < others + OTHERS; o++

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
uint16_t ov_link_need(void) {
  return OV_LINK_NEED(ov_table_byte(OV_AT_LINK_MOST), ov_table_byte(OV_AT_ENCODERS), ov_table_byte(OV_AT_PARTS) & OV_LINK_PARTS);
}

/* Before all else: who this is, and that nobody was heard yet. */
void ov_link_open(void) {
  uint8_t parts = ov_table_byte(OV_AT_PARTS), nth;
  there = parts ? ov_table_byte(OV_AT_LINK_MOST) : 0;
  part = there ? ov_hal_part() : 0;
#if OV_WITH_BUS
  on_bus = (uint8_t)(parts & OV_LINK_ON_BUS);
  count = (uint8_t)(on_bus && part == 0 ? (parts & OV_LINK_PARTS) - 1u : there ? 1u : 0u);
  asked = is_awaited = last_called = 0;
#endif
#if OV_WITH_LIVE
  kept_bytes = ov_live_declared() && !on_bus ? OV_LINK_KEPT_BYTES : 0;
#endif
  if (there) measure(&own, part);
  for (nth = 0; there && nth < OTHERS; nth++) {
    struct other *o = others + nth;
    measure(&o->has, OTHER_OF(nth));
    o->is_heard = o->hosts = o->sleeps = o->silent_ms = 0;
#if OV_WITH_BUS
    unasked_ms[nth] = 0;
#endif
  }
  hosts = sleeps = ov_is_far = flags = 0;
}

/* Whenever it starts, also because it speaks with the computer now, or no longer: counts begin anew. */
void ov_link_init(void) {
  sent = ov_arena_take(there);
  received = ov_arena_take((uint16_t)(there ? there + OV_LINK_AROUND : 0));
  counted = ov_arena_take(there ? ov_table_byte(OV_AT_ENCODERS) : 0);
  for (EACH(o)) {
    o->told = ov_arena_take(there);
    o->is_fresh = o->is_pending = o->kept_at = 0;
    o->is_first = 1;
  }
  got = 0;
#if OV_WITH_LIVE
  kept_nth = kept_ms = 0;
#endif
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

/* Of the frame that came, without what is kept. */
static uint8_t length_of(const struct other *o) { return received[FLAGS] & OV_LINK_FLAG_HOST ? o->has.host_length : o->has.length; }

/* Whose frame it is, where it is whole; 0: none that is heard. */
static struct other *teller(uint8_t length) {
  uint16_t crc = ov_tables_crc();
  uint8_t at;
  if (length < 3) return 0;
  length = (uint8_t)(length - 2u);
  for (at = 0; at < length; at++) crc = ov_crc_add(crc, received[at]);
  if (received[length] != (uint8_t)(crc >> 8) || received[length + 1u] != (uint8_t)crc) return 0;
  for (at = 0; at < OTHERS; at++) {
    struct other *o = others + at;
    if ((received[FLAGS] & OV_LINK_FLAG_PART) != (uint8_t)(OTHER_OF(at) * OV_LINK_FLAG_ONE_PART)) continue;
    return length == length_of(o) || length == length_of(o) + kept_bytes ? o : 0;
  }
  return 0;
}

static void take(uint8_t length) {
  uint8_t at, differs;
  struct other *o = teller(length = unstuffed(length));
  if (!o) return;
  length = (uint8_t)(length - 2u);
  differs = (uint8_t)(!o->is_heard || o->is_first);
  at = (uint8_t)(received[FLAGS] ^ o->told[FLAGS]);
  if (o->is_heard && (at & OV_LINK_FLAG_ANEW)) o->is_first = differs = (uint8_t)(o->is_first | 2u);
  /* What is asked for is the newest, whatever its number. */
  if (!on_bus && o->is_heard) missed = (uint8_t)(missed + ((received[FLAGS] - o->told[FLAGS] - 1u) & OV_LINK_FLAG_SEQUENCE));
  o->kept_at = length > length_of(o) ? length_of(o) : 0;
  for (at = 1; at < length; at++) differs |= (uint8_t)(received[at] != o->told[at]);
  for (at = 0; at < length; at++) o->told[at] = received[at];
  o->hosts = (uint8_t)((received[FLAGS] & OV_LINK_FLAG_HOST) != 0);
  o->sleeps = (uint8_t)(o->hosts && (received[o->has.state + OV_LINK_STATE_SHOWN] & OV_LINK_SHOWN_ASLEEP));
  o->silent_ms = 0;
  o->is_heard = 1;
  o->is_fresh |= differs;
#if OV_WITH_BUS
  if (o == others + asked) is_awaited = 0;
#endif
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
  if (on_bus) hosts = (uint8_t)(configured && part == 0); /* nobody else can tell all of them */
  else if (!configured) hosts = 0;
  else if (!others->hosts) hosts = 1;
  else if (others->sleeps != (sleeps != 0)) hosts = (uint8_t)!sleeps;
  else if (part > 0) hosts = 0;
  ov_is_far = (uint8_t)(others->hosts && !hosts);
  return (uint8_t)(was != ov_is_far);
}

static uint8_t later_by(uint8_t ms, uint8_t elapsed_ms) { return (uint8_t)(ms > OV_NONE - elapsed_ms ? OV_NONE : ms + elapsed_ms); }

/* Nothing came of it for a while: all of it is let go. */
static void lose(struct other *o) {
  uint8_t at = o->has.steps;
  o->is_heard = o->hosts = o->sleeps = 0;
  while (--at > 0) o->told[at] = 0;
  o->is_pending = 1;
  o->is_first |= 2u;
}

/* At the beginning of a scan. @returns whether the device must start anew: it speaks with the computer now, or no longer */
uint8_t ov_link_pass(uint8_t elapsed_ms) {
  if (!there) return 0;
  for (EACH(o)) {
    /* A frame that came since the last scan came a moment ago, however long that is back. */
    o->silent_ms = o->silent_ms == 0 ? 1 : later_by(o->silent_ms, elapsed_ms);
    if (o->is_heard && o->silent_ms >= OV_LINK_QUIET_MS) lose(o);
#if OV_WITH_BUS
    unasked_ms[o - others] = later_by(unasked_ms[o - others], elapsed_ms);
#endif
  }
  since_ms = later_by(since_ms, elapsed_ms);
#if OV_WITH_LIVE
  kept_ms = later_by(kept_ms, elapsed_ms);
#endif
  return decide();
}

uint8_t ov_link_is_heard(void) {
  uint8_t heard = 0;
  for (EACH(o)) heard = (uint8_t)(heard + o->is_heard);
  return (uint8_t)(there && heard == OTHERS);
}

uint8_t ov_link_hears(uint8_t which) {
  uint8_t nth;
  for (nth = 0; there && nth < OTHERS; nth++) {
    if (OTHER_OF(nth) == which) return others[nth].is_heard;
  }
  return 0;
}

uint8_t ov_link_missed(void) { return missed; }

static uint8_t bit_at(const uint8_t *bytes, uint8_t nth) {
  return (uint8_t)((bytes[nth >> 3] & ov_flash_byte(ov_bits + (nth & 7u))) != 0);
}

/* Contacts of another part that are not as they were; some wait for the next scan when there are many. */
static void tell_contacts(struct other *o) {
  uint8_t first = o->has.first[OV_PART_AT_SWITCHES], nth = o->has.count[OV_PART_AT_SWITCHES];
  uint8_t how = o->is_heard ? (o->is_first & 1u ? OV_TOLD_FIRST : OV_TOLD) : OV_TOLD_LOST;
  o->is_pending = 0;
  while (nth-- > 0) {
    if (!ov_switch_told((uint8_t)(first + nth), bit_at(o->told + 1, nth), how)) o->is_pending = 1;
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
static void tell_steps(struct other *o) {
  uint8_t e = o->has.first[OV_PART_AT_ENCODERS], left_over = o->has.count[OV_PART_AT_ENCODERS];
  const uint8_t *told = o->told + o->has.steps;
  for (; left_over > 0; left_over--, e++, told++) {
    int8_t left = (int8_t)(*told - counted[e]);
    counted[e] = *told;
    if (o->is_first || ov_is_far) continue;
    for (; left > 0; left--) ov_encoder_told(e, 0);
    for (; left < 0; left++) ov_encoder_told(e, 1);
  }
}

/* What the part that speaks with the computer shows. */
static void show_state(struct other *o) {
  const uint8_t *state = o->told + o->has.state;
  uint8_t encoders = ov_table_byte(OV_AT_ENCODERS), shown = state[OV_LINK_STATE_SHOWN], nth, *place;
  ov_layers_told((uint16_t)(state[OV_LINK_STATE_LAYERS] | (uint16_t)(state[OV_LINK_STATE_LAYERS + 1] << 8)), state[OV_LINK_STATE_DEFAULT]);
  ov_host_locks((uint8_t)(shown & OV_LINK_SHOWN_LOCKS));
  ov_lamps_sleep((uint8_t)((shown & OV_LINK_SHOWN_ASLEEP) != 0));
  state += OV_LINK_STATE_BYTES;
  for (nth = 0; nth < encoders; nth++) ov_encoder_show(nth, *state++);
  place = ov_panel_bytes() ? ov_panel_place() : 0;
  for (nth = 0; nth < ov_panel_bytes(); nth++) place[nth] = state[nth];
}

/* A part that another one speaks for has one other that it hears. */
uint8_t ov_link_shown(void) { return ov_is_far ? others->told[others->has.state + OV_LINK_STATE_SHOWN] : 0; }

#if OV_WITH_LIVE
const uint8_t *ov_link_kept(void) { return there && others->is_heard && others->kept_at ? others->told + others->kept_at : 0; }
#endif

/* Behind its own switches. */
void ov_link_take(void) {
  if (!there) return;
  for (EACH(o)) {
    if (o->is_fresh) {
      o->is_fresh = 0;
      o->is_pending = 1;
      tell_steps(o);
      if (ov_is_far) show_state(o);
    }
    if (!o->is_pending) continue;
    tell_contacts(o);
    if (o->is_heard) o->is_first = 0;
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
  for (EACH(o)) {
    nth = (uint8_t)(n - o->has.first[OV_PART_AT_SENSORS]);
    if (!o->is_heard || nth >= o->has.count[OV_PART_AT_SENSORS]) continue;
    place = o->told + o->has.levels + 2u * nth;
    return (uint16_t)(place[0] | (uint16_t)(place[1] << 8));
  }
  return ov_table_word((uint16_t)(ov_table_word(OV_AT_SENSOR_TABLE) + OV_SENSOR_BYTES * n + OV_SENSOR_AT_CENTRE));
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

#if OV_WITH_LIVE
/* What the other part keeps too: the set, and its changes one by one, each for so long that it need not be told at once. */
static void put_kept(uint8_t at) {
  if (ov_hal_keeping()) return; /* what is kept could not be read now without waiting */
  if (kept_ms >= OV_LINK_KEPT_MS) {
    kept_ms = 0;
    kept_nth++;
  }
  if (kept_nth > ov_changes_count()) kept_nth = 0;
  ov_changes_tell(kept_nth, sent + at);
}
#endif

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
  at = hosts ? own.host_length : own.length;
#if OV_WITH_LIVE
  if (kept_bytes && (hosts || ov_passed_tells)) {
    put_kept(at);
    at = (uint8_t)(at + kept_bytes);
  }
#endif
  return at;
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

#if OV_WITH_BUS
/* The next module round that pulls its line; else the one that was not asked for longest, where that is a while; OV_NONE: neither. */
static uint8_t turn_of(uint8_t calls) {
  uint8_t nth = last_called, tries, found = OV_NONE;
  for (tries = 0; tries < count; tries++) {
    nth = (uint8_t)(nth + 1u < count ? nth + 1u : 0u);
    if (calls >> (nth + 1u) & 1u) return last_called = nth;
    if (unasked_ms[nth] >= (found == OV_NONE ? OV_LINK_EVERY_MS : unasked_ms[found] + 1u)) found = nth;
  }
  return found;
}

/* The main part asks one module in each scan. One that is not there says nothing. */
static void ask(void) {
  uint8_t nth = turn_of(ov_hal_calls());
  if (is_awaited && others[asked].is_heard) missed++;
  is_awaited = 0;
  if (nth == OV_NONE) return;
  asked = nth;
  is_awaited = 1;
  unasked_ms[nth] = got = 0;
  ov_hal_ask((uint8_t)(nth + 1u));
}
#endif

/* When something has changed, and the frame before has gone; and again after a while. */
static void tell(void) {
  uint8_t length = look();
  if (since_ms < OV_LINK_EVERY_MS && (!(flags & OV_LINK_DIFFERS) || since_ms <= (uint8_t)(length + OV_LINK_AROUND) / OV_LINK_BYTES_A_MS)) return;
#if OV_WITH_BUS
  if (on_bus && part && (flags & OV_LINK_DIFFERS)) ov_hal_call();
#endif
  sent[FLAGS] = (uint8_t)((flags & (OV_LINK_FLAG_ANEW | OV_LINK_FLAG_SEQUENCE)) | (hosts ? OV_LINK_FLAG_HOST : 0) | part * OV_LINK_FLAG_ONE_PART);
  flags = (uint8_t)((flags & OV_LINK_FLAG_ANEW) | ((flags + 1u) & OV_LINK_FLAG_SEQUENCE));
  since_ms = 0;
  send(length);
}

/* At the end of a scan. */
void ov_link_play(void) {
  if (!there) return;
  tell();
#if OV_WITH_BUS
  if (on_bus && part == 0) ask();
#endif
}

#else

void ov_host_configured(uint8_t is) { (void)is; }
void ov_link_byte(uint8_t byte) { (void)byte; }
uint8_t ov_link_is_heard(void) { return 0; }
uint8_t ov_link_hears(uint8_t which) { (void)which; return 0; }
uint8_t ov_link_missed(void) { return 0; }

#endif
