"""Lamps show a state of the device: a layer, a lock of the host's, something that waits for the next key, an input
that is held, that it keeps the computer awake, how far a knob's value is, or simply that it runs."""

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
    LAMP_VALUE,
    NONE,
)
from device.table import word


class Lamps:
    def __init__(self, table, actions, layers, next_key, awake, encoders, show):
        """show(line, on) switches a lamp."""
        first = word(table, AT_LAMP_TABLE)
        self.entries = [tuple(table[at : at + 4]) for at in range(first, first + LAMP_BYTES * table[AT_LAMPS], LAMP_BYTES)]
        self.actions = actions
        self.layers = layers
        self.next_key = next_key
        self.awake = awake
        self.encoders = encoders
        self.locks = 0
        self.show = show
        self.told = [None] * len(self.entries)  # in the first scan every lamp is told, so that none starts lit

    def wanted(self, kind, argument, level):
        if kind == LAMP_ALWAYS:
            return True
        if kind == LAMP_LAYER:
            return self.layers.is_active(argument)
        if kind == LAMP_NEXT:
            return self.next_key.waits()
        if kind == LAMP_HELD:
            return self.actions.held_on[argument] != NONE
        if kind == LAMP_AWAKE:
            return self.awake.is_on()
        if kind == LAMP_VALUE:
            return self.encoders.all[argument].value >= level
        return kind == LAMP_LOCK and bool(self.locks >> argument & 1)

    def play(self):
        for nth, (line, kind, argument, level) in enumerate(self.entries):
            on = self.wanted(kind, argument, level)
            if self.told[nth] != on:
                self.told[nth] = on
                self.show(line, on)
