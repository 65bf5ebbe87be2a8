/* Axes: voltages of sticks, pots and levers become places from where they rest, 0 to OV_AXIS_MOST on each side. One is read in a
 * scan, in turns. A reading is smoothed, must leave a zone of its own to count, is stretched to the ends that were measured, loses
 * the dead zone, and is bent by a curve; what a place does is told by the layer. All in whole numbers. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_AXES

struct axis {
  int16_t left;     /* of a count that it moves, in 32768ths; of music and of a place the value told last, -1: none */
  uint16_t reading; /* smoothed */
  uint16_t counts;  /* the reading that counts */
  int16_t raw;      /* where that is, the dead zone and the curve left out */
  int16_t place;    /* the place that is told */
  uint16_t speed;
  uint8_t does; /* OV_AXIS_DO_, and what it holds down */
  uint8_t which;
};
static struct axis *axes;
static uint8_t sensors, turn, seen;

#define DOES 0x07u
#define FIRST_DOWN 0x10u
#define SECOND_DOWN 0x20u
/* Longer gaps between two scans move no farther, so that nothing runs over. */
#define MOST_MS 7u
#define MOST_COUNTS 127u

OV_APART static uint16_t entry_of(uint8_t n) { return (uint16_t)(ov_table_word(OV_AT_SENSOR_TABLE) + (uint16_t)n * OV_SENSOR_BYTES); }
OV_APART static uint8_t of(uint16_t entry, uint8_t field) { return ov_table_byte((uint16_t)(entry + field)); }
OV_APART static uint16_t word_of(uint16_t entry, uint8_t field) { return ov_table_word((uint16_t)(entry + field)); }
static uint16_t size_of(int16_t place) { return (uint16_t)(place < 0 ? -place : place); }

void ov_axes_init(void) {
  sensors = ov_table_byte(OV_AT_SENSORS);
  axes = (struct axis *)(void *)ov_arena_take((uint16_t)(sensors * sizeof(struct axis)));
  turn = OV_NONE;
  seen = 0;
}

OV_APART static uint16_t use_at(uint8_t layer, uint8_t n) {
  return (uint16_t)(ov_table_word(OV_AT_AXIS_USE_TABLE) + ((uint16_t)layer * sensors + n) * OV_AXIS_USE_BYTES);
}

uint8_t ov_axis_does(uint8_t layer, uint8_t n) { return of(use_at(layer, n), OV_AXIS_USE_AT_DOES); }

/* Part of the way from the reading before to this one. */
static uint16_t smoothed(uint16_t before, uint16_t now, uint8_t shift) {
  return now > before ? (uint16_t)(before + ((uint16_t)(now - before) >> shift))
                      : (uint16_t)(before - ((uint16_t)(before - now) >> shift));
}

/* What counts follows a reading at a distance, as if it were pulled along on a thread. */
static uint16_t pulled(uint16_t counts, uint16_t reading, uint16_t distance) {
  if (reading > counts && reading - counts > distance) return (uint16_t)(reading - distance);
  if (counts > reading && counts - reading > distance) return (uint16_t)(reading + distance);
  return counts;
}

static int16_t raw_place(uint16_t entry, uint16_t counts) {
  uint16_t centre = word_of(entry, OV_SENSOR_AT_CENTRE);
  uint8_t is_above = (uint8_t)(counts >= centre);
  uint32_t distance = is_above ? (uint16_t)(counts - centre) : (uint16_t)(centre - counts);
  uint32_t way = distance * word_of(entry, is_above ? OV_SENSOR_AT_ABOVE : OV_SENSOR_AT_BELOW) >> 16;
  if (way > OV_AXIS_MOST) way = OV_AXIS_MOST;
  return (int16_t)(is_above != of(entry, OV_SENSOR_AT_TURNED) ? (int16_t)way : -(int16_t)way);
}

