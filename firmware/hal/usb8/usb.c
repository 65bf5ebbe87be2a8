/* USB of the 8-bit class: the control endpoint with the standard and the HID requests, and an interrupt endpoint for each report, or for
 * some that are told apart by a number in front (USB 2.0, chapter 9; HID 1.11, chapter 7). Everything is asked for, nothing interrupts. */
#include <avr/io.h>

#include "board.h"
#include "listen.h"
#include "ovrin.h"
#include "parts.h"
#include "serial.h"
#include "usb.h"

/* Requests are few, and reports at most one a millisecond: room in flash counts for more here than speed. What is compiled for size as a
 * whole is shorter without it, as its functions may then be put into each other. */
#ifndef __OPTIMIZE_SIZE__
#pragma GCC optimize("Os")
#endif

#define BIT(n) ((uint8_t)(1u << (n)))

/* A setup packet: request type, request, value, index, length. */
struct setup {
  uint8_t type, request;
  uint8_t value_low, value_high;
  uint8_t index, length_low, length_high;
};

static uint8_t configuration;
static uint8_t may_wake;
static uint8_t idle_of[OV_REPORT_KINDS]; /* in 4 ms, 0 = only when something changes */
static uint16_t silent_of[OV_REPORT_KINDS]; /* ms since it was sent */
static uint8_t boot_protocol;            /* bit n: interface n speaks the boot protocol */
static uint8_t quiet;                    /* suspended */

static void select_endpoint(uint8_t number) { UENUM = number; }
/* In an entry of the reports. */
enum { KIND, ENDPOINT, SET_UP, INTERFACE = 4, NUMBER };
OV_APART static uint8_t of_report(uint8_t nth, uint8_t field) {
  return ov_flash_byte(ov_board_table(OV_BOARD_AT_REPORT_TABLE) + nth * OV_BOARD_REPORT_BYTES + field);
}
static uint8_t report_count(void) { return ov_board_byte(OV_BOARD_AT_REPORTS); }

void ov_usb_attach(void) {
  UHWCON |= BIT(UVREGE);
  USBCON = BIT(USBE) | BIT(FRZCLK);
  PLLCSR = BIT(PINDIV) | BIT(PLLE);
  while (!(PLLCSR & BIT(PLOCK))) {}
  USBCON = BIT(USBE) | BIT(OTGPADE);
  UDCON = 0;
}

static void open_control(void) {
  select_endpoint(0);
  UECONX = BIT(EPEN);
  UECFG0X = 0;
  UECFG1X = BIT(EPSIZE1) | BIT(EPSIZE0) | BIT(ALLOC);
}

static void open_reports(void) {
  uint8_t nth, before = 0;
  for (nth = 0; nth < report_count(); nth++) {
    uint8_t endpoint = of_report(nth, ENDPOINT);
    if (endpoint == before) continue; /* it is shared */
    before = endpoint;
    select_endpoint(endpoint);
    UECONX = BIT(EPEN);
    UECFG0X = of_report(nth, SET_UP);
    UECFG1X = of_report(nth, SET_UP + 1);
  }
#if OV_HEARS_NOTES
  ov_listen_open();
#endif
#if OV_HAS_SERIAL
  ov_serial_open();
#endif
}

static void bus_was_reset(void) {
  uint8_t i;
  configuration = may_wake = boot_protocol = quiet = 0;
  ov_host_configured(0);
  for (i = 0; i < OV_REPORT_KINDS; i++) idle_of[i] = 0;
  open_control();
  ov_host_sleeps(0);
  ov_host_reset();
}

/* Waits for flags of the control endpoint; 0 when the host has begun something else. */
static uint8_t wait_for(uint8_t flags) {
  while (!(UEINTX & flags)) {
    if ((UDINT & BIT(EORSTI)) || (UEINTX & BIT(RXSTPI))) return 0;
  }
  return 1;
}

static void stall(void) { UECONX = BIT(STALLRQ) | BIT(EPEN); }
static void send_nothing(void) { UEINTX = (uint8_t)~BIT(TXINI); }

/* Where bytes to send come from: flash or RAM. */
struct source {
  const uint8_t *at;
  uint8_t in_flash;
};

static uint8_t next_of(struct source *from) { return from->in_flash ? ov_flash_next(&from->at) : *from->at++; }

/* Sends at most what the host asked for. A packet that is not full ends it, so an answer that is shorter than asked and
 * fills its last packet is ended by an empty one. */
