"""Two schools, by switch. Deferred: a change counts once every scan for the debounce time has seen it, so that a spike
on a long wire is no keystroke. Eager: a change counts at once, and what follows within the time does not."""

from device.contract import (
    AT_SWITCH_TABLE,
    AT_SWITCHES,
    MOST_CHANGES_A_SCAN,
    NONE,
    SWITCH_BYTES,
    SWITCH_DEBOUNCE_MS,
    SWITCH_EAGER,
    SWITCH_FLIPS,
)
from device.link import FOUND, LOST
from device.table import word


class Debounce:
    def __init__(self, table, waiting, flips):
        count = table[AT_SWITCHES]
        first = word(table, AT_SWITCH_TABLE)
        self.entries = [table[first + SWITCH_BYTES * number] for number in range(count)]
        self.closed = [False] * count
        self.locked = [False] * count
        self.left_ms = [0] * count
        self.busy = 0  # switches whose time runs
        self.elapsed_ms = 0
        self.scans = 0
        self.room = 0  # for changes that this scan may still tell: the others are told in the next one
        self.put_off = False  # there are such
        self.waiting = waiting
        self.flips = flips

    def begin_scan(self, elapsed_ms):
        self.elapsed_ms = elapsed_ms
        self.scans = min(self.scans + 1, 2)
        self.room = len(self.entries) if self.scans == 1 else MOST_CHANGES_A_SCAN
        self.put_off = False

    def told(self):
        """Changes that this scan has told."""
        return 0 if self.scans == 1 else MOST_CHANGES_A_SCAN - self.room

    def see(self, number, closed):
        """One reading of a switch."""
        differs = self.closed[number] != closed
        left = self.left_ms[number]
        if left == 0:
            if differs:
                self.first_seen(number, closed)
            return
        if left > self.elapsed_ms and (differs or self.locked[number]):
            self.left_ms[number] = left - self.elapsed_ms
            return
        if differs and self.room == 0:
            self.left_ms[number] = 1
            return
        self.busy -= 1
        self.left_ms[number] = 0
        was_locked, self.locked[number] = self.locked[number], False
        if differs:
            if was_locked:
                self.first_seen(number, closed)
            else:
                self.count(number, closed)

    def first_seen(self, number, closed):
        entry = self.entries[number]
        ms = entry & SWITCH_DEBOUNCE_MS
        eager = bool(entry & SWITCH_EAGER)
        at_once = eager or ms == 0 or (self.scans == 1 and bool(entry & SWITCH_FLIPS))
        if at_once and self.room == 0:
            self.put_off = True
            return
        if at_once:
            self.count(number, closed)
        if ms == 0 or (at_once and not eager):
            return
        self.locked[number] = at_once
        self.left_ms[number] = ms
        self.busy += 1

    def count(self, number, closed):
        self.room -= 1
        self.closed[number] = closed
        self.radio.changed = True
        if self.link.is_far:
            self.flips.actions.held_on[number] = 0 if closed else NONE
        elif not self.entries[number] & SWITCH_FLIPS:
            self.waiting.changed(number, closed)
        elif self.scans == 1:
            self.flips.found_closed(number)
        else:
            self.flips.flipped(number, closed)

    def told_by_other(self, number, closed, how):
        """Settled over there. A switch that stays where it is put is not turned back by a broken line. False: in a later scan."""
        flips = self.entries[number] & SWITCH_FLIPS
        if self.closed[number] == closed or (flips and how == LOST):
            return True
        if self.room == 0:
            return False
        if flips and how == FOUND and not self.link.is_far:
            self.closed[number] = closed
            if closed:
                self.flips.found_closed(number)
        else:
            self.count(number, closed)
        return True
