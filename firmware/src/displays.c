/* Displays of dots, written by pages of eight rows: texts, values and pictures where the design put them. There is no picture of the whole in RAM: what
 * is drawn is worked out a cell at a time, and sent in a frame. A scan looks at one display, and sends it one frame at most. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_DISPLAYS

/* How a display is: the page that is shown, first frames that were sent, the thing that was looked at last; the rows and columns that are being
 * drawn, from where it is on, and whether the display knows where that is. */
struct display {
  uint8_t page, started, thing, row, end, from, to, column, is_placed;
};

static struct display *displays;
static uint8_t *shown; /* of each thing of a page what it was drawn from */
static uint8_t *frame;
static uint8_t turn, waits;

uint16_t ov_displays_need(void) { return OV_DISPLAY_NEED(ov_table_byte(OV_AT_DISPLAYS), ov_table_byte(OV_AT_DISPLAY_STATES)); }

static uint8_t of(uint16_t entry, uint8_t field) { return ov_table_byte((uint16_t)(entry + field)); }
static uint16_t word_of(uint16_t entry, uint8_t field) { return ov_table_word((uint16_t)(entry + field)); }
static uint16_t entry_of(uint8_t nth) { return (uint16_t)(ov_table_word(OV_AT_DISPLAY_TABLE) + nth * OV_DISPLAY_BYTES); }
static uint16_t page_of(uint8_t nth) { return (uint16_t)(ov_table_word(OV_AT_DISPLAY_PAGES) + nth * OV_DISPLAY_PAGE_BYTES); }

static uint16_t thing_of(uint16_t page, uint8_t nth) {
  return (uint16_t)(ov_table_word(OV_AT_DISPLAY_THINGS) + (word_of(page, 1) + nth) * OV_DISPLAY_THING_BYTES);
}

uint8_t ov_displays_page(uint8_t layer, uint8_t display) {
  return ov_table_byte((uint16_t)(ov_table_word(OV_AT_DISPLAY_USE_TABLE) + layer * ov_table_byte(OV_AT_DISPLAYS) + display));
}

static void begin(struct display *one, uint8_t from, uint8_t to, uint8_t row, uint8_t end) {
  one->from = one->column = from;
  one->to = to;
  one->row = row;
  one->end = end;
  one->is_placed = 0;
}

void ov_displays_init(void) {
  uint8_t count = ov_table_byte(OV_AT_DISPLAYS), i;
  turn = 0;
  waits = count;
  if (count == 0) return;
  displays = (struct display *)ov_arena_take((uint16_t)(OV_DISPLAYS_CURSOR * count));
  shown = ov_arena_take(ov_table_byte(OV_AT_DISPLAY_STATES));
  frame = ov_arena_take(OV_DISPLAYS_FRAME);
  for (i = 0; i < count; i++) {
    displays[i].page = OV_NONE;
    begin(&displays[i], 0, of(entry_of(i), OV_DISPLAY_AT_COLUMNS), 0, of(entry_of(i), OV_DISPLAY_AT_ROWS)); /* dots are any how at the start */
  }
}

static uint8_t shows(uint16_t thing) { return (uint8_t)(ov_table_byte(thing) & (uint8_t)~OV_DISPLAY_DO_LARGE); }

/* What a thing is drawn from. */
static uint8_t content_of(uint16_t thing) {
  uint8_t nth = of(thing, OV_DISPLAY_THING_AT_OF);
  switch (shows(thing)) {
    case OV_DISPLAY_DO_LAYER: return ov_layer_found(0, OV_OF_NAME);
    case OV_DISPLAY_DO_DEED: return ov_layer_for(nth);
    case OV_DISPLAY_DO_VALUE:
    case OV_DISPLAY_DO_BAR: return ov_value_of(nth);
    default: return 0;
  }
}

static uint8_t sign_of_text(uint16_t thing, uint8_t content, uint8_t cell) {
  uint16_t texts = ov_table_word(OV_AT_DISPLAY_TEXTS);
  uint16_t text = word_of(thing, OV_DISPLAY_THING_AT_LOW);
  if (shows(thing) != OV_DISPLAY_DO_TEXT) text = ov_table_word((uint16_t)(texts + text + 2u * content));
  text = (uint16_t)(texts + text);
  return cell < ov_table_byte(text) ? ov_table_byte((uint16_t)(text + 1u + cell)) : OV_NONE;
}

