/* Addressable lights. A picture of all of them is worked out, a few in each scan; the chains that it changes are then sent, each in a
 * scan of its own, and the scans that come while that takes are left out. So no other scan grows longer by it. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint8_t *told; /* by each light: its bytes as they are sent */
static uint8_t light; /* the next one of the picture to work out; ov_lights(): all are */
static uint8_t changed; /* chains that the picture changes, a bit for each */
static uint8_t chain, chain_left, may_light; /* the chain of that light, how many of it are left, and how many may be lit */
static uint8_t owed; /* ms that no scan was told of yet */
static uint8_t rest; /* ms until what was sent has gone */
static uint8_t left_ms, passed; /* until a picture may begin, and since the one before began */

void ov_lights_init(void) {
  told = ov_arena_take((uint16_t)(OV_COLOURS * ov_lights()));
  light = ov_lights();
  changed = owed = rest = left_ms = passed = 0;
  chain = OV_NONE; /* no picture yet: the first is sent whatever it shows, as lights may glow by chance */
}

static uint8_t added(uint8_t one, uint8_t other) {
  return (uint8_t)(one + other > 255 ? 255 : one + other);
}

static uint8_t of_chain(uint8_t nth, uint8_t field) {
  return ov_table_byte((uint16_t)(ov_table_word(OV_AT_CHAIN_TABLE) + OV_CHAIN_BYTES * nth + field));
}

uint8_t ov_lights_ms(uint8_t nth) { return of_chain(nth, OV_CHAIN_AT_SEND_MS); }

/* The first chain that is not as it was. */
OV_RARELY static void send(void) {
  const uint8_t *bytes = told;
  uint8_t nth = 0;
  for (; !(changed & ov_flash_byte(ov_bits + nth)); nth++) bytes += OV_COLOURS * of_chain(nth, OV_CHAIN_AT_LIGHTS);
  changed &= (uint8_t)~ov_flash_byte(ov_bits + nth);
  rest = ov_lights_ms(nth);
  if (OV_WITH_LIGHTS) ov_hal_lights(nth, bytes, (uint16_t)(OV_COLOURS * of_chain(nth, OV_CHAIN_AT_LIGHTS)));
}

OV_RARELY static uint8_t pass(uint8_t elapsed_ms) {
  uint8_t is_after = rest; /* a scan comes between two chains */
  owed = added(owed, elapsed_ms);
  passed = added(passed, elapsed_ms);
  left_ms = (uint8_t)(left_ms > elapsed_ms ? left_ms - elapsed_ms : 0);
  rest = (uint8_t)(rest > elapsed_ms ? rest - elapsed_ms : 0);
  if (rest > 0) return 0;
  if (!is_after && light == ov_lights() && changed) {
    send();
    return 0;
  }
  elapsed_ms = owed;
  owed = 0;
  return elapsed_ms;
}

uint8_t ov_lights_pass(uint8_t elapsed_ms) { return ov_lights() > 0 ? pass(elapsed_ms) : elapsed_ms; }

static void begin(void) {
  ov_glows_pass(passed);
  if (chain == OV_NONE) changed = (uint8_t)((ov_flash_byte(ov_bits + ov_table_byte(OV_AT_CHAINS) - 1) << 1) - 1);
  passed = 0;
  left_ms = OV_PICTURE_MS;
  light = chain_left = 0;
  chain = OV_NONE;
}

static void next_chain(void) {
  chain = (uint8_t)(chain + 1u);
  chain_left = of_chain(chain, OV_CHAIN_AT_LIGHTS);
  may_light = of_chain(chain, OV_CHAIN_AT_MOST_LIT);
}

/* Never brighter than the chain may be, and no more lights lit at once: the first of the chain. */
static void keep_to_limit(uint8_t *colours) {
  uint16_t level = (uint16_t)(of_chain(chain, OV_CHAIN_AT_LEVEL) + 1u);
  uint8_t i;
  for (i = 0; i < OV_COLOURS; i++) colours[i] = (uint8_t)((uint16_t)(colours[i] * level) >> 8);
  if ((colours[0] | colours[1] | colours[2]) == 0) return;
  if (may_light > 0) may_light--;
  else colours[0] = colours[1] = colours[2] = 0;
}

static void work_out(void) {
  uint16_t entry = (uint16_t)(ov_table_word(OV_AT_LIGHT_TABLE) + OV_LIGHT_BYTES * light);
  uint8_t places = ov_table_byte((uint16_t)(entry + 1));
  uint8_t *bytes = told + (uint16_t)(OV_COLOURS * light);
  uint8_t colours[OV_COLOURS];
  uint8_t i;
  if (chain_left == 0) next_chain();
  chain_left--;
  ov_glows_mix(light, colours);
  if (ov_asleep) colours[0] = colours[1] = colours[2] = 0;
  keep_to_limit(colours);
  for (i = 0; i < OV_COLOURS; i++, places = (uint8_t)(places >> 2)) {
    uint8_t *byte = bytes + (places & 3u);
    if (*byte != colours[i]) changed |= ov_flash_byte(ov_bits + chain);
    *byte = colours[i];
  }
  light++;
}

void ov_lights_play(void) {
  uint8_t left = ov_table_byte(OV_AT_LIGHTS_A_SCAN);
  if (ov_lights() == 0) return;
  if (light == ov_lights() && !changed && left_ms == 0) begin();
  for (; left > 0 && light < ov_lights(); left--) work_out();
}