/* What is left of a way behind the dead zone, stretched to the whole. */
OV_APART static uint16_t beyond_dead(uint16_t entry, uint16_t way) {
  uint16_t dead = word_of(entry, OV_SENSOR_AT_DEAD);
  if (way <= dead) return 0;
  return (uint16_t)((uint32_t)(way - dead) * word_of(entry, OV_SENSOR_AT_DEAD_FACTOR) >> 12);
}

/* Between two points of the curve, an eighth apart. */
static uint16_t bent(uint8_t curve, uint16_t way) {
  uint16_t at = (uint16_t)(ov_table_word(OV_AT_CURVE_TABLE) + (uint16_t)curve * OV_CURVE_BYTES + 2u * (way >> 9));
  int16_t from = (int16_t)ov_table_word(at);
  int16_t to = (int16_t)ov_table_word((uint16_t)(at + 2u));
  if (way == OV_AXIS_MOST) return (uint16_t)to;
  return (uint16_t)(from + (int16_t)((int32_t)(to - from) * (int16_t)(way & 511u) / 512));
}

/* Pressed from KEY_ON on, until it is below KEY_OFF. @returns the bit, when it is down */
OV_APART static uint8_t held_beyond(uint16_t entry, uint8_t field, int16_t place, uint8_t down) {
  uint8_t input = of(entry, field);
  uint8_t is_down;
  if (input == OV_NONE) return 0;
  is_down = (uint8_t)(place >= (int16_t)word_of(entry, down ? OV_SENSOR_AT_KEY_OFF : OV_SENSOR_AT_KEY_ON));
  if (is_down != (down != 0)) ov_input_changed(input, is_down);
  return is_down;
}

OV_APART static void tell(struct axis *axis, uint16_t entry, uint16_t way) {
  uint8_t curve = of(entry, OV_SENSOR_AT_CURVE);
  uint8_t held = axis->does;
  int16_t place;
  if (way > OV_AXIS_MOST) way = OV_AXIS_MOST;
  if (curve != OV_NONE) way = bent(curve, way);
  place = (int16_t)(axis->raw < 0 ? -(int16_t)way : (int16_t)way);
  if (place == axis->place) return;
  axis->place = place;
  ov_radio_changed();
  if ((held & DOES) == OV_AXIS_DO_PAD) ov_reports_changed();
  if (held_beyond(entry, OV_SENSOR_AT_FIRST_INPUT, place, held & FIRST_DOWN)) held |= FIRST_DOWN;
  else held &= (uint8_t)~FIRST_DOWN;
  if (held_beyond(entry, OV_SENSOR_AT_SECOND_INPUT, (int16_t)-place, held & SECOND_DOWN)) held |= SECOND_DOWN;
  else held &= (uint8_t)~SECOND_DOWN;
  axis->does = held;
}

/* The whole square root, bit by bit from the highest. */
OV_APART static uint16_t root(uint32_t square) {
  uint16_t found = 0, bit;
  for (bit = 0x1000u; bit > 0; bit >>= 1) {
    uint16_t more = (uint16_t)(found + bit);
    if ((uint32_t)more * more <= square) found = more;
  }
  return found;
}

/* One dead zone around where both rest: what is left of the way outwards is shared as they lie. */
static void tell_both(struct axis *axis, uint16_t entry, uint8_t twin) {
  struct axis *other = axes + twin;
  uint16_t x = size_of(axis->raw), y = size_of(other->raw);
  uint16_t way = root((uint32_t)x * x + (uint32_t)y * y);
  uint16_t left = beyond_dead(entry, way);
  if (way == 0) way = 1;
  tell(axis, entry, (uint16_t)((uint32_t)x * left / way));
  tell(other, entry_of(twin), (uint16_t)((uint32_t)y * left / way));
}

/* What a controller stands at is told when it is first known; a pitch that is not bent is not. */
static int16_t untold(const struct axis *axis) {
  return (int16_t)(axis->speed >> 8 & OV_MUSIC_AXIS_BEND ? 0x2000 : -1);
}

