/* A 16 MHz 8-bit board in the simulator. Waiting takes real cycles, so that the measured scan time is honest. */
#include "ovrin.h"
#include "ports.h"
#include "tables.h"

#define PORT(address) (*(volatile uint8_t *)(address))
#define CYCLES_A_US 16

#ifdef OV_PIN_LINES
/* Pins one by one, as a board reads them: what comes of it is the simulator's, the cycles are those of real pins. The
 * line's port and mask stand in flash, as its number is known only at run time. */
#define PINS(port) {port, 0x01}, {port, 0x02}, {port, 0x04}, {port, 0x08}, {port, 0x10}, {port, 0x20}, {port, 0x40}, {port, 0x80}
static const uint8_t pins[32][2] __attribute__((section(".progmem.data"))) = {PINS(0x23), PINS(0x26), PINS(0x29),
                                                                             PINS(0x23)};

static uint8_t in_flash(const uint8_t *at) {
  uint8_t value;
  __asm__("lpm %0, Z" : "=r"(value) : "z"(at));
  return value;
}

/* The input of a line's port; its direction lies one address above, its level two. */
static volatile uint8_t *input_of(uint8_t line) { return (volatile uint8_t *)(uint16_t)in_flash(pins[line & 31]); }
static uint8_t mask_of(uint8_t line) { return in_flash(pins[line & 31] + 1); }

static uint8_t is_high(uint8_t line) { return *input_of(line) & mask_of(line); }

/* Low and an output, or an input with its pull-up. */
static void drive(uint8_t line, uint8_t low) {
  volatile uint8_t *input = input_of(line);
  uint8_t mask = mask_of(line);
  if (low) {
    input[2] &= (uint8_t)~mask;
    input[1] |= mask;
  } else {
    input[1] &= (uint8_t)~mask;
    input[2] |= mask;
  }
}

static uint16_t read_pins(uint8_t bank) {
  uint16_t word = 0xFFFF, bit = 1;
  uint8_t line = (uint8_t)(16 * bank), last = (uint8_t)(line + 16);
  if (last > OV_PIN_LINES) last = OV_PIN_LINES;
  for (; line < last; line++, bit = (uint16_t)(bit << 1))
    if (!is_high(line)) word &= (uint16_t)~bit;
  return word;
}
#else
#define drive(line, low) ((void)(line))
#endif

void ov_hal_catch(void) { PORT(OV_PORT_KEEPS) = 0; }
void ov_hal_strobe(uint8_t line) { drive(line, 1); PORT(OV_PORT_STROBE) = (uint8_t)(line + 1); }
void ov_hal_release(uint8_t line) { drive(line, 0); (void)line; PORT(OV_PORT_STROBE) = 0; }
void ov_hal_lamp(uint8_t line, uint8_t on) { PORT(OV_PORT_LAMP) = line; PORT(OV_PORT_LAMP) = on; }

void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length) {
  PORT(OV_PORT_LIGHTS) = chain;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_LIGHTS_MS) = ov_lights_ms(chain);
}

void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length) {
  PORT(OV_PORT_SEGMENTS) = chain;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_SEGMENTS_END) = 1;
}

void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length) {
  PORT(OV_PORT_DISPLAY) = display;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_SEGMENTS_END) = 1;
}

uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) {
  PORT(OV_PORT_RADIO) = 1;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_SEGMENTS_END) = 1;
  return 1;
}

static uint8_t part, set_up, calls;
uint8_t ov_hal_part(void) { return part; }
uint8_t ov_hal_calls(void) { return calls; }
void ov_hal_ask(uint8_t which) { PORT(OV_PORT_ASKS) = which; }
void ov_hal_call(void) { PORT(OV_PORT_ASKS) = 0; }

void ov_hal_link(const uint8_t *bytes, uint8_t length) {
  PORT(OV_PORT_LINK) = 1;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_SEGMENTS_END) = 1;
}

void ov_hal_din(const uint8_t *bytes, uint8_t length) {
  PORT(OV_PORT_DIN) = 1;
  while (length-- > 0) PORT(OV_PORT_LIGHT_BYTE) = *bytes++;
  PORT(OV_PORT_SEGMENTS_END) = 1;
}

void ov_hal_settle(uint8_t us) {
  uint16_t loops = (uint16_t)(us * (CYCLES_A_US / 4)); /* one turn of the loop below takes 4 cycles */
  if (loops == 0) return;
  __asm__ volatile("1: sbiw %0, 1\n\tbrne 1b" : "+w"(loops));
}

uint16_t ov_hal_read(uint8_t bank) {
  uint8_t low;
#ifdef OV_PIN_LINES
  volatile uint16_t pins_said = read_pins(bank);
  (void)pins_said;
#endif
  PORT(OV_PORT_BANK) = bank;
  low = PORT(OV_PORT_WORD_LOW);
  return (uint16_t)(low | (uint16_t)(PORT(OV_PORT_WORD_HIGH) << 8));
}

