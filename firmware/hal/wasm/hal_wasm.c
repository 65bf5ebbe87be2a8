/* The board of the simulation: the electrical world writes the answers, the runtime reads them. */
#include "ovrin.h"
#include "tables.h"

#define ARENA_WORDS 16384

uint8_t ov_tables[OV_MOST_TABLE_BYTES];
uint16_t ov_arena[ARENA_WORDS];
const uint16_t ov_arena_bytes = 2 * ARENA_WORDS - 1;
static uint16_t answers[(OV_MOST_LINES + 1) * OV_MOST_BANKS]; /* row 0: nothing strobed; row n + 1: strobe line n */
static uint16_t levels[OV_MOST_SENSORS]; /* voltages, as parts of 65536 of the supply */
static uint16_t sensed;
static uint8_t row;

/* What is kept, written by the page at the start; and how many scans a byte still takes, which is as long as the 3.4 ms of
 * the 8-bit class. */
#define SCANS_A_BYTE 4
static uint8_t kept[OV_KEPT_BYTES];
static uint8_t keeping;

__attribute__((import_module("host"), import_name("report"))) uint32_t host_report(uint32_t kind, const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("lamp"))) void host_lamp(uint32_t line, uint32_t on);
__attribute__((import_module("host"), import_name("lights"))) void host_lights(uint32_t chain, const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("segments"))) void host_segments(uint32_t chain, const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("display"))) void host_display(uint32_t display, const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("radio"))) void host_radio(const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("din"))) void host_din(const uint8_t *bytes, uint32_t length);

__attribute__((import_module("host"), import_name("link"))) void host_link(const uint8_t *bytes, uint32_t length);
__attribute__((import_module("host"), import_name("calls"))) uint32_t host_calls(void);
__attribute__((import_module("host"), import_name("asks"))) void host_asks(uint32_t part);
__attribute__((import_module("host"), import_name("call"))) void host_call(void);

uint8_t *ov_tables_place(void);
uint8_t *ov_tables_place(void) { return ov_tables; }
uint16_t *ov_answers_place(void);
uint16_t *ov_answers_place(void) { return answers; }

uint16_t *ov_levels_place(void);
uint16_t *ov_levels_place(void) { return levels; }

uint8_t *ov_kept_place(void);
uint8_t *ov_kept_place(void) { return kept; }

void ov_hal_catch(void) { if (keeping > 0) keeping--; }
void ov_hal_strobe(uint8_t line) { row = (uint8_t)(line + 1); }
void ov_hal_release(uint8_t line) { (void)line; row = 0; }
void ov_hal_settle(uint8_t us) { (void)us; }
uint16_t ov_hal_read(uint8_t bank) { return answers[row * OV_MOST_BANKS + bank]; }
void ov_hal_lamp(uint8_t line, uint8_t on) { host_lamp(line, on); }
/* The scans that are left out meanwhile catch nothing, but their time passes for what is kept too. */
void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length) {
  uint8_t ms = ov_lights_ms(chain);
  keeping = (uint8_t)(keeping > ms ? keeping - ms : 0);
  host_lights(chain, bytes, length);
}
void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length) { host_segments(chain, bytes, length); }
void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length) { host_display(display, bytes, length); }
uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) {
  host_radio(bytes, length);
  return 1;
}
void ov_hal_din(const uint8_t *bytes, uint8_t length) { host_din(bytes, length); }
/* Which part this is, said before it is started. */
static uint8_t part;
void ov_part_is(uint32_t which);
void ov_part_is(uint32_t which) { part = (uint8_t)which; }
uint8_t ov_hal_part(void) { return part; }
void ov_hal_link(const uint8_t *bytes, uint8_t length) { host_link(bytes, length); }
uint8_t ov_hal_calls(void) { return (uint8_t)host_calls(); }
void ov_hal_ask(uint8_t which) { host_asks(which); }
void ov_hal_call(void) { host_call(); }
/* Where the page writes what comes back on an acknowledgement. */
static uint8_t answer[OV_RADIO_FRAME_MOST];
/* An event that the computer plays. */
void ov_hear(uint32_t kind, uint32_t status, uint32_t first, uint32_t second);
void ov_hear(uint32_t kind, uint32_t status, uint32_t first, uint32_t second) {
  const uint8_t event[4] = {(uint8_t)kind, (uint8_t)status, (uint8_t)first, (uint8_t)second};
  ov_music_heard(event);
}

uint8_t *ov_answer_place(void);
uint8_t *ov_answer_place(void) { return answer; }
uint8_t ov_answer_came(uint8_t length);
uint8_t ov_answer_came(uint8_t length) { return ov_radio_answered(answer, length); }
uint16_t ov_hal_sense(uint8_t sensor) {
  uint16_t before = sensed;
  sensed = levels[sensor];
  return before;
}
uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  return (uint8_t)host_report(kind, bytes, length);
}
uint8_t ov_hal_kept(uint16_t at) { return kept[at]; }
uint8_t ov_hal_keeping(void) { return keeping; }
uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  kept[at] = byte;
  keeping = SCANS_A_BYTE;
  return OV_KEEP_TAKEN;
}