/* Of a number that stands at the right of its cells; what has too many digits is nothing but minus signs. */
static uint8_t sign_of_number(uint16_t thing, uint8_t content, uint8_t cells, uint8_t cell) {
  int16_t low = (int16_t)word_of(thing, OV_DISPLAY_THING_AT_LOW), high = (int16_t)word_of(thing, OV_DISPLAY_THING_AT_HIGH);
  int16_t number = ov_number_between(low, high, of(thing, OV_DISPLAY_THING_AT_TOP), content);
  uint16_t left = (uint16_t)(number < 0 ? -number : number);
  uint8_t point = of(thing, OV_DISPLAY_THING_AT_POINT), minus = (uint8_t)(number < 0);
  uint8_t taken = (uint8_t)(ov_digits_of(left, point) + (point > 0)), at = (uint8_t)(cells - 1u - cell);
  if (taken + minus > cells) return OV_GLYPH_MINUS;
  if (at >= taken) return minus && at == taken ? OV_GLYPH_MINUS : OV_NONE;
  if (point > 0 && at == point) return OV_GLYPH_POINT;
  if (point > 0 && at > point) at--;
  return ov_digit_of(left, at);
}

/* Four dots, each twice as high. */
static uint8_t doubled(uint8_t dots) {
  uint8_t high = 0, mask;
  for (mask = 0x08; mask; mask >>= 1) high = (uint8_t)((high << 2) | (dots & mask ? 3u : 0u));
  return high;
}

static uint8_t glyph_column(uint8_t sign, uint8_t column) {
  if (sign == OV_NONE || column >= OV_GLYPH_COLUMNS) return 0;
  return ov_table_byte((uint16_t)(ov_table_word(OV_AT_DISPLAY_GLYPHS) + sign * OV_GLYPH_COLUMNS + column));
}

/* Of a sign's cell from a column of it on, or of the half of a large one's; row: of those, its upper or lower half. */
static void draw_sign(uint8_t *to, uint8_t columns, uint16_t thing, uint8_t content, uint8_t cell, uint8_t in_cell, uint8_t row) {
  uint8_t is_large = (uint8_t)(ov_table_byte(thing) & OV_DISPLAY_DO_LARGE), first = 0, cells = 0, sign, i;
  uint8_t all = of(thing, OV_DISPLAY_THING_AT_COLUMNS), width = OV_DISPLAYS_CELL;
  if (is_large) {
    width = 2u * OV_DISPLAYS_CELL;
    first = cell & 1u ? OV_DISPLAYS_CELL / 2u : 0;
    cell >>= 1;
  }
  for (; all >= width; all = (uint8_t)(all - width)) cells++;
  if (cell >= cells) sign = OV_NONE;
  else sign = shows(thing) == OV_DISPLAY_DO_VALUE ? sign_of_number(thing, content, cells, cell) : sign_of_text(thing, content, cell);
  for (i = in_cell; columns > 0; columns--, i++, to++) {
    if (is_large) {
      uint8_t dots = glyph_column(sign, (uint8_t)(first + (i >> 1)));
      *to = doubled((uint8_t)(row ? dots >> 4 : dots & 0x0F));
    } else *to = glyph_column(sign, i);
  }
}

/* A frame with rounded corners, filled as far as the value goes. */
static void draw_bar(uint8_t *to, uint8_t columns, uint16_t thing, uint8_t content, uint8_t at) {
  uint8_t last = (uint8_t)(of(thing, OV_DISPLAY_THING_AT_COLUMNS) - 1u), top = of(thing, OV_DISPLAY_THING_AT_TOP);
  for (; columns > 0; columns--, at++, to++) {
    if (at == 0 || at == last) *to = 0x3C;
    else *to = (uint16_t)(at * top) <= (uint16_t)(content * (last - 1u)) ? 0x7E : 0x42;
  }
}

