/* Knobs on pins that interrupt: at each edge the lines of all of them are read and told to the runtime. Any pin of port B
 * interrupts when it changes; of the other ports, four pins of D and one of E have an interrupt of their own. */
#include <avr/interrupt.h>
#include <avr/io.h>

#include "access.h"
#include "board.h"
#include "edges.h"
#include "ovrin.h"
#include "parts.h"

#define BIT(n) ((uint8_t)(1u << (n)))
#define PORT_B 0x23
#define PORT_E 0x2C

static const uint8_t *edges; /* the table in the board block */
static uint8_t count;

#if OV_WITH_LIGHTS
/* While lights are sent an interrupt must be short, or they take the pause for the end: it only notes the levels of all ports,
 * and what they tell is told when the lights have gone. So many edges in two milliseconds are some eighty turns a second. */
#define MOST_NOTED 16
static uint8_t noted[MOST_NOTED][OV_LEVEL_PORTS];
static volatile uint8_t noted_count;
static volatile uint8_t only_noted;
#else
#define only_noted 0
#endif

static uint8_t is_low(const uint8_t **at) {
  uint8_t input = ov_flash_next(at);
  return ov_pin_is_high(input, ov_flash_next(at)) ? 0 : 1;
}

OV_APART static void tell_all(void) {
  const uint8_t *at = edges;
  uint8_t left;
  for (left = count; left > 0; left--) {
    uint8_t encoder = ov_flash_next(&at);
    uint8_t a = is_low(&at);
    ov_encoder_edge(encoder, (uint8_t)(a << 1 | is_low(&at)));
  }
}

static inline void note(void) {
#if OV_WITH_LIGHTS
  uint8_t nth = noted_count;
  if (nth == MOST_NOTED) return;
  ov_ports_catch(noted[nth]);
  noted_count = (uint8_t)(nth + 1u);
#endif
}

ISR(PCINT0_vect) {
  if (only_noted) note();
  else tell_all();
}
ISR(INT0_vect, ISR_ALIASOF(PCINT0_vect));
ISR(INT1_vect, ISR_ALIASOF(PCINT0_vect));
ISR(INT2_vect, ISR_ALIASOF(PCINT0_vect));
ISR(INT3_vect, ISR_ALIASOF(PCINT0_vect));
ISR(INT6_vect, ISR_ALIASOF(PCINT0_vect));

/* From now on every change of the pin interrupts. */
static void watch(uint8_t input, uint8_t mask) {
  if (input == PORT_B) PCMSK0 |= mask;
  else if (input == PORT_E) EIMSK |= BIT(INT6);
  else EIMSK |= mask; /* the four of port D have the numbers of their bits */
}

static void watch_all(void) {
  const uint8_t *at = edges;
  uint8_t left;
  for (left = count; left > 0; left--) {
    uint8_t nth;
    at++;
    for (nth = 0; nth < 2; nth++) {
      uint8_t input = ov_flash_next(&at);
      watch(input, ov_flash_next(&at));
    }
  }
}

/* They are told where they rest once every further edge is remembered, and before it interrupts: so none falls between. */
void ov_edges_open(void) {
  edges = ov_board_table(OV_BOARD_AT_EDGE_TABLE);
  count = ov_board_byte(OV_BOARD_AT_EDGE_ENCODERS);
  if (count == 0) return;
  EICRA = BIT(ISC00) | BIT(ISC10) | BIT(ISC20) | BIT(ISC30);
  EICRB = BIT(ISC60);
  EIFR = 0xFF;
  PCIFR = BIT(PCIF0);
  PCICR = BIT(PCIE0);
  watch_all();
  tell_all();
  sei();
}

#if OV_WITH_LIGHTS
static uint8_t was_low(const uint8_t *levels, const uint8_t **at) {
  uint8_t input = ov_flash_next(at);
  for (; input > PORT_B; input = (uint8_t)(input - 3u)) levels++;
  return *levels & ov_flash_next(at) ? 0 : 1;
}

OV_RARELY static void tell_noted(const uint8_t *levels) {
  const uint8_t *at = edges;
  uint8_t left;
  for (left = count; left > 0; left--) {
    uint8_t encoder = ov_flash_next(&at);
    uint8_t a = was_low(levels, &at);
    ov_encoder_edge(encoder, (uint8_t)(a << 1 | was_low(levels, &at)));
  }
}

void ov_edges_note(void) { only_noted = 1; }

/* Edges that come meanwhile are noted behind the others, so that none is told out of order. */
void ov_edges_tell(void) {
  uint8_t nth = 0;
  for (;;) {
    uint8_t flags = SREG;
    cli();
    if (nth == noted_count) {
      noted_count = 0;
      only_noted = 0;
      SREG = flags;
      return;
    }
    SREG = flags;
    tell_noted(noted[nth++]);
  }
}
#endif
