/* Endpoints of the 8-bit USB class as its data sheet has them (from memory): seven of them, 832 bytes of packet memory, given
 * out in rising order; endpoint 1 holds up to 256 bytes, the others up to 64, in one bank or two. */
#include "endpoints.h"

#include <stdio.h>
#include <string.h>

#define MOST_ENDPOINTS 7
#define PACKET_MEMORY 832
#define ENDPOINT_NUMBER 0xE9 /* UENUM */
#define KIND 0xEC            /* UECFG0X: type, direction */
#define SIZE 0xED            /* UECFG1X: size, banks, whether memory is given */
#define GIVES_MEMORY 0x02
#define INTERRUPT_IN 0xC1
#define BULK_IN 0x81
#define BULK_OUT 0x80

static int bytes_of[256], banks_of[256], kind_of[256], last;
static char trouble[80];

static void on_size(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  int number = avr->data[ENDPOINT_NUMBER];
  (void)addr;
  (void)p;
  if (!(v & GIVES_MEMORY)) return;
  if (number >= MOST_ENDPOINTS) snprintf(trouble, sizeof trouble, "endpoint %d: the chip has none of that number", number);
  else if (number < last) snprintf(trouble, sizeof trouble, "endpoint %d after endpoint %d: memory slides", number, last);
  last = number;
  bytes_of[number] = 8 << ((v >> 4) & 7);
  banks_of[number] = 1 + ((v >> 2) & 3);
}

static void on_kind(struct avr_t *avr, avr_io_addr_t addr, uint8_t v, void *p) {
  (void)addr;
  (void)p;
  kind_of[avr->data[ENDPOINT_NUMBER]] = v;
}

void endpoints_watch(struct avr_t *avr) {
  avr_register_io_write(avr, SIZE, on_size, NULL);
  avr_register_io_write(avr, KIND, on_kind, NULL);
}

void endpoints_forget(void) {
  memset(bytes_of, 0, sizeof bytes_of);
  memset(kind_of, 0, sizeof kind_of);
  trouble[0] = 0;
  last = 0;
}

static int memory_given(void) {
  int number, sum = 0;
  for (number = 0; number < MOST_ENDPOINTS; number++) {
    int most = number == 1 ? 256 : 64;
    if (bytes_of[number] > most || banks_of[number] > 2) snprintf(trouble, sizeof trouble, "endpoint %d: %d bytes, %d banks", number, bytes_of[number], banks_of[number]);
    sum += bytes_of[number] * (bytes_of[number] ? banks_of[number] : 0);
  }
  return sum;
}

/* One endpoint descriptor (USB 2.0, table 9-13) against what was set up. */
static void hold(const uint8_t *endpoint) {
  int number = endpoint[2] & 0x0F, packet = endpoint[4] | (endpoint[5] << 8);
  int is_in = (endpoint[2] & 0x80) != 0, is_bulk = endpoint[3] == 2;
  if (!is_bulk && (endpoint[3] != 3 || !is_in)) snprintf(trouble, sizeof trouble, "endpoint %d is no interrupt endpoint to the host, and no bulk one", number);
  else if (kind_of[number] != (is_bulk ? (is_in ? BULK_IN : BULK_OUT) : INTERRUPT_IN)) snprintf(trouble, sizeof trouble, "endpoint %d is set up as %02x", number, kind_of[number]);
  else if (bytes_of[number] < packet) snprintf(trouble, sizeof trouble, "endpoint %d: packets of %d bytes in %d", number, packet, bytes_of[number]);
}

int endpoints_agree(const uint8_t *descriptor, int length) {
  int at, sum = memory_given();
  for (at = 0; at + 1 < length && descriptor[at] > 0; at += descriptor[at]) {
    if (descriptor[at + 1] == 5) hold(descriptor + at);
  }
  if (sum > PACKET_MEMORY) snprintf(trouble, sizeof trouble, "%d bytes of packets; the chip has %d", sum, PACKET_MEMORY);
  if (bytes_of[0] != 64) snprintf(trouble, sizeof trouble, "the control endpoint has %d bytes", bytes_of[0]);
  if (trouble[0]) fprintf(stderr, "%s\n", trouble);
  return !trouble[0];
}
