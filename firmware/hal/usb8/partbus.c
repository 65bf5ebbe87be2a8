/* The bus between a device's main part and its modules: the chip's own two-wire controller, by interrupts, one for each byte. The main part writes its
 * frame to all modules at once (general call) and reads that of one; a module keeps its own ready for when it is asked, and pulls a line until then.
 * States by the numbers of the I2C-bus's controllers on this class (from memory). */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "access.h"
#include "board.h"
#include "partline.h"
#include "ovrin.h"

#if OV_WITH_BUS

#define BIT(n) ((uint8_t)(1u << (n)))
#define GO (BIT(TWINT) | BIT(TWEN) | BIT(TWIE))
#define DIVIDER ((uint8_t)(16000000ul / OV_LINK_BUS_BITS_A_SECOND / 2u - 8u))
#define NOBODY 0u
/* Turns of a loop that waits, of 8 cycles each, for a byte: twice its nine clocks, and as much again, as what is told is followed by an answer. */
#define TURNS_A_BYTE (4u * OV_LINK_BUS_CLOCKS_A_BYTE * (16000000ul / OV_LINK_BUS_BITS_A_SECOND) / 8u)

/* A controller's states. */
enum {
  STARTED = 0x08, STARTED_AGAIN = 0x10, WRITES_TAKEN = 0x18, BYTE_TAKEN = 0x28, READS_TAKEN = 0x40, BYTE_CAME = 0x50, LAST_CAME = 0x58,
  /* of a module */
  WRITTEN_TO = 0x60, WRITTEN_TO_ALL = 0x70, OWN_BYTE_CAME = 0x80, ALL_BYTE_CAME = 0x90, OVER = 0xA0, ASKED = 0xA8, BYTE_GONE = 0xB8
};

static uint8_t going[OV_LINK_MOST + OV_LINK_AROUND];
static volatile uint8_t going_at, going_end;
static volatile uint8_t is_busy; /* the main part speaks; a module is asked */
static volatile uint8_t asks;    /* the module that is read behind what is written */
static uint8_t part;

static inline void turn(void) { TWCR = GO | BIT(TWSTA); }

/* What comes next: the module that is asked, or nothing. */
static inline void end_transfer(void) {
  if (asks != NOBODY && going_at == going_end) {
    turn();
    return;
  }
  asks = NOBODY;
  going_at = going_end = 0;
  is_busy = 0;
  TWCR = GO | BIT(TWSTO);
}

/* Where it lets go it is pulled up at the main part. */
static void call(uint8_t is_pulled) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_CALL_TABLE);
  uint8_t input = ov_flash_next(&at), mask = ov_flash_next(&at);
  if (ov_board_byte(OV_BOARD_AT_CALLS) == 0) return; /* no link joins it */
  if (is_pulled) ov_pin_drive(input, mask, 0);
  else ov_pin_let_go(input, mask, 0);
}

static inline void of_main(uint8_t state) {
  uint8_t byte;
  switch (state) {
    case STARTED:
    case STARTED_AGAIN:
      TWDR = going_at < going_end ? 0 : (uint8_t)((OV_LINK_BUS_ADDRESS + asks) << 1 | 1u);
      TWCR = GO;
      return;
    case WRITES_TAKEN:
    case BYTE_TAKEN:
      if (going_at == going_end) break;
      TWDR = going[going_at++];
      TWCR = GO;
      return;
    case READS_TAKEN: TWCR = GO | BIT(TWEA); return;
    case BYTE_CAME:
      byte = TWDR;
      ov_line_came(byte);
      /* Behind its end it is read on once, which tells it that no more is wanted. */
      TWCR = byte ? GO | BIT(TWEA) : GO;
      return;
    case LAST_CAME: asks = NOBODY; break;
    default: asks = NOBODY; going_at = going_end; /* nobody is there, or the bus is not this part's */
  }
  end_transfer();
}

static inline void of_module(uint8_t state) {
  switch (state) {
    case OWN_BYTE_CAME:
    case ALL_BYTE_CAME: ov_line_came(TWDR); break;
    case ASKED:
      call(0);
      is_busy = 1;
      going_at = 0; /* fall through */
    case BYTE_GONE: TWDR = going_at < going_end ? going[going_at++] : 0; break;
    default: is_busy = 0;
  }
  TWCR = GO | BIT(TWEA);
}

ISR(TWI_vect) {
  uint8_t state = TWSR & 0xF8u;
  if (part == 0) of_main(state);
  else of_module(state);
}

uint8_t ov_hal_part(void) { return ov_board_byte(OV_BOARD_AT_PART); }

void ov_line_open(void) {
  part = ov_hal_part();
  is_busy = going_at = going_end = 0;
  asks = NOBODY;
  TWCR = 0; /* whatever it held it lets go */
  TWSR = 0;
  TWBR = DIVIDER;
  TWAR = part ? (uint8_t)((OV_LINK_BUS_ADDRESS + part) << 1 | 1u) : 0;
  TWCR = part ? BIT(TWEN) | BIT(TWIE) | BIT(TWEA) : BIT(TWEN);
  sei();
}

/* A transfer that does not end, because somebody holds the bus or its pull-ups are not there, is given up when twice the longest would have ended.
 * @returns whether there was none */
static uint8_t is_free(void) {
  uint16_t left = (uint16_t)((ov_table_byte(OV_AT_LINK_MOST) + OV_LINK_AROUND + 1u) * TURNS_A_BYTE);
  while (is_busy && --left > 0) {}
  if (!is_busy) return 1;
  ov_line_open();
  return 0;
}

void ov_parts_wait(void) {
  if (part == 0) is_free();
}

void ov_hal_link(const uint8_t *bytes, uint8_t length) {
  uint8_t at;
  if (!is_free()) return;
  cli();
  for (at = 0; at < length; at++) going[at] = bytes[at];
  going_at = 0;
  going_end = length;
  sei();
  if (part) return;
  is_busy = 1;
  turn();
}

/* Behind what it tells; one that it still waits for is given up when it tells again. */
void ov_hal_ask(uint8_t module) {
  cli();
  asks = module;
  if (!is_busy) {
    is_busy = 1;
    turn();
  }
  sei();
}

void ov_hal_call(void) { call(1); }

uint8_t ov_hal_calls(void) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_CALL_TABLE);
  uint8_t left = ov_board_byte(OV_BOARD_AT_CALLS), calls = 0;
  for (; left > 0; left--) {
    uint8_t input = ov_flash_next(&at), mask = ov_flash_next(&at), modules = ov_flash_next(&at);
    if (!ov_pin_is_high(input, mask)) calls |= modules;
  }
  return calls;
}

#endif
