/* The runtime's memory, divided up at the start by what the tables count: no array has a size of its own. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint16_t taken;

void ov_arena_open(void) { taken = 0; }

static uint8_t report_bytes(void) {
  uint8_t bytes = 0;
  uint8_t kind;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    if (ov_report_declared(kind)) bytes = (uint8_t)(bytes + ov_report_length(kind));
  }
  return bytes;
}

uint16_t ov_arena_need(void) {
  uint16_t switches = ov_table_byte(OV_AT_SWITCHES);
  uint16_t encoders = ov_table_byte(OV_AT_ENCODERS);
  uint16_t together = ov_table_byte(OV_AT_TOGETHER);
  uint16_t inputs = (uint16_t)(switches + 2u * encoders + ov_table_byte(OV_AT_FLIPS) + ov_beyonds() + together);
  uint16_t layers = ov_table_byte(OV_AT_LAYERS);
  uint16_t live = (uint16_t)(ov_live_declared() ? OV_LIVE_NEED(inputs, layers) : 0u);
  uint16_t pulsers = (uint16_t)(encoders + ov_table_byte(OV_AT_FLIPS));
  return (uint16_t)(OV_ARENA_BYTES(ov_table_byte(OV_AT_BANKS), ov_table_byte(OV_AT_GROUPS), switches,
                                   inputs, encoders, pulsers, layers, ov_table_byte(OV_AT_WAITING),
                                   OV_PART_BYTES(together) + OV_PART_BYTES(ov_table_byte(OV_AT_OPPOSITES)), ov_table_byte(OV_AT_LAMPS),
                                   ov_table_byte(OV_AT_LIGHTS), ov_table_byte(OV_AT_GLOWS), OV_WITH_AXES ? ov_table_byte(OV_AT_SENSORS) : 0, OV_WITH_PAD ? ov_table_byte(OV_AT_PAD_BUTTONS) : 0,
                                   ov_report_declared(OV_REPORT_POINTER) ? OV_MOST_MOVERS : 0, report_bytes(), ov_panel_bytes(), ov_segments_need(), ov_displays_need(), ov_music_plays() ? OV_MUSIC_NEED : 0u, ov_din_there() ? OV_DIN_NEED : 0u, OV_WITH_RADIO ? ov_table_byte(OV_AT_RADIO) : 0, ov_link_need(), live));
}

uint8_t *ov_arena_take(uint16_t bytes) {
  uint8_t *place = (uint8_t *)ov_arena + taken;
  uint16_t i;
  taken = (uint16_t)(taken + bytes);
  for (i = 0; i < bytes; i++) place[i] = 0;
  return place;
}