static void send(struct source from, uint16_t length, const struct setup *ask) {
  uint16_t asked = (uint16_t)(ask->length_low | (uint16_t)(ask->length_high << 8));
  uint8_t in_packet;
  if (length > asked) length = asked;
  do {
    if (!wait_for(BIT(TXINI) | BIT(RXOUTI)) || (UEINTX & BIT(RXOUTI))) break;
    for (in_packet = 0; in_packet < 64 && length > 0; in_packet++, length--) UEDATX = next_of(&from);
    send_nothing();
    asked = (uint16_t)(asked - in_packet);
  } while (length > 0 || (in_packet == 64 && asked > 0));
  if (wait_for(BIT(RXOUTI))) UEINTX = (uint8_t)~BIT(RXOUTI);
}

static void send_bytes(const uint8_t *bytes, uint8_t length, const struct setup *ask) {
  struct source from = {bytes, 0};
  send(from, length, ask);
}

static uint8_t answer_byte(uint8_t byte, const struct setup *ask) {
  send_bytes(&byte, 1, ask);
  return 1;
}

static uint8_t answer_word(uint8_t low, const struct setup *ask) {
  uint8_t bytes[2] = {low, 0};
  send_bytes(bytes, 2, ask);
  return 1;
}

static uint8_t send_descriptor(const struct setup *ask) {
  const uint8_t *at = ov_board_table(OV_BOARD_AT_DESCRIPTOR_TABLE);
  uint8_t left;
  for (left = ov_board_byte(OV_BOARD_AT_DESCRIPTORS); left > 0; left--) {
    uint8_t type = ov_flash_next(&at), index = ov_flash_next(&at), interface = ov_flash_next(&at);
    uint16_t length = ov_flash_next(&at);
    uint16_t place;
    struct source from = {ov_board, 1};
    length |= (uint16_t)(ov_flash_next(&at) << 8);
    place = ov_flash_next(&at);
    place |= (uint16_t)(ov_flash_next(&at) << 8);
    if (type != ask->value_high || index != ask->value_low) continue;
    if (interface != OV_NONE && interface != ask->index) continue;
    from.at += place;
    send(from, length, ask);
    return 1;
  }
  return 0;
}

static uint8_t set_address(const struct setup *ask) {
  UDADDR = ask->value_low & 0x7F;
  send_nothing();
  if (wait_for(BIT(TXINI))) UDADDR |= BIT(ADDEN);
  return 1;
}

static uint8_t set_configuration(const struct setup *ask) {
  if (ask->value_low > 1) return 0;
  configuration = ask->value_low;
  if (configuration) open_reports();
  ov_host_configured(configuration);
  select_endpoint(0);
  send_nothing();
  ov_host_reset();
  return 1;
}

static uint8_t is_endpoint(uint8_t address) {
  uint8_t number = address & 0x0F;
  if (number == 0) return 1;
#if OV_HEARS_NOTES
  if (number == ov_board_byte(OV_BOARD_AT_MUSIC_IN)) return (uint8_t)(configuration && address == number);
#endif
#if OV_HAS_SERIAL
  if (ov_serial_is_out(number)) return (uint8_t)(configuration && address == number);
#endif
  return (uint8_t)((address & 0x80) && configuration && number <= ov_board_byte(OV_BOARD_AT_ENDPOINTS));
}

static uint8_t endpoint_status(const struct setup *ask) {
  uint8_t halted;
  if (!is_endpoint(ask->index)) return 0;
  select_endpoint(ask->index & 0x0F);
  halted = (uint8_t)((UECONX & BIT(STALLRQ)) != 0);
  select_endpoint(0);
  return answer_word(halted, ask);
}

/* Halting an endpoint, and taking it up again with its data toggle at the start. */
static uint8_t halt(const struct setup *ask, uint8_t on) {
  if (ask->value_low != 0 || !is_endpoint(ask->index)) return 0;
  if (ask->index & 0x0F) {
    select_endpoint(ask->index & 0x0F);
    if (on) {
      UECONX = BIT(STALLRQ) | BIT(EPEN);
    } else {
      UECONX = BIT(STALLRQC) | BIT(EPEN);
      UECONX = BIT(RSTDT) | BIT(EPEN);
      UERST = BIT(ask->index & 0x0F);
      UERST = 0;
    }
    select_endpoint(0);
  }
  send_nothing();
  return 1;
}

