"""Addressable lights. A picture of all of them is worked out, a few in each scan; the chains that it changes are then sent, each
in a scan of its own, and the scans that come while that takes are left out. So no other scan grows longer by it."""

from device.contract import (
    AT_CHAIN_TABLE,
    AT_CHAINS,
    AT_LIGHT_TABLE,
    AT_LIGHTS,
    AT_LIGHTS_A_SCAN,
    CHAIN_BYTES,
    COLOURS,
    LIGHT_BYTES,
    PICTURE_MS,
)
from device.table import word

MOST_MS = 255


class Chain:
    def __init__(self, entry, number):
        self.lights, self.most_lit, self.level, self.send_ms = entry
        self.number = number
        self.told = bytearray(COLOURS * self.lights)
        self.is_changed = True  # the first picture is sent whatever it shows, as lights may glow by chance
        self.may_light = 0

    def tell(self, nth, colours, places):
        """Never brighter than the chain may be, and no more lights lit at once: the first of the chain."""
        colours = [colour * (self.level + 1) >> 8 for colour in colours]
        if any(colours):
            if self.may_light > 0:
                self.may_light -= 1
            else:
                colours = [0, 0, 0]
        for place, colour in zip(places, colours):
            at = COLOURS * nth + place
            if self.told[at] != colour:
                self.told[at] = colour
                self.is_changed = True


class Lights:
    def __init__(self, table, glows, send):
        """send(chain, bytes) sends a chain of lights theirs."""
        at = word(table, AT_CHAIN_TABLE)
        entries = range(at, at + CHAIN_BYTES * table[AT_CHAINS], CHAIN_BYTES)
        self.chains = [Chain(table[one : one + CHAIN_BYTES], nth) for nth, one in enumerate(entries)]
        self.lights = [(chain, nth) for chain in self.chains for nth in range(chain.lights)]
        first = word(table, AT_LIGHT_TABLE) + 1
        places = [table[first + LIGHT_BYTES * nth] for nth in range(table[AT_LIGHTS])]
        self.places = [(one & 3, one >> 2 & 3, one >> 4 & 3) for one in places]
        self.glows = glows
        self.send = send
        self.count = len(self.lights)
        self.a_scan = table[AT_LIGHTS_A_SCAN]
        self.light = self.count  # the next one of the picture to work out
        self.has_begun = False
        self.is_dark = False  # the computer sleeps
        self.owed_ms = 0  # of which no scan was told yet
        self.rest_ms = 0  # until what was sent has gone
        self.left_ms = 0  # until a picture may begin
        self.passed_ms = 0  # since the one before began

    def take(self, elapsed_ms):
        """Milliseconds that the scan is told of; 0: this scan is the lights'."""
        is_after = self.rest_ms > 0  # a scan comes between two chains
        self.owed_ms = min(self.owed_ms + elapsed_ms, MOST_MS)
        self.passed_ms = min(self.passed_ms + elapsed_ms, MOST_MS)
        self.left_ms = max(0, self.left_ms - elapsed_ms)
        self.rest_ms = max(0, self.rest_ms - elapsed_ms)
        if self.rest_ms > 0:
            return 0
        if not is_after and self.has_begun and self.light == self.count:
            for chain in self.chains:
                if chain.is_changed:
                    chain.is_changed = False
                    self.rest_ms = chain.send_ms
                    self.send(chain.number, chain.told)
                    return 0
        elapsed_ms, self.owed_ms = self.owed_ms, 0
        return elapsed_ms

    def begin(self):
        self.glows.begin(self.passed_ms)
        self.has_begun = True
        self.passed_ms = 0
        self.left_ms = PICTURE_MS
        self.light = 0
        for chain in self.chains:
            chain.may_light = chain.most_lit

    def work_out(self):
        chain, nth = self.lights[self.light]
        colours = self.glows.mix(self.light)
        chain.tell(nth, (0, 0, 0) if self.is_dark else colours, self.places[self.light])
        self.light += 1

    def play(self):
        if self.light == self.count:
            if self.left_ms > 0 or (self.has_begun and any(chain.is_changed for chain in self.chains)):
                return
            self.begin()
        for _ in range(min(self.a_scan, self.count - self.light)):
            self.work_out()
