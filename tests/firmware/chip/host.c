/* A small USB host and the finished image on the simulated chip. It attaches, enumerates, then plays a script of contacts
 * and asks for reports once a millisecond. Usage: host MCU FLASH WIRING < SCRIPT, or host MCU FLASH WIRING ask < REQUESTS.
 * Script lines:  MS contact NUMBER 1|0    MS locks VALUE    MS busy 1|0    MS end
 * With "talk" in place of "ask" it is a conversation, see converse.
 * Requests:      eight bytes of a setup packet in hexadecimal, then bytes to send; "reset"; "listen MS". The answer is
 *                printed. */
#define _POSIX_C_SOURCE 200809L
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include <simavr/avr_usb.h>
#include <sys/wait.h>
#include <unistd.h>

#include <simavr/avr_eeprom.h>
#include <simavr/avr_uart.h>
#include <simavr/sim_avr.h>
#include <simavr/sim_io.h>

#include "contract.h"
#include "endpoints.h"
#include "joined.h"
#include "modules.h"
#include "lights.h"
#include "displays.h"
#include "segments.h"
#include "parts.h"
#include "wiring.h"

#define SCAN_MARK 0x3E       /* GPIOR0: a scan begins */
#define BUS_EVENTS 0xE1      /* the chip's register of bus events, and flags of it that the harness raises */
#define SUSPENDED 0x01
#define WOKEN_UP 0x10
#define CONTROL 0xE0         /* where the device calls a host that sleeps */
#define WAKES_HOST 0x02
#define ENDPOINTS 5
#define CYCLES_A_MS 16000
#define PATIENCE 400000      /* cycles until an answer is given up */

static avr_t *avr;
static int attached, scans_marked, passed, scanning;
static long age_ms; /* what the device was told of since it started */
static long light_most; /* cycles that lights took at the most */
#define AGE_MS 200 /* of the device when a sequence begins: lights move by themselves */
static long now_ms;
static int is_settled; /* a sequence has begun: scans before it are not counted */
static unsigned long late, scans, sequence;
static avr_cycle_count_t scan_began, scan_most, scan_sum; /* of the scans since the bus was ready */
/* Within which a setup packet is read, while no scan runs. */
#define SETUP_CYCLES 1500
static const char *const names[OV_REPORT_KINDS] = OV_REPORT_NAMES;
static int is_busy; /* the host asks for no report */
static int is_plugged = 1;
/* Which report comes on which endpoint, by the number in front of it; 0 where it comes alone, without one. */
#define NUMBERS 8
static int kind_at[ENDPOINTS][NUMBERS], live_interface = -1, panel_interface = -1, line_pipe, music_pipe;
static unsigned lowest_sp = 0xffff;

static void end_scan(void) {
  avr_cycle_count_t took = avr->cycle - scan_began;
  long lights = lights_sent();
  if (lights > light_most) light_most = lights;
  if (!is_settled || lights > 0) return;
  scan_sum += took;
  if (took > scan_most) scan_most = took;
}

static void on_scan(struct avr_t *a, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)p;
  a->data[addr] = v;
  scanning = v != 0;
  if (!scanning) {
    end_scan();
    return;
  }
  scan_began = a->cycle;
  passed = v;
  age_ms += v;
  scans_marked++;
}
/* Flags are cleared by writing 0; the simulator takes the register for plain memory. */
static void on_bus_events(struct avr_t *a, avr_io_addr_t addr, uint8_t v, void *p) { (void)p; a->data[addr] &= v; }
static void on_attach(struct avr_irq_t *irq, uint32_t value, void *p) { (void)irq; (void)p; attached = (int)value; }

static void watch_eeprom(void);

static void step(void) {
  int state = avr_run(avr);
  unsigned sp = avr->data[R_SPL] | (unsigned)(avr->data[R_SPH] << 8);
  if (sp > 0x100 && sp < lowest_sp) lowest_sp = sp;
  if (state == cpu_Done || state == cpu_Crashed) {
    fprintf(stderr, "the simulated chip stopped\n");
    exit(3);
  }
  watch_eeprom();
  joined_step();
}

static void run_cycles(avr_cycle_count_t cycles) {
  avr_cycle_count_t end = avr->cycle + cycles;
  while (avr->cycle < end) step();
}

static int usb(uint32_t what, int pipe, uint8_t *bytes, uint32_t *length) {
  struct avr_io_usb packet = {(uint8_t)pipe, *length, bytes};
  int answer = avr_ioctl(avr, what, &packet);
  *length = packet.sz;
  return answer;
}

