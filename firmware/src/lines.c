/* Lines of text that tell a panel over a serial port: "value 2 200", "flag 3 1", each with a line's end. Numbers count from 1. They are
 * understood byte by byte, so none is kept; what is no such line changes nothing. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#if OV_WITH_LINES && OV_WITH_PANEL

/* Where in a line it is; a line that is spoilt is skipped to its end. */
enum { WORD, FIRST, SECOND, SPOILT };
#define MOST_DIGITS 3u

static const char words[2][6] OV_IN_FLASH = {"flag ", "value "};
static uint8_t part, at, is_value; /* at: letters of its word, then digits of a number */
static uint16_t number[2];

void ov_lines_init(void) {
  part = WORD;
  at = 0;
}

static uint8_t letter_of(uint8_t word, uint8_t nth) { return ov_flash_byte((const uint8_t *)words[word] + nth); }

/* Of the word, whose last character is the space behind it. */
static void take_letter(uint8_t byte) {
  if (at == 0) is_value = (uint8_t)(byte == letter_of(1, 0));
  if (byte != letter_of(is_value, at)) {
    part = SPOILT;
    return;
  }
  if (at++ < 4u + is_value) return;
  part = FIRST;
  at = 0;
}

static void take_digit(uint8_t byte) {
  uint16_t *own = &number[part - FIRST];
  if (part == FIRST && byte == ' ' && at > 0) {
    part = SECOND;
    at = 0;
    return;
  }
  if (byte < '0' || byte > '9' || at == MOST_DIGITS) {
    part = SPOILT;
    return;
  }
  *own = (uint16_t)((at++ ? *own * 10u : 0u) + (byte - '0'));
}

static void carry_out(void) {
  uint8_t nth = (uint8_t)(number[0] - 1u);
  if (part != SECOND || at == 0 || number[0] == 0 || number[0] > (is_value ? OV_PANEL_VALUES : OV_PANEL_FLAGS)) return;
  if (number[1] > (is_value ? 255u : 1u)) return;
  if (is_value) ov_panel_set_value(nth, (uint8_t)number[1]);
  else ov_panel_set_flag(nth, (uint8_t)number[1]);
}

void ov_line_byte(uint8_t byte) {
  if (!ov_lines_there()) return;
  if (byte == '\n' || byte == '\r') {
    carry_out();
    ov_lines_init();
  } else if (part == WORD) take_letter(byte);
  else if (part != SPOILT) take_digit(byte);
}

#else

void ov_line_byte(uint8_t byte) { (void)byte; }

#endif
