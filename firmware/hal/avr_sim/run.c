/* Runs the 8-bit image in the simulator. Same script and output as the host stand-in (hal/host/hal_host.c);
 * at the end it prints to standard error the most and the mean cycles of a scan, the deepest stack in bytes, and the most cycles in which a pad port was read whole. Usage: run IMAGE < SCRIPT */
#include <ctype.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include <simavr/sim_avr.h>
#include <simavr/sim_core.h>
#include <simavr/sim_io.h>

#include "ports.h"

#include "contract.h"

#define STROBES OV_MOST_LINES
#define BANKS OV_MOST_BANKS
#define COMMAND_SCAN 0
#define COMMAND_AFRESH 1
#define COMMAND_LOCKS 2
#define COMMAND_RESET 3
#define COMMAND_ASK 4
#define COMMAND_EDGE 5
#define COMMAND_PANEL 6
#define COMMAND_SLEEPS 7
#define COMMAND_WAKES 8
#define COMMAND_ANSWER 9
#define COMMAND_POLL 10
#define COMMAND_LINE 11
#define COMMAND_HEARD 12
#define COMMAND_PART 13
#define COMMAND_SET_UP 14
#define COMMAND_LINKED 15
#define COMMAND_CALLS 16
#define SCANS_A_BYTE 4

extern avr_kind_t *avr_kind[];

static uint16_t answers[STROBES + 1][BANKS];
static uint16_t levels[OV_MOST_SENSORS], sensed, sensed_before;
static unsigned row, bank, interface, length, command, locks;
static unsigned char bytes[64], frame[64], kept[OV_KEPT_BYTES];
static unsigned frame_at, kept_at, keeping;
static unsigned char held[OV_REPORT_KINDS][OV_LONGEST_REPORT]; /* what waits on each endpoint while the host is busy */
static unsigned held_length[OV_REPORT_KINDS];
static unsigned over[OV_REPORT_KINDS], held_kind[OV_REPORT_KINDS]; /* the endpoint each comes over, by the lowest that shares it */
static unsigned long taken_ms[OV_REPORT_KINDS];
static const char *const report_names[OV_REPORT_KINDS] = OV_REPORT_NAMES;
static int is_gone; /* a module that is pulled off */
static unsigned long now_ms, late_until, scanned_ms;
static int busy, asleep, lamp_line = -1, is_polled;
static int ready;
static avr_cycle_count_t scan_began, scan_most, scan_sum, poll_most;
static unsigned long scans;
static unsigned lowest_sp = 0xffff;

static void on_strobe(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; row = v; }
static void on_bank(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; bank = v; }
static void on_interface(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; interface = v; length = 0; }
static void on_byte(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; if (length < sizeof bytes) bytes[length++] = v; }
static void on_lamp(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  if (lamp_line < 0) {
    lamp_line = v;
    return;
  }
  printf("%lu lamp %d %u\n", now_ms, lamp_line, v);
  lamp_line = -1;
}
static void on_lights(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; printf("%lu lights %u ", now_ms, v); }
static void on_segments(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; printf("%lu segments %u ", now_ms, v); }
static void on_display(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; printf("%lu display %u ", now_ms, v); }
static void on_radio(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)v; (void)p; printf("%lu radio ", now_ms); }
static void on_link(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)v; (void)p; printf("%lu link ", now_ms); }
static void on_asks(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  if (v) printf("%lu asks %u\n", now_ms, v);
  else printf("%lu calls\n", now_ms);
}
static void on_din(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)v; (void)p; printf("%lu din ", now_ms); }
static void on_plug(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  if (!is_polled) printf("%lu plug ", now_ms);
  is_polled = v < 2;
  putchar(v < 2 ? '0' + v : '\n');
}
static void on_segments_end(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; (void)v; putchar('\n'); }
static void on_light_byte(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; printf("%02x", v); }
static void on_lights_ms(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  keeping = keeping > v ? keeping - v : 0;
  putchar('\n');
}
static uint8_t elapsed_ms(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)(now_ms + 1 - scanned_ms); }
static int has_room(unsigned at) { return busy ? held_length[at] == 0 : taken_ms[at] != now_ms + 1; }
static uint8_t is_taken(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)(!asleep && has_room(over[interface])); }
static uint8_t word_low(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)answers[row][bank]; }
static uint8_t word_high(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)(answers[row][bank] >> 8); }
static void on_sensor(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  sensed_before = sensed;
  sensed = levels[v % OV_MOST_SENSORS];
}
static uint8_t level_low(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)sensed_before; }
static uint8_t level_high(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)(sensed_before >> 8); }
static uint8_t lock_lights(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return (uint8_t)locks; }