/* Tries until the chip has something to say, or nothing more is to be hoped for. */
static int patiently(uint32_t what, uint8_t *bytes, uint32_t *length) {
  avr_cycle_count_t end = avr->cycle + PATIENCE;
  uint32_t wanted = *length;
  for (;;) {
    int answer;
    *length = wanted;
    answer = usb(what, 0, bytes, length);
    if (answer != AVR_IOCTL_USB_NAK || avr->cycle > end) return answer;
    run_cycles(100);
  }
}

/* One control transfer. @returns bytes received, or -1 for a stall, -2 for no answer */
static int control(const uint8_t *setup, uint8_t *data) {
  static uint8_t packet[64];
  uint32_t length = 8, got = 0, asked = setup[6] | (uint32_t)(setup[7] << 8);
  uint8_t copy[8];
  int answer;
  memcpy(copy, setup, 8);
  while (scanning) step();
  usb(AVR_IOCTL_USB_SETUP, 0, copy, &length);
  /* A chip takes nothing more before it has read the setup packet; the simulated one does, and would then forget it. */
  run_cycles(SETUP_CYCLES);
  if (!(setup[0] & 0x80)) {
    if (asked > 0) {
      length = asked;
      answer = patiently(AVR_IOCTL_USB_WRITE, data, &length);
      if (answer == AVR_IOCTL_USB_STALL) return -1;
      run_cycles(200);
    }
    length = sizeof packet;
    answer = patiently(AVR_IOCTL_USB_READ, packet, &length);
    run_cycles(100);
    return answer == AVR_IOCTL_USB_STALL ? -1 : answer < 0 ? -2 : 0;
  }
  while (got < asked) {
    length = sizeof packet;
    answer = patiently(AVR_IOCTL_USB_READ, packet, &length);
    if (answer < 0) return answer == AVR_IOCTL_USB_STALL ? -1 : -2;
    memcpy(data + got, packet, length);
    got += length;
    run_cycles(500);
    if (length < sizeof packet) break;
  }
  length = 0;
  patiently(AVR_IOCTL_USB_WRITE, packet, &length);
  run_cycles(500);
  return (int)got;
}

static int request(int type, int what, int value, int index, int length, uint8_t *data) {
  uint8_t setup[8] = {(uint8_t)type, (uint8_t)what, (uint8_t)value, (uint8_t)(value >> 8),
                      (uint8_t)index, (uint8_t)(index >> 8), (uint8_t)length, (uint8_t)(length >> 8)};
  return control(setup, data);
}

/* What a collection is, by its usage page and usage; of those that are pointers one counts, the other says where it is in two bytes. */
static int kind_of(unsigned page, unsigned usage, int is_wide) {
  if (page == 0xFF00) return usage == 2 ? OV_REPORT_PANEL : OV_REPORT_LIVE;
  if (page == 0x0C) return OV_REPORT_CONSUMER;
  switch (usage) {
    case 0x02: return is_wide ? OV_REPORT_PLACE : OV_REPORT_POINTER;
    case 0x05: return OV_REPORT_PAD;
    case 0x80: return OV_REPORT_SYSTEM;
    default: return OV_REPORT_KEYBOARD;
  }
}

/* Reads a report descriptor item by item (HID 1.11, section 6.2.2.2): each outermost collection is a report. */
static void learn_reports(int interface, int kinds[NUMBERS]) {
  static uint8_t items[512];
  int length = request(0x81, 6, 0x2200, interface, sizeof items, items);
  unsigned page = 0, usage = 0, own_page = 0, own_usage = 0, number = 0, wide = 0;
  int at, depth = 0;
  for (at = 0; at < length; at += 1 + ((items[at] & 3) == 3 ? 4 : items[at] & 3)) {
    unsigned value = (items[at] & 3) > 1 ? items[at + 1] | items[at + 2] << 8 : (items[at] & 3) ? items[at + 1] : 0;
    switch (items[at] & 0xFC) {
      case 0x04: page = value; break;
      case 0x08: usage = value; break;
      case 0x84: number = value; break;
      case 0x74: if (value == 16) wide = 1; break;
      case 0xA0:
        if (depth++ == 0) {
          own_page = page, own_usage = usage;
          number = wide = 0;
        }
        break;
      case 0xC0:
        if (--depth == 0 && number < NUMBERS) kinds[number] = kind_of(own_page, own_usage, (int)wide);
        break;
      default: break;
    }
  }
}

