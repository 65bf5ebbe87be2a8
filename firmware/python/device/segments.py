"""Segment displays: a text or a value on each layer, on chains of serial drivers. A scan looks at one display, and sends one frame."""

from device.contract import (
    AT_SEGMENT_CHAIN_TABLE,
    AT_SEGMENT_CHAINS,
    AT_SEGMENT_DISPLAYS,
    AT_SEGMENT_START_TABLE,
    AT_SEGMENT_STARTS,
    AT_SEGMENT_TABLE,
    AT_SEGMENT_TEXTS,
    AT_SEGMENT_USE_TABLE,
    SEGMENT_AT_CHAIN,
    SEGMENT_AT_DIGITS,
    SEGMENT_AT_DRIVER,
    SEGMENT_BYTES,
    SEGMENT_DO_PASS,
    SEGMENT_DO_TEXT,
    SEGMENT_DO_VALUE,
    SEGMENT_FIGURES,
    SEGMENT_MINUS,
    SEGMENT_POINT,
    SEGMENT_START_BYTES,
    SEGMENT_USE_AT_HIGH,
    SEGMENT_USE_AT_LOW,
    SEGMENT_USE_AT_OF,
    SEGMENT_USE_AT_POINT,
    SEGMENT_USE_AT_TOP,
    SEGMENT_USE_BYTES,
    SEGMENTS_DIGITS,
    SEGMENTS_FIRST_REGISTER,
)
from device.numbers import digits_of, number_between, signed
from device.table import word


class Chain:
    def __init__(self, drivers):
        self.digits = [[0] * SEGMENTS_DIGITS for _ in range(drivers)]  # of each driver, the rightmost first
        self.unsent = set(range(SEGMENTS_DIGITS))


class Display:
    def __init__(self, table, at, chains):
        self.chain = chains[table[at + SEGMENT_AT_CHAIN]]
        self.driver = table[at + SEGMENT_AT_DRIVER]
        self.count = table[at + SEGMENT_AT_DIGITS]
        self.shown = None  # its use, and the value

    def put(self, patterns):
        """From the right."""
        for nth, pattern in enumerate(patterns):
            driver = self.chain.digits[self.driver + nth // SEGMENTS_DIGITS]
            digit = nth % SEGMENTS_DIGITS
            if driver[digit] != pattern:
                driver[digit] = pattern
                self.chain.unsent.add(digit)


class Segments:
    def __init__(self, table, layers, value_of, send):
        """send(chain, frame) shifts it through the chain."""
        self.table, self.layers, self.value_of, self.send = table, layers, value_of, send
        self.count = table[AT_SEGMENT_DISPLAYS]
        drivers = word(table, AT_SEGMENT_CHAIN_TABLE)
        self.chains = [Chain(table[drivers + nth]) for nth in range(table[AT_SEGMENT_CHAINS])]
        first = word(table, AT_SEGMENT_TABLE)
        self.displays = [Display(table, first + SEGMENT_BYTES * nth, self.chains) for nth in range(self.count)]
        self.uses = word(table, AT_SEGMENT_USE_TABLE)
        self.texts = word(table, AT_SEGMENT_TEXTS)
        first = word(table, AT_SEGMENT_START_TABLE)
        starts = range(first, first + SEGMENT_START_BYTES * table[AT_SEGMENT_STARTS], SEGMENT_START_BYTES)
        self.starts = [tuple(table[at : at + SEGMENT_START_BYTES]) for at in starts]
        self.turn = self.chain = 0
        self.is_dark = False  # the computer sleeps

    def use_at(self, layer, nth):
        return self.uses + (layer * self.count + nth) * SEGMENT_USE_BYTES

    def play(self, is_crowded):
        """Turns go by scans, also by those that leave them out: when many switches change, and when the computer told something.

        Answers whether a frame was sent."""
        self.turn = (self.turn + 1) % self.count
        self.chain = (self.chain + 1) % len(self.chains)
        if is_crowded:
            return False
        self.look(self.displays[self.turn], self.turn)
        if not self.starts:
            return self.tell_digit()
        nth, register, value = self.starts.pop(0)
        self.tell(nth, register, [value] * len(self.chains[nth].digits))
        return True

    def look(self, display, nth):
        if self.is_dark:
            if display.shown is not None:
                display.shown = None
                display.put([0] * display.count)
            return
        layer = self.layers.found(lambda one: self.table[self.use_at(one, nth)] != SEGMENT_DO_PASS)
        use = self.use_at(layer, nth)
        does = self.table[use]
        value = self.value_of(self.table[use + SEGMENT_USE_AT_OF]) if does == SEGMENT_DO_VALUE else 0
        if display.shown == (use, value):
            return
        display.shown = (use, value)
        if does == SEGMENT_DO_VALUE:
            display.put(self.number(use, value, display.count))
        elif does == SEGMENT_DO_TEXT:
            text = self.texts + word(self.table, use + SEGMENT_USE_AT_LOW)
            display.put(self.table[text : text + display.count])
        else:
            display.put([0] * display.count)

    def number(self, use, value, count):
        """Digits from the right; what has too many is nothing but minus signs."""
        low = signed(word(self.table, use + SEGMENT_USE_AT_LOW))
        high = signed(word(self.table, use + SEGMENT_USE_AT_HIGH))
        top = self.table[use + SEGMENT_USE_AT_TOP]
        number = number_between(low, high, top, value)
        point = self.table[use + SEGMENT_USE_AT_POINT]
        patterns = [SEGMENT_FIGURES[digit] for digit in digits_of(number, point)]
        if point > 0:
            patterns[point] |= SEGMENT_POINT
        if number < 0:
            patterns.append(SEGMENT_MINUS)
        if len(patterns) > count:
            return [SEGMENT_MINUS] * count
        return patterns + [0] * (count - len(patterns))

    def tell(self, nth, register, values):
        """The farthest driver first."""
        frame = bytearray()
        for value in reversed(values):
            frame.append(register)
            frame.append(value)
        self.send(nth, bytes(frame))

    def tell_digit(self):
        chain = self.chains[self.chain]
        if not chain.unsent:
            return False
        digit = min(chain.unsent)
        chain.unsent.remove(digit)
        self.tell(self.chain, SEGMENTS_FIRST_REGISTER + digit, [driver[digit] for driver in chain.digits])
        return True