static uint8_t next_of_frame(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return frame_at < sizeof frame ? frame[frame_at++] : 0; }
static void on_kept_low(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; kept_at = v; }
static void on_kept_high(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)p; kept_at |= (unsigned)v << 8; }
static uint8_t kept_byte(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return kept[kept_at % OV_KEPT_BYTES]; }
static uint8_t still_keeping(struct avr_t *avr, avr_io_addr_t addr, void *p) { (void)avr; (void)addr; (void)p; return keeping > 0; }
static void on_keep(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)p;
  kept[kept_at % OV_KEPT_BYTES] = v;
  keeping = SCANS_A_BYTE;
}

static void on_catch(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) { (void)avr; (void)addr; (void)v; (void)p; if (keeping > 0) keeping--; }

static void deliver(unsigned kind, const unsigned char *from, unsigned count) {
  unsigned i;
  printf("%lu %s ", now_ms, report_names[kind]);
  for (i = 0; i < count; i++) printf("%02x", from[i]);
  putchar('\n');
}

/* An endpoint holds one report until the host asks; frames of live changes are asked for apart. */
static void on_sent(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)avr; (void)addr; (void)v; (void)p;
  if (!busy || interface == OV_REPORT_LIVE) {
    deliver(interface, bytes, length);
    taken_ms[over[interface]] = now_ms + 1;
    return;
  }
  memcpy(held[over[interface]], bytes, length);
  held_length[over[interface]] = length;
  held_kind[over[interface]] = interface;
}

static void set_busy(int value) {
  unsigned kind;
  busy = value;
  if (busy) return;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) {
    unsigned at = over[kind];
    if (held_length[at] == 0 || held_kind[at] != kind) continue;
    deliver(kind, held[at], held_length[at]);
    held_length[at] = 0;
  }
}

static void share_nothing(void) {
  unsigned kind;
  for (kind = 0; kind < OV_REPORT_KINDS; kind++) over[kind] = kind;
  memset(taken_ms, 0, sizeof taken_ms);
}

static int share(const char *numbers) {
  int used = 0;
  unsigned kind, lowest = OV_REPORT_KINDS;
  for (; sscanf(numbers, "%u%n", &kind, &used) == 1; numbers += used) {
    if (kind >= OV_REPORT_KINDS) return 0;
    if (lowest == OV_REPORT_KINDS) lowest = kind;
    over[kind] = lowest;
  }
  return 1;
}

static void on_ready(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  avr_cycle_count_t took = avr->cycle - scan_began;
  (void)addr; (void)v; (void)p;
  ready = 1;
  if (command == COMMAND_POLL && took > poll_most) poll_most = took;
  if (command != COMMAND_SCAN || scan_began == 0) return;
  scans++;
  scan_sum += took;
  if (took > scan_most) scan_most = took;
}

static uint8_t next_command(struct avr_t *avr, avr_io_addr_t addr, void *p) {
  (void)addr; (void)p;
  scan_began = avr->cycle;
  return (uint8_t)command;
}

/* Any 8-bit core of the class with 32 KiB flash, 2 KiB RAM ending at 0x8FF. */
static avr_t *make_core(void) {
  int i;
  for (i = 0; avr_kind[i]; i++) {
    avr_t *avr = avr_kind[i]->make();
    if (avr->flashend == 0x7fff && avr->ramend == 0x8ff && avr->vector_size == 4) {
      avr_init(avr);
      return avr;
    }
    free(avr);
  }
  return NULL;
}

static void do_command(avr_t *avr, unsigned what) {
  command = what;
  ready = 0;
  while (!ready) {
    int state = avr_run(avr);
    unsigned sp = avr->data[R_SPL] | (unsigned)(avr->data[R_SPH] << 8);
    if (sp > 0x100 && sp < lowest_sp) lowest_sp = sp;
    if (state == cpu_Done || state == cpu_Crashed) {
      fprintf(stderr, "the simulated core stopped\n");
      exit(3);
    }
  }
}

static void run_until(avr_t *avr, unsigned long ms) {
  for (; now_ms < ms; now_ms++) {
    if (is_gone || now_ms < late_until) continue;
    do_command(avr, COMMAND_SCAN);
    scanned_ms = now_ms + 1;
  }
}

static void read_frame(const char *hex) {
  unsigned byte;
  int used = 0;
  memset(frame, 0, sizeof frame);
  for (frame_at = 0; frame_at < sizeof frame && sscanf(hex, " %2x%n", &byte, &used) == 1; frame_at++, hex += used)
    frame[frame_at] = (unsigned char)byte;
  frame_at = 0;
}