#define HID_CLASS 3
#define AUDIO_CLASS 1

/* Which report comes on which endpoint. */
static void learn_endpoints(const uint8_t *bytes, int length) {
  int at, kinds[NUMBERS], interface = 0, i;
  live_interface = panel_interface = -1;
  line_pipe = music_pipe = 0;
  for (at = 0; at + 1 < length && bytes[at] > 0; at += bytes[at]) {
    if (bytes[at + 1] == 4) {
      interface = bytes[at + 2];
      for (i = 0; i < NUMBERS; i++) kinds[i] = -1;
      if (bytes[at + 5] == AUDIO_CLASS) kinds[0] = OV_REPORT_MUSIC;
      else if (bytes[at + 5] == HID_CLASS) learn_reports(interface, kinds);
      if (kinds[0] == OV_REPORT_LIVE) live_interface = interface;
      if (kinds[0] == OV_REPORT_PANEL) panel_interface = interface;
    }
    if (bytes[at + 1] == 5 && !(bytes[at + 2] & 0x80)) *(kinds[0] == OV_REPORT_MUSIC ? &music_pipe : &line_pipe) = bytes[at + 2];
    else if (bytes[at + 1] == 5 && (bytes[at + 2] & 0x0F) < ENDPOINTS) memcpy(kind_at[bytes[at + 2] & 0x0F], kinds, sizeof kinds);
  }
}

static int is_known(int pipe) {
  int i;
  for (i = 0; i < NUMBERS; i++)
    if (kind_at[pipe][i] >= 0) return 1;
  return 0;
}

/* The report that came on an endpoint, and where it begins behind its number; -1 when none is known. */
static int kind_of_packet(int pipe, const uint8_t *bytes, int *begins) {
  *begins = kind_at[pipe][0] < 0;
  return *begins ? (bytes[0] < NUMBERS ? kind_at[pipe][bytes[0]] : -1) : kind_at[pipe][0];
}

static int attach(void) {
  avr_cycle_count_t end = avr->cycle + (avr_cycle_count_t)CYCLES_A_MS * 50;
  attached = 0;
  age_ms = 0;
  avr_reset(avr);
  avr->data[BUS_EVENTS] = 0;
  while (!attached && avr->cycle < end) step();
  return attached;
}

static int enumerate(void) {
  static uint8_t data[1024];
  int got, i;
  for (i = 0; i < ENDPOINTS * NUMBERS; i++) kind_at[i / NUMBERS][i % NUMBERS] = -1;
  endpoints_forget();
  avr_ioctl(avr, AVR_IOCTL_USB_RESET, NULL);
  run_cycles(CYCLES_A_MS * 3);
  if (request(0x80, 6, 0x0100, 0, 64, data) != 18) return 0;
  if (request(0x00, 5, 7, 0, 0, NULL) != 0) return 0;
  if (request(0x80, 6, 0x0200, 0, 255, data) < 9) return 0;
  got = request(0x80, 6, 0x0200, 0, data[2] | (data[3] << 8), data);
  learn_endpoints(data, got);
  if (request(0x00, 9, 1, 0, 0, NULL) != 0) return 0;
  if (!endpoints_agree(data, got)) exit(4);
  return 1;
}

/* What the endpoints hold from the scan that is over; what they held before a sequence is not told. */
static void collect_and(int tells) {
  int pipe;
  if (is_busy) return;
  for (pipe = 1; pipe < ENDPOINTS; pipe++) {
    uint8_t bytes[64];
    uint32_t length = sizeof bytes, i;
    int kind, begins;
    if (!is_known(pipe) || usb(AVR_IOCTL_USB_READ, pipe, bytes, &length) < 0 || length == 0 || !tells) continue;
    kind = kind_of_packet(pipe, bytes, &begins);
    if (kind < 0) continue;
    printf("%ld %s ", now_ms, names[kind]);
    for (i = (uint32_t)begins; i < length; i++) printf("%02x", bytes[i]);
    putchar('\n');
  }
}

static void collect(void) { collect_and(1); }

