/* Host stand-in: runs the device on this computer. It reads a script from standard input and prints what the
 * device reports. Script lines:
 *   MS sense STROBE BANK WORD   from this millisecond on, this bank reads WORD (hex, bit 0 = low = closed)
 *                               while STROBE (a number, or - for none) is driven
 *   MS level SENSOR LEVEL       from this millisecond on, the voltage of a sensor, as parts of 65536 of the supply (hex)
 *   MS edge ENCODER STATE       an edge of an encoder whose pins interrupt (bit 1: A closed, bit 0: B closed)
 *   MS sleeps 1|0               from this millisecond on the host sleeps and takes no report, or is awake
 *   MS shares NUMBERS           these reports (OV_REPORT_) come over one endpoint, which takes one of them a millisecond
 *   MS busy 1|0                 from this millisecond on, the host asks for no report, or asks again: an endpoint holds one
 *   MS locks VALUE              the host sets its lock lights (bit 0 num, 1 caps, 2 scroll)
 *   MS told BYTES               the computer tells the panel something (hex; the rest of it is 0)
 *   MS line BYTES               these came over the serial port (hex)
 *   MS heard BYTES              the computer plays an event: its packet of four bytes (hex)
 *   MS answer BYTES             this came back on the acknowledgement of a radio's packet (hex)
 *   MS poll                     what hangs on the pad port latches and reads all of its bits, and two behind them
 *   MS part NUMBER              this is that part of the device: it starts afresh
 *   MS setup 1|0                a computer has set it up, or no longer
 *   MS linked BYTES             these came over the line from another part (hex)
 *   MS calls BITS               from this millisecond on, the lines of these modules on a bus are pulled (bit 1: the first)
 *   MS gone                     this module is pulled off and has no power
 *   MS back                     it is put on again
 *   MS reset                    the bus is reset: the host knows nothing any more
 *   MS late COUNT               the scan of this millisecond comes COUNT milliseconds late
 *   MS ask BYTES                the host sends a frame of live changes (hex; the rest of it is 0)
 *   MS off                      the power goes and comes back: only what is kept stays
 *   MS end                      run up to this millisecond, then start afresh (device, clock and what is kept)
 * Output lines: MS keyboard BYTES, MS consumer BYTES, MS lamp LINE 0|1, MS lights CHAIN BYTES, MS segments CHAIN BYTES, MS display DISPLAY BYTES,
 * MS link BYTES, MS asks MODULE, MS calls, MS din BYTES, MS radio BYTES, MS plug LEVELS, MS live BYTES (a frame, answered), and "end". */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "ovrin.h"
#include "tables.h"

static uint16_t answers[OV_MOST_LINES + 1][OV_MOST_BANKS];
static uint16_t levels[OV_MOST_SENSORS], sensed;
static unsigned row;
static unsigned long now_ms;
static unsigned long late_until; /* no scan before this millisecond */
static unsigned long scanned_ms; /* up to when the device has been told of the time */
static int busy, asleep;

/* What is kept, and how many scans a byte still takes: together the 3.4 ms of the 8-bit class. */
#define SCANS_A_BYTE 4
static uint8_t kept[OV_KEPT_BYTES];
static uint8_t keeping;
static int asked;

void ov_hal_catch(void) { if (keeping > 0) keeping--; }
void ov_hal_strobe(uint8_t line) { row = line + 1u; }
void ov_hal_release(uint8_t line) { (void)line; row = 0; }
void ov_hal_settle(uint8_t us) { (void)us; }
uint16_t ov_hal_read(uint8_t bank) { return answers[row][bank]; }
void ov_hal_lamp(uint8_t line, uint8_t on) { printf("%lu lamp %u %u\n", now_ms, line, on); }

/* The scans that are left out meanwhile catch nothing, but their time passes for what is kept too. */
void ov_hal_lights(uint8_t chain, const uint8_t *bytes, uint16_t length) {
  uint8_t ms = ov_lights_ms(chain);
  keeping = (uint8_t)(keeping > ms ? keeping - ms : 0);
  printf("%lu lights %u ", now_ms, chain);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
}

