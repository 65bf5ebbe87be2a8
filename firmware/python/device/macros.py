"""Macros: steps that the device does by itself, one macro at a time; one that is begun ends the one before.

A step that tells something waits until the host has taken what was told before. When a macro ends, however it does,
nothing of it stays down."""

from device.contract import (
    AGAIN_BYTES,
    AT_MACRO_TABLE,
    AT_PULSE_MS,
    LEFT_SHIFT,
    MACRO_BYTES,
    MACRO_ENDS,
    MACRO_KEYS,
    PARTS_DEEP,
    STEP_AGAIN,
    STEP_BYTES,
    STEP_CONSUMER,
    STEP_END,
    STEP_PRESS,
    STEP_RELEASE,
    STEP_STAY_LAYER,
    STEP_SWITCH_LAYER,
    STEP_TAP,
    STEP_TEXT,
    STEP_UNTIL_LET_GO,
    STEP_WAIT,
    STROKE_LONG,
    STROKE_SHIFT,
)
from device.table import word

STEPS = 3  # they come after how often the macro plays, its flags, and where it begins again
CONSUMER = -1


class Macros:
    def __init__(self, table, layers, reports):
        self.table = table
        self.layers = layers
        self.reports = reports
        self.end()

    def end(self):
        self.down = [0] * MACRO_KEYS
        self.with_modifiers = [0] * MACRO_KEYS
        self.usage = 0  # of the consumer page
        self.plays = self.ends = self.types = False
        self.strokes = 0  # of a text, still to be typed
        self.parts = []  # that are done again: where each ends and how often it still is, the innermost last
        self.tapped = None  # the place of the key that is down for a tap
        self.reports.changed = True

    def start(self, number, macro):
        if self.plays:
            self.end()
        first = word(self.table, AT_MACRO_TABLE)
        self.begins = first + word(self.table, first + macro * MACRO_BYTES)
        self.at = self.begins + STEPS
        self.left_plays = self.table[self.begins]
        self.plays = True
        self.ends = bool(self.table[self.begins + 1] & MACRO_ENDS)
        self.own = number
        self.is_let_go = False
        self.left_ms = 0

    def let_go(self, number):
        if self.plays and number == self.own:
            self.is_let_go = True

    def press(self, usage, modifiers):
        """The place of a usage that is down, or goes down now; None when there is no room for it."""
        if usage not in self.down and 0 not in self.down:
            return None
        place = self.down.index(usage if usage in self.down else 0)
        self.down[place] = usage
        self.with_modifiers[place] = modifiers
        self.reports.changed = True
        return place

    def tap(self, place):
        self.tapped = place
        self.left_ms = self.table[AT_PULSE_MS]

    def end_tap(self):
        if self.tapped == CONSUMER:
            self.usage = 0
        else:
            self.down[self.tapped] = 0
        self.tapped = None
        self.reports.changed = True

    def next_byte(self):
        self.at += 1
        return self.table[self.at - 1]

    def type(self):
        usage = self.next_byte()
        if usage == STROKE_LONG:
            usage = self.next_byte()
            modifiers = self.next_byte()
        else:
            modifiers = LEFT_SHIFT if usage & STROKE_SHIFT else 0
            usage &= ~STROKE_SHIFT
        self.tap(self.press(usage, modifiers))
        self.strokes -= 1
        self.types = True

    def again(self):
        if self.left_plays == 0:
            over = self.is_let_go
        else:
            self.left_plays -= 1
            over = self.left_plays == 0
        if over:
            self.end()
        else:
            self.at = self.begins + self.table[self.begins + 2]

    def part_again(self):
        """At the end of a part: back to where it begins, or on."""
        times = self.table[self.at + 1]
        parts = self.parts
        once_more = not self.is_let_go
        if times:
            if parts and parts[-1][0] == self.at:
                parts[-1][1] -= 1
            elif times > 1 and len(parts) < PARTS_DEEP:
                parts.append([self.at, times - 1])
            once_more = bool(parts) and parts[-1][0] == self.at and parts[-1][1] > 0
            if not once_more and parts and parts[-1][0] == self.at:
                parts.pop()
        if once_more:
            self.at -= word(self.table, self.at + 2)
        else:
            self.at += AGAIN_BYTES

    def step(self):
        if self.types:
            self.reports.changed = True
        self.types = False
        while self.table[self.at] == STEP_UNTIL_LET_GO:
            if not self.is_let_go:
                return
            self.at += 1
        kind = self.table[self.at]
        if kind == STEP_END:
            self.again()
        elif kind == STEP_AGAIN:
            self.part_again()
        elif kind == STEP_TEXT:
            self.strokes = self.table[self.at + 1]
            self.at += 2
            self.type()
        else:
            at = self.at
            self.at += STEP_BYTES
            self.do(kind, self.table[at + 1], self.table[at + 2])

    def do(self, kind, first, second):
        if kind == STEP_PRESS:
            self.press(first, second)
        elif kind == STEP_RELEASE:
            self.down = [0 if usage == first else usage for usage in self.down]
            self.reports.changed = True
        elif kind == STEP_TAP:
            self.tap(self.press(first, second))
        elif kind == STEP_WAIT:
            self.left_ms = first | second << 8
        elif kind == STEP_CONSUMER:
            self.usage = first | second << 8
            self.tap(CONSUMER)
            self.reports.changed = True
        elif kind == STEP_STAY_LAYER:
            self.layers.stay(first)
        elif kind == STEP_SWITCH_LAYER:
            self.layers.switch(first)
        else:
            self.end()

    def play(self, elapsed_ms):
        if not self.plays:
            return
        if self.left_ms > elapsed_ms:
            self.left_ms -= elapsed_ms
            return
        self.left_ms = 0
        if self.reports.waiting:
            return
        if self.tapped is not None:
            self.end_tap()
        elif self.strokes > 0:
            self.type()
        else:
            self.step()