/* What it does is looked up at its turn, on the layers that are there then. */
static void look_up(struct axis *axis, uint8_t n) {
  uint16_t use = use_at(ov_layers_off_base ? ov_layer_found(n, OV_OF_AXIS) : 0, n);
  uint8_t now = of(use, OV_AXIS_USE_AT_DOES);
  uint8_t before = axis->does & DOES;
#if OV_WITH_MUSIC || OV_WITH_PLACE
  if (now >= OV_AXIS_DO_MUSIC && (of(use, OV_AXIS_USE_AT_WHICH) != axis->which || word_of(use, OV_AXIS_USE_AT_SPEED) != axis->speed)) before = OV_NONE;
#endif
  axis->which = of(use, OV_AXIS_USE_AT_WHICH);
  axis->speed = word_of(use, OV_AXIS_USE_AT_SPEED);
  if (now == before) return;
  axis->does = (uint8_t)((axis->does & ~DOES) | now);
  axis->left = (OV_WITH_MUSIC || OV_WITH_PLACE) && now >= OV_AXIS_DO_MUSIC ? untold(axis) : 0;
  ov_reports_changed();
}

static void take(uint8_t n, uint16_t reading) {
  struct axis *axis = axes + n;
  uint16_t entry = entry_of(n);
  uint8_t twin = of(entry, OV_SENSOR_AT_TWIN);
  uint8_t is_first = (uint8_t)(seen < sensors);
  uint16_t counts = reading;
  if (is_first) seen++;
  else {
    reading = smoothed(axis->reading, reading, of(entry, OV_SENSOR_AT_SMOOTH));
    counts = pulled(axis->counts, reading, word_of(entry, OV_SENSOR_AT_STILL));
  }
  look_up(axis, n);
  axis->reading = reading;
  if (!is_first && counts == axis->counts) return;
  axis->counts = counts;
  axis->raw = raw_place(entry, counts);
  if (twin != OV_NONE) tell_both(axis, entry, twin);
  else tell(axis, entry, beyond_dead(entry, size_of(axis->raw)));
}

void ov_axes_sense(void) {
  uint8_t next = (uint8_t)(turn + 1u < sensors ? turn + 1u : 0);
  uint16_t reading;
  if (sensors == 0) return;
  reading = ov_hal_sense(next);
  if (turn != OV_NONE) take(turn, ov_link_reading(turn, reading));
  turn = next;
}

/* At the farthest place it moves its speed, beneath it as much less. */
OV_RARELY static void move(struct axis *axis, uint8_t elapsed_ms) {
  uint32_t way = ((uint32_t)size_of(axis->place) * axis->speed * elapsed_ms >> 10) + size_of(axis->left);
  uint16_t counts = (uint16_t)(way >> 15);
  int16_t left = (int16_t)(way & 0x7FFFu);
  uint8_t which = axis->which;
  int8_t moved;
  moved = (int8_t)(counts > MOST_COUNTS ? MOST_COUNTS : counts);
  if (axis->place < 0) {
    left = (int16_t)-left;
    moved = (int8_t)-moved;
  }
  axis->left = left;
  if ((axis->does & DOES) == OV_AXIS_DO_WHEEL) which = which ? OV_POINTER_WHEEL_UP : OV_POINTER_WHEEL_RIGHT;
  ov_pointer_add(which, moved);
}

/* Of 14 bits: what goes to both sides rests at 8192, as a bender of the pitch does (MIDI 1.0). */
static uint16_t fine_value(uint8_t n, int16_t place) {
  uint16_t way = size_of(place);
  if (!of(entry_of(n), OV_SENSOR_AT_BOTH_SIDES)) return place < 0 ? 0 : (uint16_t)((uint16_t)(way << 2) | way >> 10);
  if (way == OV_AXIS_MOST) return place < 0 ? 0 : 0x3FFFu;
  way = (uint16_t)((uint16_t)(way << 1) | way >> 11);
  return (uint16_t)(place < 0 ? 0x2000u - way : 0x2000u + way);
}