void ov_hal_segments(uint8_t chain, const uint8_t *bytes, uint8_t length) {
  printf("%lu segments %u ", now_ms, chain);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
}

void ov_hal_display(uint8_t display, const uint8_t *bytes, uint8_t length) {
  printf("%lu display %u ", now_ms, display);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
}

uint8_t ov_hal_radio(const uint8_t *bytes, uint8_t length) {
  printf("%lu radio ", now_ms);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
  return 1;
}

static uint8_t part, set_up, calls, is_gone;
uint8_t ov_hal_part(void) { return part; }
uint8_t ov_hal_calls(void) { return calls; }
void ov_hal_ask(uint8_t which) { printf("%lu asks %u\n", now_ms, which); }
void ov_hal_call(void) { printf("%lu calls\n", now_ms); }

void ov_hal_link(const uint8_t *bytes, uint8_t length) {
  printf("%lu link ", now_ms);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
}

void ov_hal_din(const uint8_t *bytes, uint8_t length) {
  printf("%lu din ", now_ms);
  while (length-- > 0) printf("%02x", *bytes++);
  putchar('\n');
}

uint16_t ov_hal_sense(uint8_t sensor) {
  uint16_t before = sensed;
  sensed = levels[sensor];
  return before;
}

uint8_t ov_hal_kept(uint16_t at) { return kept[at]; }
uint8_t ov_hal_keeping(void) { return keeping; }
uint8_t ov_hal_keep(uint16_t at, uint8_t byte) {
  kept[at] = byte;
  keeping = SCANS_A_BYTE;
  return OV_KEEP_TAKEN;
}

static const char *const report_names[OV_REPORT_KINDS] = OV_REPORT_NAMES;

/* What waits on each endpoint while the host does not ask. */
static uint8_t held[OV_REPORT_KINDS][OV_LONGEST_REPORT];
static uint8_t held_length[OV_REPORT_KINDS];
/* Which endpoint each report comes over, by the lowest of those that share it; what each holds; and when each was last emptied at once. */
static uint8_t over[OV_REPORT_KINDS], held_kind[OV_REPORT_KINDS];
static unsigned long taken_ms[OV_REPORT_KINDS];

static void share_nothing(void) {
  uint8_t kind;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) over[kind] = kind;
  memset(taken_ms, 0, sizeof taken_ms);
}

static int share(const char *numbers) {
  int used = 0;
  unsigned kind, lowest = OV_REPORT_KINDS;
  for (; sscanf(numbers, "%u%n", &kind, &used) == 1; numbers += used) {
    if (kind >= OV_REPORT_KINDS) return 0;
    if (lowest == OV_REPORT_KINDS) lowest = kind;
    over[kind] = (uint8_t)lowest;
  }
  return 1;
}

static void deliver(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  uint8_t i;
  printf("%lu %s ", now_ms, report_names[kind]);
  for (i = 0; i < length; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

/* While the host sleeps nothing is taken; a pointer's movement is forgotten, so that it wakes nobody. */
uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  if (ov_table_byte(OV_AT_PARTS) && !set_up) return 0;
  if (asleep) return ov_report_is_movement(kind, bytes);
  if (busy ? held_length[over[kind]] > 0 : taken_ms[over[kind]] == now_ms + 1) return 0;
  if (busy) {
    memcpy(held[over[kind]], bytes, length);
    held_length[over[kind]] = length;
    held_kind[over[kind]] = kind;
  } else {
    taken_ms[over[kind]] = now_ms + 1;
    deliver(kind, bytes, length);
  }
  return 1;
}

static void set_busy(int value) {
  uint8_t kind, at;
  busy = value;
  if (busy) return;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    at = over[kind];
    if (held_length[at] == 0 || held_kind[at] != kind) continue;
    deliver(kind, held[at], held_length[at]);
    held_length[at] = 0;
  }
}

static uint8_t started;

