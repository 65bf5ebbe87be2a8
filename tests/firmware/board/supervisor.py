"""Stand-in: the clock in milliseconds, who the device says it is, and whether a computer is there."""

from harness import clock, host, told_identity


def ticks_ms():
    return clock.next_ms()


def set_usb_identification(maker, product, vendor_id, product_id):
    told_identity[:] = [maker, product, vendor_id, product_id]


class Runtime:
    @property
    def usb_connected(self):
        return host.is_there


runtime = Runtime()