static void draw_picture(uint8_t *to, uint8_t columns, uint16_t thing, uint8_t at, uint8_t row) {
  uint16_t from = (uint16_t)(ov_table_word(OV_AT_DISPLAY_PICTURES) + word_of(thing, OV_DISPLAY_THING_AT_LOW));
  from = (uint16_t)(from + row * of(thing, OV_DISPLAY_THING_AT_COLUMNS) + at);
  for (; columns > 0; columns--) *to++ = ov_table_byte(from++);
}

/* What is at a place of a page: which thing, or OV_NONE; and how many columns it, or what is dark, still has. */
static uint8_t thing_at(uint16_t page, uint8_t row, uint8_t column, uint8_t *columns) {
  uint16_t thing = thing_of(page, 0);
  uint8_t count = ov_table_byte(page), left = *columns, i;
  for (i = 0; i < count; i++, thing = (uint16_t)(thing + OV_DISPLAY_THING_BYTES)) {
    uint8_t in, first, width;
    if ((uint8_t)(row - of(thing, OV_DISPLAY_THING_AT_ROW)) >= of(thing, OV_DISPLAY_THING_AT_ROWS)) continue;
    first = of(thing, OV_DISPLAY_THING_AT_COLUMN);
    if (first > column) {
      if (left > (uint8_t)(first - column)) left = (uint8_t)(first - column);
      continue;
    }
    in = (uint8_t)(column - first);
    width = of(thing, OV_DISPLAY_THING_AT_COLUMNS);
    if (in >= width) continue;
    if (left > (uint8_t)(width - in)) left = (uint8_t)(width - in);
    break;
  }
  *columns = left;
  return i < count ? i : OV_NONE;
}

/* @returns how many columns: to the end of a cell at most, where another thing has covered a part of it */
static uint8_t draw_thing(struct display *one, uint8_t nth, uint8_t columns) {
  uint16_t thing = thing_of(page_of(one->page), nth);
  uint8_t row = (uint8_t)(one->row - of(thing, OV_DISPLAY_THING_AT_ROW)), at = (uint8_t)(one->column - of(thing, OV_DISPLAY_THING_AT_COLUMN));
  uint8_t *content = shown + of(entry_of(turn), OV_DISPLAY_AT_STATES) + nth, cell = 0, left = at;
  if (row == 0 && at == 0) *content = content_of(thing);
  for (; left >= OV_DISPLAYS_CELL; left -= OV_DISPLAYS_CELL) cell++;
  if (columns > OV_DISPLAYS_CELL - left) columns = (uint8_t)(OV_DISPLAYS_CELL - left);
  switch (shows(thing)) {
    case OV_DISPLAY_DO_PICTURE: draw_picture(frame + 1, columns, thing, at, row); break;
    case OV_DISPLAY_DO_BAR: draw_bar(frame + 1, columns, thing, *content, at); break;
    default: draw_sign(frame + 1, columns, thing, *content, cell, left, row);
  }
  return columns;
}

static void send_cell(struct display *one) {
  uint8_t columns = (uint8_t)(one->to - one->column), nth = OV_NONE, i;
  if (columns > OV_DISPLAYS_CELL) columns = OV_DISPLAYS_CELL;
  if (one->page != OV_NONE) nth = thing_at(page_of(one->page), one->row, one->column, &columns);
  frame[0] = ov_table_byte((uint16_t)(ov_table_word(OV_AT_DISPLAY_FRAMES) + word_of(entry_of(turn), OV_DISPLAY_AT_PLACE)));
  for (i = 1; i <= columns; i++) frame[i] = 0;
  if (nth != OV_NONE) columns = draw_thing(one, nth, columns);
  ov_hal_display(turn, frame, (uint8_t)(columns + 1u));
  one->column = (uint8_t)(one->column + columns);
  if (one->column < one->to) return;
  one->column = one->from;
  one->row++;
  one->is_placed = 0;
}