/* The power comes on. */
static void start(void) {
  row = 0;
  scanned_ms = now_ms;
  busy = asleep = 0;
  memset(held_length, 0, sizeof held_length);
  keeping = 0;
  asked = 0;
  started = ov_init();
}

static void start_afresh(void) {
  memset(answers, 0xFF, sizeof answers);
  memset(levels, 0, sizeof levels);
  memset(kept, 0xFF, sizeof kept);
  now_ms = 0;
  share_nothing();
  late_until = 0;
  part = set_up = calls = is_gone = 0;
  ov_host_configured(0);
  start();
}

static void tell_answer(void) {
  const uint8_t *frame = ov_live_frame();
  unsigned i;
  if (!asked || frame[OV_FRAME_AT_STATUS] == OV_STATUS_WORKING) return;
  asked = 0;
  printf("%lu live ", now_ms);
  for (i = 0; i < OV_FRAME_BYTES; i++) printf("%02x", frame[i]);
  putchar('\n');
}

static void run_until(unsigned long ms) {
  for (; now_ms < ms; now_ms++) {
    if (is_gone || now_ms < late_until) continue;
    ov_scan((uint8_t)(now_ms + 1 - scanned_ms));
    scanned_ms = now_ms + 1;
    tell_answer();
  }
}

static int ask(const char *hex) {
  uint8_t *place = ov_live_place();
  unsigned i, byte;
  int used = 0;
  if (!place) return 0;
  memset(place, 0, OV_FRAME_BYTES);
  for (i = 0; i < OV_FRAME_BYTES && sscanf(hex, " %2x%n", &byte, &used) == 1; i++, hex += used) place[i] = (uint8_t)byte;
  ov_live_asked();
  asked = 1;
  return 1;
}

static int tell_panel(const char *hex) {
  uint8_t *place = ov_panel_place();
  unsigned i, byte;
  int used = 0;
  if (!place) return 0;
  memset(place, 0, OV_PANEL_BYTES);
  for (i = 0; i < OV_PANEL_BYTES && sscanf(hex, " %2x%n", &byte, &used) == 1; i++, hex += used) place[i] = (uint8_t)byte;
  return 1;
}

static int tell_answered(const char *hex) {
  uint8_t bytes[OV_RADIO_FRAME_MOST];
  unsigned byte;
  int used = 0;
  uint8_t length = 0;
  for (; length < sizeof bytes && sscanf(hex, " %2x%n", &byte, &used) == 1; hex += used) bytes[length++] = (uint8_t)byte;
  ov_radio_answered(bytes, length);
  return 1;
}

static int read_line(const char *hex) {
  unsigned byte;
  int used = 0;
  for (; sscanf(hex, " %2x%n", &byte, &used) == 1; hex += used) ov_line_byte((uint8_t)byte);
  return 1;
}

static int take_frame(const char *hex) {
  unsigned byte;
  int used = 0;
  for (; sscanf(hex, " %2x%n", &byte, &used) == 1; hex += used) ov_link_byte((uint8_t)byte);
  return 1;
}

static int hear(const char *hex) {
  uint8_t event[OV_MUSIC_PACKET_BYTES];
  unsigned byte, i;
  int used = 0;
  for (i = 0; i < sizeof event; i++, hex += used) {
    if (sscanf(hex, " %2x%n", &byte, &used) != 1) return 0;
    event[i] = (uint8_t)byte;
  }
  ov_music_heard(event);
  return 1;
}

static int poll_plug(void) {
  uint8_t bits = (uint8_t)(ov_table_byte(OV_AT_PLUG) + 2u), n;
  printf("%lu plug %u", now_ms, ov_plug_latched());
  for (n = 1; n < bits; n++) printf("%u", ov_plug_clocked());
  putchar('\n');
  return 1;
}

static int set_answer(const char *rest) {
  char strobe[8];
  unsigned bank, word, line;
  if (sscanf(rest, "%7s %u %x", strobe, &bank, &word) != 3) return 0;
  line = strobe[0] == '-' ? 0u : (unsigned)atoi(strobe) + 1u;
  if (line > OV_MOST_LINES || bank >= OV_MOST_BANKS) return 0;
  answers[line][bank] = (uint16_t)word;
  return 1;
}

