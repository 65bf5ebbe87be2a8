/* The reports: keyboard in the boot layout of USB HID 1.11 (appendix B.1: modifiers, reserved, six usages),
 * and consumer control with one 16-bit usage. Each is sent when it differs from the last one taken. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

#define KEYBOARD_BYTES 8
#define KEYBOARD_KEYS 6
#define CONSUMER_BYTES 2
#define ERROR_ROLL_OVER 0x01

static uint8_t keyboard_sent[KEYBOARD_BYTES];
static uint8_t consumer_sent[CONSUMER_BYTES];
static uint8_t changed;

static void clear(uint8_t *bytes, uint8_t length) {
  while (length-- > 0) bytes[length] = 0;
}

static uint8_t same(const uint8_t *a, const uint8_t *b, uint8_t length) {
  while (length-- > 0) {
    if (a[length] != b[length]) return 0;
  }
  return 1;
}

static void copy(uint8_t *to, const uint8_t *from, uint8_t length) {
  while (length-- > 0) to[length] = from[length];
}

void ov_reports_init(void) {
  clear(keyboard_sent, KEYBOARD_BYTES);
  clear(consumer_sent, CONSUMER_BYTES);
  changed = 0;
}

void ov_reports_changed(void) { changed = 1; }

/* Adds one usage; answers how many usages are down by then. */
static uint8_t add_usage(uint8_t *report, uint8_t usage, uint8_t down) {
  uint8_t i;
  if (usage >= OV_FIRST_MODIFIER) {
    report[0] = (uint8_t)(report[0] | (1u << (usage - OV_FIRST_MODIFIER)));
    return down;
  }
  for (i = 0; i < down && i < KEYBOARD_KEYS; i++) {
    if (report[2 + i] == usage) return down;
  }
  if (down < KEYBOARD_KEYS) report[2 + down] = usage;
  return (uint8_t)(down + 1);
}

/* The inputs in their order; once there are too many keys, only those that report modifiers still matter. */
static void build_keyboard(uint8_t *report) {
  uint8_t inputs = ov_input_count();
  uint8_t modifying = ov_modifying_inputs();
  uint8_t down = 0;
  uint8_t input;
  clear(report, KEYBOARD_BYTES);
  for (input = 0; input < inputs && (down <= KEYBOARD_KEYS || modifying > 0); input++) {
    uint8_t layer = ov_input_layer(input);
    uint16_t action;
    if (layer == OV_NONE) continue;
    action = ov_action_at(layer, input);
    if (ov_table_byte(action) != OV_DO_KEYBOARD) continue;
    if (modifying > 0 && ov_reports_modifiers(action)) modifying--;
    report[0] = (uint8_t)(report[0] | ov_table_byte((uint16_t)(action + 1)));
    down = add_usage(report, ov_table_byte((uint16_t)(action + 2)), down);
  }
  if (down > KEYBOARD_KEYS) {
    for (input = 0; input < KEYBOARD_KEYS; input++) report[2 + input] = ERROR_ROLL_OVER;
  }
}

/* 1 when the host side has the newest state. */
static uint8_t offer(uint8_t interface, const uint8_t *report, uint8_t *sent, uint8_t length) {
  if (same(report, sent, length)) return 1;
  if (!ov_hal_report(interface, report, length)) return 0;
  copy(sent, report, length);
  return 1;
}

void ov_reports_send(void) {
  uint8_t keyboard[KEYBOARD_BYTES];
  uint8_t consumer[CONSUMER_BYTES];
  uint16_t usage;
  uint8_t taken;
  if (!changed) return;
  build_keyboard(keyboard);
  usage = ov_consumer_usage();
  consumer[0] = (uint8_t)(usage & 0xFFu);
  consumer[1] = (uint8_t)(usage >> 8);
  taken = offer(OV_INTERFACE_KEYBOARD, keyboard, keyboard_sent, KEYBOARD_BYTES);
  taken = (uint8_t)(taken & offer(OV_INTERFACE_CONSUMER, consumer, consumer_sent, CONSUMER_BYTES));
  changed = (uint8_t)!taken;
}