/* Its length, then its bytes. */
static void read_answer(const char *hex) {
  read_frame(hex);
  memmove(frame + 1, frame, sizeof frame - 1);
  for (frame[0] = 0; isxdigit((unsigned char)hex[1 + 2 * frame[0]]); frame[0]++) {}
}

static void power_on(avr_t *avr) {
  scanned_ms = now_ms;
  busy = asleep = 0;
  memset(held_length, 0, sizeof held_length);
  keeping = 0;
  do_command(avr, COMMAND_AFRESH);
}

static int is_in_parts;

static void tell_byte(avr_t *avr, unsigned what, unsigned byte) {
  frame[0] = (unsigned char)byte;
  frame_at = 0;
  do_command(avr, what);
}

static int obey(avr_t *avr, const char *line) {
  unsigned long ms;
  char verb[8], strobe[8];
  unsigned b, word;
  int used = 0;
  if (sscanf(line, "%lu %7s%n", &ms, verb, &used) != 2) return 0;
  run_until(avr, ms);
  if (strcmp(verb, "sense") == 0) {
    if (sscanf(line + used, "%7s %u %x", strobe, &b, &word) != 3) return 0;
    answers[strobe[0] == '-' ? 0 : atoi(strobe) + 1][b] = (uint16_t)word;
  } else if (strcmp(verb, "level") == 0) {
    if (sscanf(line + used, "%u %x", &b, &word) != 2 || b >= OV_MOST_SENSORS) return 0;
    levels[b] = (uint16_t)word;
  } else if (strcmp(verb, "locks") == 0) {
    locks = (unsigned)atoi(line + used);
    do_command(avr, COMMAND_LOCKS);
  } else if (strcmp(verb, "ask") == 0) {
    read_frame(line + used);
    do_command(avr, COMMAND_ASK);
  } else if (strcmp(verb, "told") == 0) {
    read_frame(line + used);
    do_command(avr, COMMAND_PANEL);
  } else if (strcmp(verb, "part") == 0) {
    is_in_parts = 1;
    tell_byte(avr, COMMAND_PART, (unsigned)atoi(line + used));
  } else if (strcmp(verb, "setup") == 0) {
    tell_byte(avr, COMMAND_SET_UP, (unsigned)atoi(line + used));
  } else if (strcmp(verb, "calls") == 0) {
    tell_byte(avr, COMMAND_CALLS, (unsigned)atoi(line + used));
  } else if (strcmp(verb, "gone") == 0) {
    is_gone = 1;
  } else if (strcmp(verb, "back") == 0) {
    is_gone = 0;
    power_on(avr);
  } else if (strcmp(verb, "linked") == 0) {
    read_answer(line + used);
    do_command(avr, COMMAND_LINKED);
  } else if (strcmp(verb, "line") == 0) {
    read_answer(line + used);
    do_command(avr, COMMAND_LINE);
  } else if (strcmp(verb, "heard") == 0) {
    read_answer(line + used);
    do_command(avr, COMMAND_HEARD);
  } else if (strcmp(verb, "poll") == 0) {
    do_command(avr, COMMAND_POLL);
  } else if (strcmp(verb, "answer") == 0) {
    read_answer(line + used);
    do_command(avr, COMMAND_ANSWER);
  } else if (strcmp(verb, "edge") == 0) {
    if (sscanf(line + used, "%u %u", &b, &word) != 2) return 0;
    frame[0] = (unsigned char)b, frame[1] = (unsigned char)word;
    frame_at = 0;
    do_command(avr, COMMAND_EDGE);
  } else if (strcmp(verb, "sleeps") == 0) {
    asleep = atoi(line + used);
    do_command(avr, asleep ? COMMAND_SLEEPS : COMMAND_WAKES);
  } else if (strcmp(verb, "reset") == 0) {
    if (asleep) do_command(avr, COMMAND_WAKES);
    asleep = 0;
    memset(held_length, 0, sizeof held_length);
    do_command(avr, COMMAND_RESET);
  } else if (strcmp(verb, "late") == 0) {
    late_until = ms + (unsigned long)atoi(line + used);
  } else if (strcmp(verb, "shares") == 0) {
    if (!share(line + used)) return 0;
  } else if (strcmp(verb, "busy") == 0) {
    set_busy(atoi(line + used));
  } else if (strcmp(verb, "off") == 0) {
    power_on(avr);
  } else {
    puts("end");
    memset(answers, 0xFF, sizeof answers);
    memset(levels, 0, sizeof levels);
    memset(kept, 0xFF, sizeof kept);
    late_until = now_ms = 0;
    is_gone = 0;
    share_nothing();
    if (is_in_parts) {
      tell_byte(avr, COMMAND_CALLS, 0);
      tell_byte(avr, COMMAND_SET_UP, 0);
      tell_byte(avr, COMMAND_PART, 0);
    }
    power_on(avr);
  }
  return 1;
}