static void tell_lights(int chain, const unsigned char *bytes, int count) {
  int i;
  printf("%ld lights %d ", now_ms, chain);
  for (i = 0; i < count; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

static void tell_segments(int chain, const unsigned char *bytes, int count) {
  int i;
  printf("%ld segments %d ", now_ms, chain);
  for (i = 0; i < count; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

static void tell_display(int display, const unsigned char *bytes, int count) {
  int i;
  printf("%ld display %d ", now_ms, display);
  for (i = 0; i < count; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

/* What the serial transmitter was given since the scan before. */
static unsigned char transmitted[16];
static int transmitted_count;
static void on_transmitted(struct avr_irq_t *irq, uint32_t value, void *p) {
  (void)irq; (void)p;
  if (transmitted_count < (int)sizeof transmitted) transmitted[transmitted_count++] = (unsigned char)value;
}

static void tell_transmitted(void) {
  int i;
  if (transmitted_count == 0) return;
  printf("%ld din ", now_ms);
  for (i = 0; i < transmitted_count; i++) printf("%02x", transmitted[i]);
  putchar('\n');
  transmitted_count = 0;
}

static void nobody(int chain, const unsigned char *bytes, int count) { (void)chain; (void)bytes; (void)count; }

static void tell_lamp(int lamp, int lit) { printf("%ld lamp %d %d\n", now_ms, lamp, lit); }

static void tell_wave(int lamp, unsigned long edges, unsigned long shortest, unsigned long longest) {
  fprintf(stderr, "wave %d edges %lu shortest %lu longest %lu\n", lamp, edges, shortest, longest);
}

/* A scan has begun: what the one before it showed and sent. */
static void scan_has_begun(void) {
  if (now_ms >= 0) {
    wiring_tell_lamps(tell_lamp);
    if (!segments_tell(tell_segments)) exit(5);
    if (!displays_tell(tell_display)) exit(5);
    if (!lights_tell(tell_lights)) exit(5);
    collect();
    tell_transmitted();
  }
  if (passed > 1 && now_ms >= 0) {
    late++;
    fprintf(stderr, "late %lu %ld %d\n", sequence, now_ms + 1, passed - 1);
  }
  now_ms += now_ms < 0 ? 1 : passed;
  scans++;
}

/* Runs until a scan begins that is at least this millisecond's. */
static void run_to(long ms) {
  while (now_ms < ms) {
    int before = scans_marked;
    while (scans_marked == before) step();
    scan_has_begun();
  }
}

/* Turns a knob, whatever the scans are at: a state every so many cycles. The contacts of A and B, and states, clockwise
 * when positive; where it rests both are open. */
static void turn_knob(int a, int b, int states, int cycles) {
  static const unsigned char closed[4] = {0, 2, 3, 1};
  int phase = 0, direction = states < 0 ? 3 : 1;
  for (states = abs(states); states > 0; states--) {
    avr_cycle_count_t until = avr->cycle + (avr_cycle_count_t)cycles;
    int before = closed[phase], now = closed[phase = (phase + direction) % 4];
    if ((before ^ now) & 2) wiring_set_contact(a, now >> 1);
    else wiring_set_contact(b, now & 1);
    while (avr->cycle < until) {
      int marked = scans_marked;
      step();
      if (scans_marked != marked) scan_has_begun();
    }
  }
}

/* @param tells the sequence goes on behind a power cut: what is said from the start on is told */
static int begin_and(int tells) {
  is_settled = 0;
  if (!attach() || (is_plugged && !enumerate())) return 0;
  run_cycles(CYCLES_A_MS * 5);
  collect_and(tells);
  if (age_ms > AGE_MS) fprintf(stderr, "enumeration took the device %ld ms\n", age_ms);
  while (age_ms < AGE_MS) step();
  while (scanning) step();
  if (!tells) collect_and(0);
  if (!segments_tell(nobody)) exit(5);
  if (!displays_tell(nobody)) exit(5);
  if (!lights_tell(nobody)) exit(5);
  is_settled = 1;
  transmitted_count = 0;
  now_ms = -1;
  run_to(0);
  return 1;
}

static int begin(void) { return begin_and(0); }

/* One instruction while another chip is at work, and what comes of it. */
static void follow(void) {
  int before = scans_marked;
  step();
  if (scans_marked != before) scan_has_begun();
}

/* A plug is put in, or pulled: the chip cannot tell that from a bus that is silent, as the other part still feeds it. */
static void plug(int is_in) {
  is_plugged = is_in;
  if (is_in) {
    avr->data[BUS_EVENTS] |= WOKEN_UP;
    enumerate();
  } else {
    memset(kind_at, 0xFF, sizeof kind_at);
    avr->data[BUS_EVENTS] |= SUSPENDED;
  }
}

/* A contact moves, and what interrupts because of it has been served before the next one does. */
static void move_contact(int contact, int closed) {
  avr_cycle_count_t end = avr->cycle + PATIENCE;
  wiring_set_contact(contact, closed);
  while (avr->cycle < end && (avr_has_pending_interrupts(avr) || avr->interrupts.running_ptr > 0)) step();
}

/* What a panel is told: its output report, before the scan of that millisecond. */
static void tell_panel(const char *hex) {
  uint8_t bytes[OV_PANEL_BYTES] = {0};
  int i, used = 0;
  unsigned byte;
  for (i = 0; i < OV_PANEL_BYTES && sscanf(hex, " %2x%n", &byte, &used) == 1; i++, hex += used) bytes[i] = (uint8_t)byte;
  request(0x21, 9, 0x0200, panel_interface, OV_PANEL_BYTES, bytes);
}

/* Bytes go to an endpoint, packet by packet, before the scan of that millisecond. */
static void tell_pipe(int pipe, const char *hex) {
  while (*hex > ' ' || (*hex == ' ' && hex[1] > ' ')) {
    uint8_t bytes[64];
    avr_cycle_count_t end = avr->cycle + PATIENCE;
    unsigned byte;
    int count = 0, used;
    uint32_t length;
    for (; count < 64 && sscanf(hex, " %2x%n", &byte, &used) == 1; hex += used) bytes[count++] = (uint8_t)byte;
    for (length = (uint32_t)count; usb(AVR_IOCTL_USB_WRITE, pipe, bytes, &length) == AVR_IOCTL_USB_NAK; length = (uint32_t)count) {
      if (avr->cycle > end) exit(6);
      run_cycles(100);
    }
  }
}

static int obey(const char *line) {
  long ms;
  char word[16];
  int used, a = 0, b = 0;
  if (sscanf(line, "%ld %15s%n", &ms, word, &used) != 2) return 0;
  /* Lights are set between two scans. */
  run_to(strcmp(word, "locks") == 0 || strcmp(word, "told") == 0 || strcmp(word, "line") == 0 || strcmp(word, "heard") == 0 ? ms - 1 : ms);
  sscanf(line + used, "%d %d", &a, &b);
  if (strcmp(word, "contact") == 0) move_contact(a, b);
  else if (strcmp(word, "wiper") == 0) wipers_set(a, (unsigned)b);
  else if (strcmp(word, "busy") == 0) {
    is_busy = a;
    collect();
  } else if (strcmp(word, "told") == 0) {
    tell_panel(line + used);
  } else if (strcmp(word, "line") == 0) {
    tell_pipe(line_pipe, line + used);
  } else if (strcmp(word, "heard") == 0) {
    tell_pipe(music_pipe, line + used);
  } else if (strcmp(word, "locks") == 0) {
    uint8_t value = (uint8_t)a;
    request(0x21, 9, 0x0200, 0, 1, &value);
  } else if (strcmp(word, "end") == 0) {
    puts("end");
    sequence++;
    is_busy = 0;
    wiring_start_afresh();
    return begin();
  } else return 0;
  return 1;
}

/* How often the keyboard says something within so many milliseconds in which nothing happens. */
static void listen(int ms) {
  int heard = 0, pipe;
  for (; ms > 0; ms--) {
    run_cycles(CYCLES_A_MS);
    for (pipe = 1; pipe < ENDPOINTS; pipe++) {
      uint8_t bytes[64];
      uint32_t length = sizeof bytes;
      if (kind_at[pipe][0] == OV_REPORT_KEYBOARD && usb(AVR_IOCTL_USB_READ, pipe, bytes, &length) >= 0 && length > 0) heard++;
    }
  }
  printf("%d\n", heard);
}

/* Waits for a report of the keyboard, asking every so many milliseconds from a given cycle on; answers the cycle it came at. */
static avr_cycle_count_t ask_until(avr_cycle_count_t first, int every_ms) {
  avr_cycle_count_t at = first;
  int pipe;
  for (;; at += (avr_cycle_count_t)every_ms * CYCLES_A_MS) {
    while (avr->cycle < at) step();
    for (pipe = 1; pipe < ENDPOINTS; pipe++) {
      uint8_t bytes[64];
      uint32_t length = sizeof bytes;
      if (kind_at[pipe][0] == OV_REPORT_KEYBOARD && usb(AVR_IOCTL_USB_READ, pipe, bytes, &length) >= 0 && length > 0) return avr->cycle;
    }
  }
}

/* Presses a contact again and again, at any time against scans and questions; prints what each press took, in us. */
static int measure_latency(int contact, int every_ms, int presses) {
  unsigned long random = 1;
  avr_cycle_count_t asked = avr->cycle, closed_at;
  while (presses-- > 0) {
    int closed;
    for (closed = 1; closed >= 0; closed--) {
      random = random * 1103515245u + 12345u;
      run_cycles((avr_cycle_count_t)CYCLES_A_MS * 20 + (random >> 8) % (CYCLES_A_MS * 8ul));
      while (asked <= avr->cycle) asked += (avr_cycle_count_t)every_ms * CYCLES_A_MS;
      move_contact(contact, closed);
      closed_at = avr->cycle;
      asked = ask_until(asked, every_ms);
      if (closed) printf("%lu\n", (unsigned long)((asked - closed_at) / (CYCLES_A_MS / 1000)));
    }
  }
  return 0;
}

/* Frames of live changes: a feature report there, and its answer. */
static int set_frame(uint8_t *frame) { return request(0x21, 9, 0x0300, live_interface, OV_FRAME_BYTES, frame); }
static int get_frame(uint8_t *frame) { return request(0xA1, 1, 0x0300, live_interface, OV_FRAME_BYTES, frame); }

static void print_hex(const uint8_t *bytes, int count) {
  int i;
  for (i = 0; i < count; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

/* The power goes and comes back: memory is gone, EEPROM stays, contacts are as they are. */
static int power_cut(void) {
  memset(avr->data + 0x100, 0x55, (size_t)avr->ramend - 0xff);
  return begin_and(1);
}

/* Power that fails at every write of a byte: the one being written is as it was, as it was to be, or anything. For each, a
 * copy of the whole chip goes on from there, starts, and tells how many changes are in effect. */
static int fails_at_writes;
static uint8_t eeprom_before[OV_KEPT_BYTES];

static void tell_changes(void) {
  uint8_t frame[OV_FRAME_BYTES];
  int tries;
  memset(frame, 0, sizeof frame);
  frame[OV_FRAME_AT_COMMAND] = OV_COMMAND_HELLO;
  if (!power_cut() || set_frame(frame) != 0) {
    puts("silent");
    return;
  }
  for (tries = 0; tries < 10; tries++) {
    run_cycles(CYCLES_A_MS);
    if (get_frame(frame) == OV_FRAME_BYTES && frame[OV_FRAME_AT_STATUS] == OV_STATUS_OK) break;
  }
  printf("%d\n", frame[OV_HELLO_AT_CHANGES]);
}

static void fail_here(unsigned at) {
  uint8_t now, variants[4];
  avr_eeprom_desc_t one = {&now, 0, 1};
  int i;
  one.offset = at;
  avr_ioctl(avr, AVR_IOCTL_EEPROM_GET, &one);
  variants[0] = eeprom_before[at];
  variants[1] = now;
  variants[2] = (uint8_t)(eeprom_before[at] & now);
  variants[3] = OV_SEAL;
  eeprom_before[at] = now;
  for (i = 0; i < 4; i++) {
    fflush(stdout);
    if (fork() == 0) {
      fails_at_writes = 0;
      one.ee = &variants[i];
      avr_ioctl(avr, AVR_IOCTL_EEPROM_SET, &one);
      tell_changes();
      fflush(stdout);
      _exit(0);
    }
    wait(NULL);
  }
}

#define EEPROM_CONTROL 0x3F
#define EEPROM_WRITES 0x02
#define EEPROM_PLACE 0x41
#define CYCLES_A_WRITE 54400 /* 3.4 ms, from memory */

/* The simulator writes at once; a chip says for its time that it writes. */
static avr_cycle_count_t writes_until;

static void on_eeprom_control(struct avr_t *a, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)p;
  if (!(v & EEPROM_WRITES)) return;
  writes_until = a->cycle + CYCLES_A_WRITE;
  a->data[addr] |= EEPROM_WRITES;
}

/* After each instruction: whether a byte has been written. */
static void watch_eeprom(void) {
  unsigned at = (avr->data[EEPROM_PLACE] | (unsigned)(avr->data[EEPROM_PLACE + 1] << 8)) & (OV_KEPT_BYTES - 1);
  uint8_t now;
  avr_eeprom_desc_t one = {&now, 0, 1};
  if (writes_until > 0 && avr->cycle >= writes_until) {
    writes_until = 0;
    avr->data[EEPROM_CONTROL] &= (uint8_t)~EEPROM_WRITES;
  }
  if (!fails_at_writes) return;
  one.offset = at;
  avr_ioctl(avr, AVR_IOCTL_EEPROM_GET, &one);
  if (now != eeprom_before[at]) fail_here(at);
}

static void tell_bus(const char *what, const unsigned char *bytes, int count) {
  int i;
  printf("%ld %s ", now_ms, what);
  for (i = 0; i < count; i++) printf("%02x", bytes[i]);
  putchar('\n');
}

static int read_hex(const char *text, uint8_t *bytes, int most) {
  unsigned byte;
  int n = 0, used;
  for (; n < most && sscanf(text, " %2x%n", &byte, &used) == 1; text += used) bytes[n++] = (uint8_t)byte;
  return n;
}

/* A conversation, line by line, each answered by lines that end with one of a dot: contact N 0|1; pass MS; turn A B STATES
 * CYCLES (see turn_knob); set FRAME; get;
 * off; late (how many scans were); stack (the deepest, in bytes); pause (the longest between two bits of lights, in cycles); setup BYTES (a setup packet, and bytes to send); suspend; resume; woken (whether the device has called the host since
 * it was suspended); plug 0|1; joined IS_CUT ONE_DAMAGED_OF (the line to another chip); fails 0|1 (whether the power fails at every write from now on, in copies). */
static int converse(void) {
  static char line[512];
  setvbuf(stdout, NULL, _IOLBF, 0);
  setvbuf(stdin, NULL, _IONBF, 0);
  for (;;) {
    uint8_t frame[OV_FRAME_BYTES];
    int a = 0, b = 0, states = 0, cycles = 0;
    joined_wait(follow);
    if (!fgets(line, sizeof line, stdin)) return 0;
    if (sscanf(line, "contact %d %d", &a, &b) == 2) move_contact(a, b);
    else if (sscanf(line, "turn %d %d %d %d", &a, &b, &states, &cycles) == 4) turn_knob(a, b, states, cycles);
    else if (sscanf(line, "pass %d", &a) == 1) run_to(now_ms + a);
    else if (sscanf(line, "fails %d", &a) == 1) {
      avr_eeprom_desc_t all = {eeprom_before, 0, sizeof eeprom_before};
      avr_ioctl(avr, AVR_IOCTL_EEPROM_GET, &all);
      fails_at_writes = a;
    } else if (strncmp(line, "set ", 4) == 0) {
      int count = read_hex(line + 4, frame, sizeof frame);
      puts(request(0x21, 9, 0x0300, live_interface, count, frame) == 0 ? "taken" : "stall");
    } else if (strncmp(line, "get", 3) == 0) {
      if (get_frame(frame) == OV_FRAME_BYTES) print_hex(frame, OV_FRAME_BYTES);
      else puts("stall");
    } else if (strncmp(line, "setup ", 6) == 0) {
      static uint8_t packet[8 + 64], data[1024];
      int got = read_hex(line + 6, packet, sizeof packet);
      memcpy(data, packet + 8, sizeof packet - 8);
      got = control(packet, data);
      if (got < 0) puts("stall");
      else print_hex(data, packet[0] & 0x80 ? got : 0);
    } else if (strncmp(line, "suspend", 7) == 0) {
      avr->data[CONTROL] &= (uint8_t)~WAKES_HOST;
      avr->data[BUS_EVENTS] |= SUSPENDED;
    } else if (strncmp(line, "resume", 6) == 0) {
      avr->data[CONTROL] &= (uint8_t)~WAKES_HOST;
      avr->data[BUS_EVENTS] |= WOKEN_UP;
    } else if (strncmp(line, "pause", 5) == 0) {
      printf("%ld\n", lights_pause());
    } else if (strncmp(line, "late", 4) == 0) {
      printf("%lu\n", late);
    } else if (strncmp(line, "stack", 5) == 0) {
      printf("%u\n", avr->ramend - lowest_sp);
    } else if (strncmp(line, "woken", 5) == 0) {
      puts(avr->data[CONTROL] & WAKES_HOST ? "yes" : "no");
    } else if (strncmp(line, "off", 3) == 0) {
      if (!power_cut()) puts("silent");
    } else if (sscanf(line, "plug %d", &a) == 1) {
      plug(a);
    } else if (sscanf(line, "joined %d %d", &a, &b) == 2) {
      joined_set(a, b);
    } else if (sscanf(line, "module %d%n", &a, &b) == 1) {
      modules_set(a, frame, read_hex(line + b, frame, sizeof frame));
    } else if (strncmp(line, "all ", 4) == 0) {
      modules_tell(frame, read_hex(line + 4, frame, sizeof frame));
    } else if (sscanf(line, "asked %d", &a) == 1) {
      modules_ask(a);
    } else if (sscanf(line, "held %d", &a) == 1) {
      modules_hold(a);
    } else if (strncmp(line, "calls", 5) == 0) {
      puts(wiring_caller >= 0 && wiring_is_low(wiring_caller) ? "1" : "0");
    } else puts("cannot follow");
    puts(".");
  }
}

static int answer_requests(void) {
  static uint8_t data[1024];
  unsigned bytes[64];
  char line[512];
  while (fgets(line, sizeof line, stdin)) {
    uint8_t setup[8];
    const char *at = line;
    int n = 0, used, got, i;
    if (strncmp(line, "reset", 5) == 0) {
      puts(enumerate() ? "enumerated" : "silent");
      continue;
    }
    if (strncmp(line, "listen ", 7) == 0) {
      listen(atoi(line + 7));
      continue;
    }
    while (n < 64 && sscanf(at, "%2x%n", &bytes[n], &used) == 1) at += used, n++;
    for (i = 0; i < 8; i++) setup[i] = (uint8_t)bytes[i];
    for (i = 8; i < n; i++) data[i - 8] = (uint8_t)bytes[i];
    got = control(setup, data);
    if (got < 0) puts(got == -1 ? "stall" : "silent");
    for (i = 0; i < got; i++) printf("%02x", data[i]);
    if (got >= 0) putchar('\n');
  }
  return 0;
}

static int load(const char *path) {
  static unsigned char image[0x8000];
  FILE *file = fopen(path, "rb");
  if (!file || fread(image, 1, sizeof image, file) != sizeof image) return 0;
  fclose(file);
  avr_loadcode(avr, image, sizeof image, 0);
  avr->codeend = avr->flashend;
  return 1;
}

int main(int argc, char **argv) {
  char line[96];
  if (argc < 4 || !(avr = avr_make_mcu_by_name(argv[1]))) {
    fprintf(stderr, "usage: host MCU FLASH WIRING [ask | talk | talk FROM TO PLUGGED | latency CONTACT EVERY_MS PRESSES]\n");
    return 2;
  }
  avr_init(avr);
  avr->frequency = 16000000;
  avr->log = 1;
  if (!load(argv[2]) || !wiring_read(argv[3], avr)) {
    fprintf(stderr, "no image of 32 KiB, or no wiring\n");
    return 2;
  }
  avr_register_io_write(avr, SCAN_MARK, on_scan, NULL);
  endpoints_watch(avr);
  avr_register_io_write(avr, EEPROM_CONTROL, on_eeprom_control, NULL);
  avr->io[AVR_DATA_TO_IO(BUS_EVENTS)].w.c = on_bus_events;
  avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_USB_GETIRQ(), USB_IRQ_ATTACH), on_attach, NULL);
  if (argc > 6 && strcmp(argv[4], "talk") == 0 && strcmp(argv[5], "bus") == 0) {
    is_plugged = atoi(argv[6]);
    modules_join(avr, tell_bus);
  } else if (argc > 7 && strcmp(argv[4], "talk") == 0) {
    is_plugged = atoi(argv[7]);
    if (!joined_open(avr, argv[5], argv[6])) return 2;
  } else avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_UART_GETIRQ('1'), UART_IRQ_OUTPUT), on_transmitted, NULL);
  avr_ioctl(avr, AVR_IOCTL_UART_SET_FLAGS('1'), &(uint32_t){0});
  if (argc > 4 && strcmp(argv[4], "talk") != 0) {
    if (!attach() || !enumerate()) {
      puts("does not attach");
      return 0;
    }
    if (strcmp(argv[4], "latency") == 0 && argc > 7) return measure_latency(atoi(argv[5]), atoi(argv[6]), atoi(argv[7]));
    return answer_requests();
  }
  if (!begin()) {
    puts("does not attach");
    return 0;
  }
  if (argc > 4) return converse();
  while (fgets(line, sizeof line, stdin)) {
    if (line[0] != '\n' && !obey(line)) {
      fprintf(stderr, "cannot follow: %s", line);
      return 1;
    }
  }
  wiring_tell_waves(tell_wave);
  fprintf(stderr, "scans %lu late %lu most %llu mean %llu stack %u lights %ld pause %ld\n", scans, late, (unsigned long long)scan_most,
          (unsigned long long)(scans ? scan_sum / scans : 0), avr->ramend - lowest_sp, light_most, lights_pause());
  return 0;
}