static uint8_t device_feature(const struct setup *ask, uint8_t on) {
  if (ask->value_low != 1) return 0;
  may_wake = on;
  send_nothing();
  return 1;
}

enum { GET_STATUS, CLEAR_FEATURE, SET_FEATURE = 3, SET_ADDRESS = 5, GET_DESCRIPTOR, GET_CONFIGURATION = 8,
       SET_CONFIGURATION, GET_INTERFACE, SET_INTERFACE };
enum { TO_DEVICE, TO_INTERFACE, TO_ENDPOINT, FROM_DEVICE = 0x80, FROM_INTERFACE, FROM_ENDPOINT };

static uint8_t is_interface(const struct setup *ask) {
  return (uint8_t)(configuration && ask->index < ov_board_byte(OV_BOARD_AT_INTERFACES));
}

/* The report of that number on the interface that is asked, or the first there is; OV_NONE where there is none: music, which is another
 * class, is on none. */
OV_APART static uint8_t asked_report(const struct setup *ask, uint8_t is_any) {
  uint8_t nth;
  for (nth = 0; nth < report_count(); nth++) {
    if (of_report(nth, INTERFACE) != ask->index) continue;
    if (is_any || of_report(nth, NUMBER) == ask->value_low) return nth;
  }
  return OV_NONE;
}

static uint8_t set_interface(const struct setup *ask) {
  if (!is_interface(ask) || ask->value_low != 0) return 0;
  send_nothing();
  return 1;
}

static uint8_t of_device(const struct setup *ask) {
  switch (ask->request) {
    case GET_STATUS: return ask->type == FROM_DEVICE && answer_word((uint8_t)(may_wake << 1), ask);
    case CLEAR_FEATURE: return ask->type == TO_DEVICE && device_feature(ask, 0);
    case SET_FEATURE: return ask->type == TO_DEVICE && device_feature(ask, 1);
    case SET_ADDRESS: return ask->type == TO_DEVICE && set_address(ask);
    case GET_DESCRIPTOR: return ask->type == FROM_DEVICE && send_descriptor(ask);
    case GET_CONFIGURATION: return ask->type == FROM_DEVICE && answer_byte(configuration, ask);
    case SET_CONFIGURATION: return ask->type == TO_DEVICE && set_configuration(ask);
    default: return 0;
  }
}

static uint8_t of_interface(const struct setup *ask) {
  switch (ask->request) {
    case GET_STATUS: return ask->type == FROM_INTERFACE && is_interface(ask) && answer_word(0, ask);
    case GET_DESCRIPTOR: return ask->type == FROM_INTERFACE && send_descriptor(ask);
    case GET_INTERFACE: return ask->type == FROM_INTERFACE && is_interface(ask) && answer_byte(0, ask);
    case SET_INTERFACE: return ask->type == TO_INTERFACE && set_interface(ask);
    default: return 0;
  }
}

static uint8_t of_endpoint(const struct setup *ask) {
  switch (ask->request) {
    case GET_STATUS: return ask->type == FROM_ENDPOINT && endpoint_status(ask);
    case CLEAR_FEATURE: return ask->type == TO_ENDPOINT && halt(ask, 0);
    case SET_FEATURE: return ask->type == TO_ENDPOINT && halt(ask, 1);
    default: return 0;
  }
}

/* HID 1.11, section 7.2. */
enum { GET_REPORT = 1, GET_IDLE, GET_PROTOCOL, SET_REPORT = 9, SET_IDLE, SET_PROTOCOL };
enum { CLASS_OUT = 0x21, CLASS_IN = 0xA1, INPUT_REPORT = 1, OUTPUT_REPORT, FEATURE_REPORT };

static uint8_t give_frame(const struct setup *ask) {
  if (ask->value_high != FEATURE_REPORT) return 0;
  send_bytes(ov_live_frame(), OV_FRAME_BYTES, ask);
  return 1;
}

/* A frame comes in one packet; a longer or shorter one is none. */
static uint8_t take_frame(const struct setup *ask) {
  uint8_t *place = ov_live_place();
  uint8_t left;
  if (!place || ask->value_high != FEATURE_REPORT || ask->length_high || ask->length_low != OV_FRAME_BYTES) return 0;
  if (!wait_for(BIT(RXOUTI))) return 1;
  for (left = OV_FRAME_BYTES; left > 0; left--) *place++ = UEDATX;
  UEINTX = (uint8_t)~BIT(RXOUTI);
  send_nothing();
  ov_live_asked();
  return 1;
}