#if OV_WITH_RADIO
uint16_t ov_axis_fine(uint8_t n) { return fine_value(n, axes[n].place); }
#endif

/* A controller, coarse or with its fine part behind it, or the pitch: told when it is another than the last. */
OV_RARELY static void sound(struct axis *axis, uint8_t n) {
  uint16_t value = fine_value(n, axis->place);
  uint8_t how = (uint8_t)(axis->speed >> 8), controller = (uint8_t)axis->speed;
  uint8_t fine = (uint8_t)(value & 0x7Fu), coarse;
  int16_t told = axis->left;
  if (how == 0) value = (uint16_t)(value & 0x3F80u);
  if ((int16_t)value == told || !ov_music_has_room()) return;
  axis->left = (int16_t)value;
  coarse = (uint8_t)(value >> 7);
  if (how & OV_MUSIC_AXIS_BEND) {
    ov_music_tell((uint8_t)(OV_MUSIC_BEND | axis->which), fine, coarse);
    return;
  }
  /* Who hears the coarse part takes the fine one for 0 (MIDI 1.0, controller messages). */
  if (told < 0 || coarse != (uint8_t)(told >> 7)) ov_music_tell((uint8_t)(OV_MUSIC_CONTROL | axis->which), controller, coarse);
  if (how & OV_MUSIC_AXIS_FINE) ov_music_tell((uint8_t)(OV_MUSIC_CONTROL | axis->which), (uint8_t)(controller + OV_MUSIC_FINE), fine);
}

/* A place on the screen. Where it stands when it is first looked at is not told: the pointer follows a hand, and stays where it is until one moves it. */
OV_RARELY static void point(struct axis *axis, uint8_t n) {
  uint16_t value = fine_value(n, axis->place);
  int16_t told = axis->left;
  if ((int16_t)value == told) return;
  axis->left = (int16_t)value;
  ov_place_put(axis->which, (uint16_t)((uint16_t)(value << 1) | value >> 13), (uint8_t)(told >= 0));
}

void ov_axes_untold(void) {
  struct axis *axis = axes;
  uint8_t n;
  for (n = sensors; n > 0; n--, axis++)
    if ((axis->does & DOES) == OV_AXIS_DO_MUSIC) axis->left = untold(axis);
}

void ov_axes_play(uint8_t elapsed_ms) {
  struct axis *axis = axes;
  uint8_t n;
  if (elapsed_ms > MOST_MS) elapsed_ms = MOST_MS;
  for (n = sensors; n > 0; n--, axis++) {
    uint8_t now = axis->does & DOES;
    if (OV_WITH_MUSIC && now == OV_AXIS_DO_MUSIC) sound(axis, (uint8_t)(sensors - n));
    if (OV_WITH_PLACE && now == OV_AXIS_DO_PLACE) point(axis, (uint8_t)(sensors - n));
    if (now != OV_AXIS_DO_POINTER && now != OV_AXIS_DO_WHEEL) continue;
    /* What is left over goes with the direction that it came from. */
    if (axis->place == 0 || (axis->place < 0) != (axis->left < 0)) axis->left = 0;
    if (axis->place != 0) move(axis, elapsed_ms);
  }
}

void ov_axes_add(int32_t *sums) {
  const struct axis *axis = axes;
  uint8_t n;
  for (n = sensors; n > 0; n--, axis++)
    if ((axis->does & DOES) == OV_AXIS_DO_PAD) sums[axis->which] += axis->place;
}

uint16_t ov_axis_reading(uint8_t n) { return axes[n].reading; }

/* From 0 to 255: of what goes to both sides half of it is where it rests. */
uint8_t ov_axis_value(uint8_t n) {
  int16_t place = axes[n].place;
  if (of(entry_of(n), OV_SENSOR_AT_BOTH_SIDES)) return (uint8_t)((uint16_t)(place + (int16_t)OV_AXIS_MOST) >> 5);
  return (uint8_t)((uint16_t)place >> 4);
}

#endif
