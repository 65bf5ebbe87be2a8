"""The game pad's report: buttons in their order, a bit each; its hat; and axes, of as many bits as the tables say."""

from device.contract import (
    AT_PAD_AXES,
    AT_PAD_AXIS_BITS,
    AT_PAD_BOTH_SIDES,
    AT_PAD_BUTTONS,
    AT_PAD_HAT,
    AXIS_MOST,
    DIRECTION_DOWN,
    DIRECTION_LEFT,
    DIRECTION_RIGHT,
    DIRECTION_UP,
    HAT_NONE,
)

PLACE_BITS = 12
HAT = (7, 0, 1, 6, HAT_NONE, 2, 5, 4, 3)  # clockwise from up; opposite sides cancel


def scaled(place, bits):
    """A place with more or fewer bits, so that the farthest stays the farthest."""
    if bits <= PLACE_BITS:
        return place >> (PLACE_BITS - bits)
    return (place << (bits - PLACE_BITS)) | (place >> (2 * PLACE_BITS - bits))


class PadReport:
    def __init__(self, table):
        self.buttons = [0] * table[AT_PAD_BUTTONS]  # inputs that hold each button
        self.hat = [0] * 4
        self.has_hat = table[AT_PAD_HAT]
        self.axis_count = table[AT_PAD_AXES]
        self.both_sides = table[AT_PAD_BOTH_SIDES]
        self.bits = table[AT_PAD_AXIS_BITS]
        self.length = (len(self.buttons) + 7) // 8 + self.has_hat + self.axis_count * (2 if self.bits > 8 else 1)
        self.axes = self.reports = None

    def button(self, button, pressed):
        if button < len(self.buttons):
            self.buttons[button] += 1 if pressed else -1
            self.reports.changed = True

    def push_hat(self, side, pressed):
        self.hat[side & 3] += 1 if pressed else -1
        self.reports.changed = True

    def hat_value(self):
        right = (self.hat[DIRECTION_RIGHT] > 0) - (self.hat[DIRECTION_LEFT] > 0)
        down = (self.hat[DIRECTION_DOWN] > 0) - (self.hat[DIRECTION_UP] > 0)
        return HAT[3 * (down + 1) + right + 1]

    def axis_value(self, total, both_sides):
        if not both_sides and total < 0:
            return 0
        value = scaled(min(abs(total), AXIS_MOST), self.bits - both_sides)
        return -value & 0xFFFF if total < 0 else value

    def build(self):
        told = bytearray((len(self.buttons) + 7) // 8)
        for nth, held in enumerate(self.buttons):
            if held > 0:
                told[nth >> 3] |= 1 << (nth & 7)
        if self.has_hat:
            told.append(self.hat_value())
        for nth, total in enumerate(self.axes.sums(self.axis_count)):
            value = self.axis_value(total, self.both_sides >> nth & 1)
            told.append(value & 0xFF)
            if self.bits > 8:
                told.append(value >> 8 & 0xFF)
        return bytes(told)