static uint8_t give_report(const struct setup *ask, uint8_t nth) {
  uint8_t bytes[1 + OV_LONGEST_REPORT];
  uint8_t kind = of_report(nth, KIND);
  uint8_t more = 0;
  if (kind == OV_REPORT_LIVE) return give_frame(ask);
  if (ask->value_high != INPUT_REPORT) return 0;
  if (ask->value_low) bytes[more++] = ask->value_low;
  ov_report_build(kind, bytes + more);
  send_bytes(bytes, (uint8_t)(more + ov_report_length(kind)), ask);
  return 1;
}

#if OV_WITH_PANEL
/* What the panel shows: in one packet, like a frame. */
static uint8_t take_panel(const struct setup *ask) {
  uint8_t *place = ov_panel_place();
  uint8_t left;
  if (!place || ask->value_high != OUTPUT_REPORT || ask->length_high || ask->length_low != OV_PANEL_BYTES) return 0;
  if (!wait_for(BIT(RXOUTI))) return 1;
  for (left = OV_PANEL_BYTES; left > 0; left--) *place++ = UEDATX;
  UEINTX = (uint8_t)~BIT(RXOUTI);
  send_nothing();
  return 1;
}
#endif

#if OV_HAS_SERIAL
/* PSTN 1.2, section 6.3. A program that opens the port begins a line, whatever one before it left half told. */
enum { SET_LINE_CODING = 0x20, GET_LINE_CODING, SET_CONTROL_LINE_STATE };

static uint8_t take_coding(const struct setup *ask) {
  uint8_t nth;
  if (ask->length_high || ask->length_low != OV_CODING_BYTES) return 0;
  if (!wait_for(BIT(RXOUTI))) return 1;
  for (nth = 0; nth < OV_CODING_BYTES; nth++) ov_serial_coding[nth] = UEDATX;
  UEINTX = (uint8_t)~BIT(RXOUTI);
  send_nothing();
  return 1;
}

static uint8_t of_serial(const struct setup *ask) {
  if (ask->type == CLASS_IN) {
    if (ask->request != GET_LINE_CODING) return 0;
    send_bytes(ov_serial_coding, OV_CODING_BYTES, ask);
    return 1;
  }
  if (ask->request == SET_LINE_CODING) return take_coding(ask);
  if (ask->request != SET_CONTROL_LINE_STATE) return 0;
  ov_lines_init();
  send_nothing();
  return 1;
}
#endif

/* The keyboard's lock lights. */
static uint8_t take_report(const struct setup *ask, uint8_t nth) {
  uint8_t kind = of_report(nth, KIND);
  if (kind == OV_REPORT_LIVE) return take_frame(ask);
#if OV_WITH_PANEL
  if (kind == OV_REPORT_PANEL) return take_panel(ask);
#endif
  if (ask->value_high != OUTPUT_REPORT || kind != OV_REPORT_KEYBOARD) return 0;
  if (!wait_for(BIT(RXOUTI))) return 1;
  ov_host_locks(UEDATX);
  UEINTX = (uint8_t)~BIT(RXOUTI);
  send_nothing();
  return 1;
}

/* Number 0 means all reports of the interface (HID 1.11, section 7.2.4), which follow each other from the first on. */
static uint8_t set_idle(const struct setup *ask, uint8_t nth) {
  for (; nth < report_count() && of_report(nth, INTERFACE) == ask->index; nth++)
    if (ask->value_low == 0 || of_report(nth, NUMBER) == ask->value_low) idle_of[nth] = ask->value_high;
  send_nothing();
  return 1;
}

static uint8_t set_protocol(const struct setup *ask) {
  uint8_t own = BIT(ask->index);
  if (ask->value_low) boot_protocol &= (uint8_t)~own;
  else boot_protocol |= own;
  send_nothing();
  return 1;
}

