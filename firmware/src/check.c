/* Whether the tables can be trusted: blank, torn or of another version, they leave the device quiet. */
#include "ovrin.h"
#include "parts.h"
#include "tables.h"

static uint16_t crc_of(uint16_t length) {
  uint16_t crc = OV_CRC_START;
  uint16_t at;
  for (at = 0; at < length; at++) crc = ov_crc_add(crc, ov_table_byte(at));
  return crc;
}

uint16_t ov_tables_crc(void) { return ov_table_word((uint16_t)(ov_table_word(OV_AT_LENGTH) - 2u)); }

/* Reports that this runtime was compiled without. */
static uint8_t lacks_reports(void) {
  if (!OV_WITH_POINTER && ov_report_declared(OV_REPORT_POINTER)) return 1;
  if (!OV_WITH_PLACE && ov_report_declared(OV_REPORT_PLACE)) return 1;
  if (!OV_WITH_PANEL && ov_report_declared(OV_REPORT_PANEL)) return 1;
  if (!OV_WITH_MUSIC && ov_report_declared(OV_REPORT_MUSIC)) return 1;
  if (!OV_WITH_PAD && ov_report_declared(OV_REPORT_PAD)) return 1;
  return (uint8_t)(!OV_WITH_LIVE && ov_report_declared(OV_REPORT_LIVE));
}

#define LACKS_TO_LISTEN ((OV_WITH_LINES ? 0 : OV_LISTENS_TO_LINES) | (OV_WITH_HEARD ? 0 : OV_LISTENS_TO_CHANNEL))

/* Whether it was compiled with all that the tables want. */
static uint8_t has_parts(void) {
  uint8_t wanted = lacks_reports();
  if (!OV_WITH_LIGHTS) wanted |= ov_table_byte(OV_AT_LIGHTS);
  if (!OV_WITH_AXES) wanted |= ov_table_byte(OV_AT_SENSORS);
  if (!OV_WITH_SEGMENTS) wanted |= ov_table_byte(OV_AT_SEGMENT_DISPLAYS);
  if (!OV_WITH_DISPLAYS) wanted |= ov_table_byte(OV_AT_DISPLAYS);
  if (!OV_WITH_RADIO) wanted |= ov_table_byte(OV_AT_RADIO);
  if (!OV_WITH_PLUG) wanted |= ov_table_byte(OV_AT_PLUG);
  if (!OV_WITH_LINK) wanted |= ov_table_byte(OV_AT_PARTS);
  if (!OV_WITH_BUS) wanted |= (uint8_t)(ov_table_byte(OV_AT_PARTS) & OV_LINK_ON_BUS);
  if (!OV_WITH_DIN) wanted |= ov_table_byte(OV_AT_DIN);
  if (LACKS_TO_LISTEN) wanted |= (uint8_t)(ov_table_byte(OV_AT_LISTENS) & LACKS_TO_LISTEN);
  return (uint8_t)(wanted == 0);
}

uint8_t ov_tables_state(void) {
  uint16_t length = ov_table_word(OV_AT_LENGTH);
  if (ov_table_byte(OV_AT_MARK) != OV_MARK_0 || ov_table_byte(OV_AT_MARK + 1) != OV_MARK_1) return OV_START_NO_TABLES;
  if (ov_table_byte(OV_AT_VERSION) != OV_TABLE_VERSION) return OV_START_OTHER_VERSION;
  if (length < OV_HEADER_BYTES + 2 || length > OV_MOST_TABLE_BYTES) return OV_START_TORN;
  if (crc_of((uint16_t)(length - 2)) != ov_tables_crc()) return OV_START_TORN;
  return has_parts() ? OV_START_READY : OV_START_NO_PART;
}