static int load_image(avr_t *avr, const char *path) {
  static unsigned char image[0x8000];
  FILE *file = fopen(path, "rb");
  size_t size;
  if (!file) return 0;
  size = fread(image, 1, sizeof image, file);
  fclose(file);
  avr_loadcode(avr, image, (uint32_t)size, 0);
  avr->codeend = avr->flashend;
  return size > 0;
}

int main(int argc, char **argv) {
  char line[192];
  avr_t *avr = make_core();
  if (!avr || argc < 2 || !load_image(avr, argv[1])) {
    fprintf(stderr, "no simulated core, or no image\n");
    return 2;
  }
  share_nothing();
  avr->frequency = 16000000;
  avr->log = 1;
  avr_register_io_write(avr, OV_PORT_STROBE, on_strobe, NULL);
  avr_register_io_write(avr, OV_PORT_BANK, on_bank, NULL);
  avr_register_io_read(avr, OV_PORT_WORD_LOW, word_low, NULL);
  avr_register_io_read(avr, OV_PORT_WORD_HIGH, word_high, NULL);
  avr_register_io_write(avr, OV_PORT_INTERFACE, on_interface, NULL);
  avr_register_io_write(avr, OV_PORT_BYTE, on_byte, NULL);
  avr_register_io_write(avr, OV_PORT_SENT, on_sent, NULL);
  avr_register_io_write(avr, OV_PORT_LAMP, on_lamp, NULL);
  avr_register_io_write(avr, OV_PORT_LIGHTS, on_lights, NULL);
  avr_register_io_write(avr, OV_PORT_LIGHT_BYTE, on_light_byte, NULL);
  avr_register_io_write(avr, OV_PORT_SEGMENTS, on_segments, NULL);
  avr_register_io_write(avr, OV_PORT_DISPLAY, on_display, NULL);
  avr_register_io_write(avr, OV_PORT_PLUG, on_plug, NULL);
  avr_register_io_write(avr, OV_PORT_DIN, on_din, NULL);
  avr_register_io_write(avr, OV_PORT_LINK, on_link, NULL);
  avr_register_io_write(avr, OV_PORT_ASKS, on_asks, NULL);
  avr_register_io_write(avr, OV_PORT_RADIO, on_radio, NULL);
  avr_register_io_write(avr, OV_PORT_SEGMENTS_END, on_segments_end, NULL);
  avr_register_io_write(avr, OV_PORT_LIGHTS_MS, on_lights_ms, NULL);
  avr_register_io_write(avr, OV_PORT_READY, on_ready, NULL);
  avr_register_io_read(avr, OV_PORT_COMMAND, next_command, NULL);
  avr_register_io_read(avr, OV_PORT_LOCKS, lock_lights, NULL);
  avr_register_io_read(avr, OV_PORT_ELAPSED, elapsed_ms, NULL);
  avr_register_io_read(avr, OV_PORT_TAKEN, is_taken, NULL);
  avr_register_io_read(avr, OV_PORT_FRAME, next_of_frame, NULL);
  avr_register_io_write(avr, OV_PORT_SENSOR, on_sensor, NULL);
  avr_register_io_read(avr, OV_PORT_LEVEL_LOW, level_low, NULL);
  avr_register_io_read(avr, OV_PORT_LEVEL_HIGH, level_high, NULL);
  avr_register_io_write(avr, OV_PORT_KEPT_LOW, on_kept_low, NULL);
  avr_register_io_write(avr, OV_PORT_KEPT_HIGH, on_kept_high, NULL);
  avr_register_io_read(avr, OV_PORT_KEPT, kept_byte, NULL);
  avr_register_io_write(avr, OV_PORT_KEPT, on_keep, NULL);
  avr_register_io_read(avr, OV_PORT_KEEPS, still_keeping, NULL);
  avr_register_io_write(avr, OV_PORT_KEEPS, on_catch, NULL);
  memset(kept, 0xFF, sizeof kept);
  memset(answers, 0xFF, sizeof answers);
  do_command(avr, COMMAND_SCAN);
  do_command(avr, COMMAND_AFRESH);
  scans = 0;
  scan_most = scan_sum = 0;
  lowest_sp = 0xffff;
  while (fgets(line, sizeof line, stdin)) {
    if (line[0] != '\n' && line[0] != '#' && !obey(avr, line)) return 1;
  }
  fprintf(stderr, "scans %lu most %llu mean %llu stack %u poll %llu\n", scans, (unsigned long long)scan_most,
          (unsigned long long)(scans ? scan_sum / scans : 0), avr->ramend - lowest_sp, (unsigned long long)poll_most);
  return 0;
}
