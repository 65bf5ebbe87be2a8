"""Lamps show a state of the device: a layer, a lock of the host's, something that waits for the next key, an input
that is held, that it keeps the computer awake, how far a value is, a flag that the computer sets, or simply that it runs. They are lit steadily or in
pulses, and dimmed by being lit in some of eight milliseconds only."""

from device.contract import (
    AT_LAMP_TABLE,
    AT_LAMPS,
    LAMP_ALWAYS,
    LAMP_AWAKE,
    LAMP_BYTES,
    LAMP_HELD,
    LAMP_LAYER,
    LAMP_LOCK,
    LAMP_NEXT,
    LAMP_TICK_MS,
    LAMP_TOLD,
    LAMP_VALUE,
    NONE,
)
from device.table import word

EIGHTHS = 8


class Lamp:
    def __init__(self, entry):
        self.line, kind, argument, level, self.on_ticks, self.off_ticks, self.times, self.eighths = entry
        self.shown = (kind, argument, level)
        self.told = None  # in the first scan every lamp is told, so that none starts lit
        self.was_there = False
        self.in_pulse = False
        self.pulses = 0  # that are left
        self.left = 0  # ticks until that changes; 0: it does not

    def pass_ticks(self, ticks):
        """From a pulse into the pause behind it and back, until no pulses are left."""
        while ticks >= self.left > 0:
            ticks -= self.left
            self.in_pulse = not self.in_pulse
            if self.in_pulse:
                self.left = self.on_ticks
                continue
            if self.times:
                self.pulses -= 1
            self.left = 0 if self.times and not self.pulses else self.off_ticks
        if self.left:
            self.left -= ticks

    def in_pattern(self, is_there, ticks):
        """A pattern begins with its state. One of so many pulses goes to its end even when the state is over."""
        if is_there and not self.was_there:
            self.in_pulse = True
            self.pulses = self.times
            self.left = self.on_ticks
        else:
            if not is_there and not self.times:
                self.in_pulse = False
                self.left = 0
            self.pass_ticks(ticks)
        self.was_there = is_there
        return self.in_pulse


class Lamps:
    def __init__(self, table, actions, layers, next_key, awake, value_of, panel, show):
        """show(line, on) switches a lamp."""
        first = word(table, AT_LAMP_TABLE)
        last = first + LAMP_BYTES * table[AT_LAMPS]
        self.all = [Lamp(table[at : at + LAMP_BYTES]) for at in range(first, last, LAMP_BYTES)]
        self.actions = actions
        self.layers = layers
        self.next_key = next_key
        self.awake = awake
        self.value_of = value_of  # of an encoder, or behind those of an axis
        self.panel = panel
        self.locks = 0
        self.is_dark = False  # the computer sleeps
        self.show = show
        self.tick_ms = 0  # towards the next tick
        self.eighth = 0  # the millisecond, of eight

    def wanted(self, kind, argument, level):
        if kind == LAMP_ALWAYS:
            return True
        if kind == LAMP_LAYER:
            return self.layers.is_active(argument)
        if kind == LAMP_NEXT:
            return self.next_key.waits() or self.link.waits_for_key()
        if kind == LAMP_HELD:
            return self.actions.held_on[argument] != NONE
        if kind == LAMP_AWAKE:
            return self.awake.is_on() or self.link.keeps_awake()
        if kind == LAMP_VALUE:
            return self.value_of(argument) >= level
        if kind == LAMP_TOLD:
            return self.panel.flag(argument)
        return kind == LAMP_LOCK and bool(self.locks >> argument & 1)

    def play(self, elapsed_ms):
        self.eighth = (self.eighth + elapsed_ms) % EIGHTHS
        ticks, self.tick_ms = divmod(self.tick_ms + elapsed_ms, LAMP_TICK_MS)
        for lamp in self.all:
            on = self.wanted(*lamp.shown)
            if lamp.on_ticks:
                on = lamp.in_pattern(on, ticks)
            if self.is_dark or self.eighth >= lamp.eighths:
                on = False
            if lamp.told != on:
                lamp.told = on
                self.show(lamp.line, on)