/* Behind what goes before dots come the display's own first column, how many bytes there are, and each with what is added to it. */
static void send_place(struct display *one) {
  uint16_t at = (uint16_t)(ov_table_word(OV_AT_DISPLAY_FRAMES) + word_of(entry_of(turn), OV_DISPLAY_AT_PLACE));
  uint8_t column = (uint8_t)(ov_table_byte((uint16_t)(at + 1u)) + one->column), length = ov_table_byte((uint16_t)(at + 2u)), i;
  at = (uint16_t)(at + 3u);
  for (i = 0; i < length; i++, at = (uint16_t)(at + 2u)) {
    uint8_t byte = ov_table_byte(at);
    switch (ov_table_byte((uint16_t)(at + 1u))) {
      case OV_DISPLAY_ADDS_ROW: byte = (uint8_t)(byte + one->row); break;
      case OV_DISPLAY_ADDS_COLUMN: byte = (uint8_t)(byte + column); break;
      case OV_DISPLAY_ADDS_LOW: byte = (uint8_t)(byte + (column & 0x0Fu)); break;
      case OV_DISPLAY_ADDS_HIGH: byte = (uint8_t)(byte + (column >> 4)); break;
      default: break;
    }
    frame[i] = byte;
  }
  ov_hal_display(turn, frame, length);
  one->is_placed = 1;
}

/* The next of its first frames, each behind its length; the last has none. @returns 0 when all have been sent */
static uint8_t send_start(struct display *one) {
  uint16_t at = (uint16_t)(ov_table_word(OV_AT_DISPLAY_FRAMES) + word_of(entry_of(turn), OV_DISPLAY_AT_START));
  uint8_t nth = one->started, length, i;
  if (nth == OV_NONE) return 0;
  for (; nth > 0; nth--) at = (uint16_t)(at + 1u + ov_table_byte(at));
  length = ov_table_byte(at);
  if (length == 0) {
    one->started = OV_NONE;
    return 0;
  }
  for (i = 0; i < length; i++) frame[i] = ov_table_byte((uint16_t)(at + 1u + i));
  ov_hal_display(turn, frame, length);
  one->started++;
  return 1;
}

/* Whether the next thing of the page is drawn as it is now: if not, it is drawn anew. */
static void look(struct display *one) {
  uint16_t page = page_of(one->page), thing;
  uint8_t row, column, content, *drawn;
  if (++one->thing >= ov_table_byte(page)) one->thing = 0;
  if (ov_table_byte(page) == 0) return;
  thing = thing_of(page, one->thing);
  content = content_of(thing);
  drawn = shown + of(entry_of(turn), OV_DISPLAY_AT_STATES) + one->thing;
  if (content == *drawn) return;
  *drawn = content; /* also where it lies beneath another and is never drawn */
  row = of(thing, OV_DISPLAY_THING_AT_ROW);
  column = of(thing, OV_DISPLAY_THING_AT_COLUMN);
  begin(one, column, (uint8_t)(column + of(thing, OV_DISPLAY_THING_AT_COLUMNS)), row, (uint8_t)(row + of(thing, OV_DISPLAY_THING_AT_ROWS)));
}

uint8_t ov_displays_wait(void) { return waits; }

static void send(struct display *one) {
  if (send_start(one) || one->row >= one->end) return;
  if (one->is_placed) send_cell(one);
  else send_place(one);
}

/* Turns go by the scans that are theirs: were they to go by all, with axes half of the displays would never have one. */
void ov_displays_play(uint8_t is_crowded, uint8_t may_send) {
  uint8_t count = ov_table_byte(OV_AT_DISPLAYS), page;
  struct display *one;
  if (count == 0) return;
  if (is_crowded || (waits && !may_send)) return;
  if (++turn >= count) turn = 0;
  one = displays + turn;
  page = ov_asleep ? OV_NONE : ov_displays_page(ov_layers_off_base ? ov_layer_found(turn, OV_OF_DISPLAYS) : 0, turn);
  if (page != one->page) {
    one->page = page;
    begin(one, 0, of(entry_of(turn), OV_DISPLAY_AT_COLUMNS), 0, of(entry_of(turn), OV_DISPLAY_AT_ROWS));
  } else if (page != OV_NONE && one->row >= one->end) look(one);
  if (may_send) send(one);
  for (waits = 0, one = displays; count > 0; count--, one++)
    if (one->row < one->end || one->started != OV_NONE) waits = 1;
}

#endif
