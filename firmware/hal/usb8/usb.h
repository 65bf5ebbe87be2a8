/* The chip's side of USB: usb.c. */
#ifndef OV_USB_H
#define OV_USB_H

#include <stdint.h>

void ov_usb_attach(void);
void ov_usb_poll(void);
void ov_usb_pass(uint8_t elapsed_ms); /* after a scan: reports that the host wants again from time to time */

#endif