static int obey(const char *line) {
  unsigned long ms;
  char verb[8];
  int used = 0;
  if (sscanf(line, "%lu %7s%n", &ms, verb, &used) != 2 || ms < now_ms) return 0;
  run_until(ms);
  if (strcmp(verb, "sense") == 0) return set_answer(line + used);
  if (strcmp(verb, "level") == 0) {
    unsigned sensor, level;
    if (sscanf(line + used, "%u %x", &sensor, &level) != 2 || sensor >= OV_MOST_SENSORS) return 0;
    levels[sensor] = (uint16_t)level;
    return 1;
  }
  if (strcmp(verb, "edge") == 0) {
    unsigned encoder, state;
    if (sscanf(line + used, "%u %u", &encoder, &state) != 2) return 0;
    ov_encoder_edge((uint8_t)encoder, (uint8_t)state);
    return 1;
  }
  if (strcmp(verb, "shares") == 0) return share(line + used);
  if (strcmp(verb, "busy") == 0) {
    set_busy(atoi(line + used));
    return 1;
  }
  if (strcmp(verb, "sleeps") == 0) {
    asleep = atoi(line + used);
    ov_host_sleeps((uint8_t)asleep);
    return 1;
  }
  if (strcmp(verb, "locks") == 0) {
    ov_host_locks((uint8_t)atoi(line + used));
    return 1;
  }
  if (strcmp(verb, "reset") == 0) {
    if (asleep) ov_host_sleeps(0);
    asleep = 0;
    memset(held_length, 0, sizeof held_length);
    ov_host_reset();
    return 1;
  }
  if (strcmp(verb, "part") == 0) {
    part = (uint8_t)atoi(line + used);
    start();
    return 1;
  }
  if (strcmp(verb, "setup") == 0) {
    set_up = (uint8_t)atoi(line + used);
    ov_host_configured(set_up);
    return 1;
  }
  if (strcmp(verb, "gone") == 0) {
    is_gone = 1;
    return 1;
  }
  if (strcmp(verb, "back") == 0) {
    is_gone = 0;
    start();
    return 1;
  }
  if (strcmp(verb, "calls") == 0) {
    calls = (uint8_t)atoi(line + used);
    return 1;
  }
  if (strcmp(verb, "linked") == 0) return take_frame(line + used);
  if (strcmp(verb, "off") == 0) {
    start();
    return 1;
  }
  if (strcmp(verb, "poll") == 0) return poll_plug();
  if (strcmp(verb, "line") == 0) return read_line(line + used);
  if (strcmp(verb, "heard") == 0) return hear(line + used);
  if (strcmp(verb, "answer") == 0) return tell_answered(line + used);
  if (strcmp(verb, "ask") == 0) return ask(line + used);
  if (strcmp(verb, "told") == 0) return tell_panel(line + used);
  if (strcmp(verb, "late") == 0) {
    late_until = ms + (unsigned long)atoi(line + used);
    return 1;
  }
  if (strcmp(verb, "end") != 0) return 0;
  puts("end");
  start_afresh();
  return 1;
}

static const char *const start_words[] = {"ready", "there are no tables", "the tables are of another version",
                                          "the tables are torn", "the arena is too small",
                                          "the tables want what the firmware was compiled without"};

int main(void) {
  char line[320];
  unsigned long number = 0;
  start_afresh();
  if (started != OV_START_READY) {
    fprintf(stderr, "the device stays quiet: %s\n", start_words[started]);
    return 2;
  }
  while (fgets(line, sizeof line, stdin)) {
    number++;
    if (line[0] == '\n' || line[0] == '#') continue;
    if (!obey(line)) {
      fprintf(stderr, "line %lu of the script: cannot follow \"%s\"\n", number, line);
      return 1;
    }
  }
  return 0;
}
