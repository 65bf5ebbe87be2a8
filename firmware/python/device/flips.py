"""Switches that stay where they are put tell their change: each flip is a pulse of what they are bound to.

A layer is held for as long as its switch is on."""

from device.contract import AT_SWITCH_TABLE, NONE, SWITCH_BYTES
from device.table import word


class Flips:
    def __init__(self, table, actions, layers, waiting, pulses):
        self.table = table
        self.first = word(table, AT_SWITCH_TABLE)
        self.actions = actions
        self.layers = layers
        self.waiting = waiting
        self.pulses = pulses

    def tells_report(self, number):
        return self.actions.reports(self.actions.first_at(self.layers.layer_for(number), number))

    def flipped(self, number, closed):
        nth = self.table[self.first + SWITCH_BYTES * number + 1]
        idle = self.pulses.is_idle(nth)
        holds = not self.tells_report(number) if closed else self.actions.held_on[number] != NONE
        if idle and holds:
            self.waiting.changed(number, closed)
        if not (idle and holds) or not closed and self.pulses.has_back(nth):
            self.pulses.tell(nth, number, 0 if closed else 1)

    def found_closed(self, number):
        """At the start: nobody has flipped it."""
        if not self.tells_report(number):
            self.waiting.changed(number, True)