static uint8_t of_class(const struct setup *ask) {
  uint8_t is_any = (uint8_t)(ask->request == GET_PROTOCOL || ask->request == SET_IDLE || ask->request == SET_PROTOCOL);
  uint8_t nth;
  if (!is_interface(ask)) return 0;
#if OV_HAS_SERIAL
  if (ov_serial_is_at(ask->index)) return of_serial(ask);
#endif
  nth = asked_report(ask, is_any);
  if (nth == OV_NONE) return 0;
  if (ask->type == CLASS_IN) {
    if (ask->request == GET_REPORT) return give_report(ask, nth);
    if (ask->request == GET_IDLE) return answer_byte(idle_of[nth], ask);
    if (ask->request == GET_PROTOCOL) return answer_byte((uint8_t)!(boot_protocol & BIT(ask->index)), ask);
    return 0;
  }
  if (ask->request == SET_REPORT) return take_report(ask, nth);
  if (ask->request == SET_IDLE) return set_idle(ask, nth);
  return ask->request == SET_PROTOCOL && set_protocol(ask);
}

static void obey(void) {
  struct setup ask;
  uint8_t done;
  ask.type = UEDATX;
  ask.request = UEDATX;
  ask.value_low = UEDATX;
  ask.value_high = UEDATX;
  ask.index = UEDATX;
  (void)UEDATX;
  ask.length_low = UEDATX;
  ask.length_high = UEDATX;
  UEINTX = (uint8_t)~(BIT(RXSTPI) | BIT(RXOUTI) | BIT(TXINI));
  if ((ask.type & 0x60) == 0x20) done = of_class(&ask);
  else if (ask.type & 0x60) done = 0;
  else if ((ask.type & 0x1F) == TO_DEVICE) done = of_device(&ask);
  else if ((ask.type & 0x1F) == TO_INTERFACE) done = of_interface(&ask);
  else done = (uint8_t)((ask.type & 0x1F) == TO_ENDPOINT && of_endpoint(&ask));
  if (!done) stall();
}

void ov_usb_poll(void) {
  if (UDINT & BIT(EORSTI)) {
    UDINT = (uint8_t)~BIT(EORSTI);
    bus_was_reset();
  }
  if (UDINT & BIT(SUSPI)) {
    UDINT = (uint8_t)~(BIT(SUSPI) | BIT(WAKEUPI));
    quiet = configuration;
    ov_host_sleeps(quiet);
  }
  if (UDINT & BIT(WAKEUPI)) {
    UDINT = (uint8_t)~BIT(WAKEUPI);
    quiet = 0;
    ov_host_sleeps(0);
  }
  select_endpoint(0);
  if (UEINTX & BIT(RXSTPI)) obey();
#if OV_HAS_SERIAL
  if (configuration) ov_serial_pass();
#endif
#if OV_HEARS_NOTES
  if (configuration) ov_listen_pass();
#endif
}

/* A report while the bus sleeps wakes up the host, when it has allowed that; it is told once the bus runs again. What the pointer
 * moves is forgotten instead, and music waits: a stick that is touched shall not wake a computer that was sent to sleep. */
uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  uint8_t nth, number;
  if (!configuration) return 0;
  if (quiet) {
    if (ov_report_is_movement(kind, bytes)) return 1;
    if (OV_WITH_MUSIC && kind == OV_REPORT_MUSIC) return 0;
    if (may_wake) UDCON |= BIT(RMWKUP);
    return 0;
  }
  for (nth = 0; of_report(nth, KIND) != kind; nth++) {}
  select_endpoint(of_report(nth, ENDPOINT));
  if (!(UEINTX & BIT(TXINI)) || (UECONX & BIT(STALLRQ))) return 0;
  number = of_report(nth, NUMBER);
  if (number) UEDATX = number;
  while (length-- > 0) UEDATX = *bytes++;
  UEINTX = (uint8_t)~(BIT(TXINI) | BIT(NAKINI) | BIT(RXOUTI));
  UEINTX = (uint8_t)~BIT(FIFOCON);
  silent_of[nth] = 0;
  return 1;
}

void ov_usb_pass(uint8_t elapsed_ms) {
  uint8_t bytes[OV_LONGEST_REPORT];
  uint8_t nth;
  for (nth = 0; nth < report_count(); nth++) {
    uint8_t kind = of_report(nth, KIND);
    if (idle_of[nth] == 0 || !configuration) continue;
    silent_of[nth] = (uint16_t)(silent_of[nth] + elapsed_ms);
    if (silent_of[nth] < 4u * idle_of[nth] || ov_report_sending(kind) != OV_SEND_STATE) continue;
    ov_report_build(kind, bytes);
    ov_hal_report(kind, bytes, ov_report_length(kind));
  }
}