uint16_t ov_hal_sense(uint8_t sensor) {
  uint8_t low;
  PORT(OV_PORT_SENSOR) = sensor;
  low = PORT(OV_PORT_LEVEL_LOW);
  return (uint16_t)(low | (uint16_t)(PORT(OV_PORT_LEVEL_HIGH) << 8));
}

static uint8_t asleep;

uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  uint8_t i;
  if (OV_WITH_LINK && ov_table_byte(OV_AT_PARTS) && !set_up) return 0;
  if (asleep && ov_report_is_movement(kind, bytes)) return 1;
  PORT(OV_PORT_INTERFACE) = kind;
  if (!PORT(OV_PORT_TAKEN)) return 0;
  for (i = 0; i < length; i++) PORT(OV_PORT_BYTE) = bytes[i];
  PORT(OV_PORT_SENT) = length;
  return 1;
}

static void place_kept(uint16_t at) {
  PORT(OV_PORT_KEPT_LOW) = (uint8_t)at;
  PORT(OV_PORT_KEPT_HIGH) = (uint8_t)(at >> 8);
}

uint8_t ov_hal_kept(uint16_t at) {
  place_kept(at);
  return PORT(OV_PORT_KEPT);
}

uint8_t ov_hal_keeping(void) { return PORT(OV_PORT_KEEPS); }

uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  place_kept(at);
  PORT(OV_PORT_KEPT) = byte;
  return OV_KEEP_TAKEN;
}

static uint8_t asked;

static void ask(void) {
  uint8_t *place = ov_live_place();
  uint8_t i;
  if (!place) return;
  for (i = 0; i < OV_FRAME_BYTES; i++) place[i] = PORT(OV_PORT_FRAME);
  ov_live_asked();
  asked = 1;
}

static void tell_panel(void) {
  uint8_t *place = ov_panel_place();
  uint8_t i;
  for (i = 0; place && i < OV_PANEL_BYTES; i++) place[i] = PORT(OV_PORT_FRAME);
}

static void tell_answered(void) {
  uint8_t bytes[OV_RADIO_FRAME_MOST], length = PORT(OV_PORT_FRAME), i;
  for (i = 0; i < length && i < sizeof bytes; i++) bytes[i] = PORT(OV_PORT_FRAME);
  ov_radio_answered(bytes, i);
}

static void read_line(void) {
  uint8_t length = PORT(OV_PORT_FRAME);
  for (; length > 0; length--) ov_line_byte(PORT(OV_PORT_FRAME));
}

static void take_linked(void) {
  uint8_t length = PORT(OV_PORT_FRAME);
  for (; length > 0; length--) ov_link_byte(PORT(OV_PORT_FRAME));
}

static void hear(void) {
  uint8_t event[OV_MUSIC_PACKET_BYTES], i;
  for (i = PORT(OV_PORT_FRAME); i > 0; i--) {
    event[OV_MUSIC_PACKET_BYTES - i] = PORT(OV_PORT_FRAME);
  }
  ov_music_heard(event);
}

static void poll_plug(void) {
  uint8_t bits = (uint8_t)(ov_table_byte(OV_AT_PLUG) + 1u);
  PORT(OV_PORT_PLUG) = ov_plug_latched();
  for (; bits > 0; bits--) PORT(OV_PORT_PLUG) = ov_plug_clocked();
  PORT(OV_PORT_PLUG) = 2;
}

static void tell_edge(void) {
  uint8_t encoder = PORT(OV_PORT_FRAME);
  ov_encoder_edge(encoder, PORT(OV_PORT_FRAME));
}

static void tell_answer(void) {
  const uint8_t *frame = ov_live_frame();
  uint8_t i;
  if (!asked || frame[OV_FRAME_AT_STATUS] == OV_STATUS_WORKING) return;
  asked = 0;
  PORT(OV_PORT_INTERFACE) = OV_REPORT_LIVE;
  for (i = 0; i < OV_FRAME_BYTES; i++) PORT(OV_PORT_BYTE) = frame[i];
  PORT(OV_PORT_SENT) = OV_FRAME_BYTES;
}

int main(void) {
  ov_init();
  for (;;) {
    PORT(OV_PORT_READY) = 1;
    switch (PORT(OV_PORT_COMMAND)) {
      case 1: ov_init(); asked = asleep = 0; break;
      case 2: ov_host_locks(PORT(OV_PORT_LOCKS)); break;
      case 3: ov_host_reset(); break;
      case 7: ov_host_sleeps(asleep = 1); break;
      case 8: ov_host_sleeps(asleep = 0); break;
      case 4: ask(); break;
      case 5: tell_edge(); break;
      case 6: tell_panel(); break;
      case 9: tell_answered(); break;
      case 10: poll_plug(); break;
      case 11: read_line(); break;
      case 12: hear(); break;
      case 13: part = PORT(OV_PORT_FRAME); ov_init(); break;
      case 14: ov_host_configured(set_up = PORT(OV_PORT_FRAME)); break;
      case 15: take_linked(); break;
      case 16: calls = PORT(OV_PORT_FRAME); break;
      default: ov_scan(PORT(OV_PORT_ELAPSED)); tell_answer(); break;
    }
  }
}
