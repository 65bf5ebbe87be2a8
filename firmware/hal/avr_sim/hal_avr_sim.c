/* A 16 MHz 8-bit board in the simulator. Waiting takes real cycles, so that the measured scan time is honest. */
#include "ovrin.h"
#include "ports.h"

#define PORT(address) (*(volatile uint8_t *)(address))
#define CYCLES_A_US 16

void ov_hal_strobe(uint8_t line) { PORT(OV_PORT_STROBE) = (uint8_t)(line + 1); }
void ov_hal_release(uint8_t line) { (void)line; PORT(OV_PORT_STROBE) = 0; }
void ov_hal_lamp(uint8_t line, uint8_t on) { PORT(OV_PORT_LAMP) = line; PORT(OV_PORT_LAMP) = on; }

void ov_hal_settle(uint8_t us) {
  uint16_t loops = (uint16_t)(us * (CYCLES_A_US / 4)); /* one turn of the loop below takes 4 cycles */
  if (loops == 0) return;
  __asm__ volatile("1: sbiw %0, 1\n\tbrne 1b" : "+w"(loops));
}

uint16_t ov_hal_read(uint8_t bank) {
  uint8_t low;
  PORT(OV_PORT_BANK) = bank;
  low = PORT(OV_PORT_WORD_LOW);
  return (uint16_t)(low | (uint16_t)(PORT(OV_PORT_WORD_HIGH) << 8));
}

uint8_t ov_hal_report(uint8_t kind, const uint8_t *bytes, uint8_t length) {
  uint8_t i;
  if (!PORT(OV_PORT_TAKEN)) return 0;
  PORT(OV_PORT_INTERFACE) = kind;
  for (i = 0; i < length; i++) PORT(OV_PORT_BYTE) = bytes[i];
  PORT(OV_PORT_SENT) = length;
  return 1;
}

int main(void) {
  ov_init();
  for (;;) {
    PORT(OV_PORT_READY) = 1;
    switch (PORT(OV_PORT_COMMAND)) {
      case 1: ov_init(); break;
      case 2: ov_host_locks(PORT(OV_PORT_LOCKS)); break;
      case 3: ov_host_reset(); break;
      default: ov_scan(PORT(OV_PORT_ELAPSED)); break;
    }
  }
}
