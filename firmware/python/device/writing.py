"""A new set of changes: written byte by byte, one a scan at most, into the slot that is not in effect; checked there change
by change; sealed; and taken over once nothing is held."""

from device.contract import (
    CHANGE_BYTES,
    KEEP_UNTIL_OFF,
    MOST_CHANGES,
    MOST_WRITTEN,
    NO_SEAL,
    SEAL,
    SLOT_AT_CHANGES,
    SLOT_AT_CRC,
    SLOT_AT_SEAL,
    STATUS_OK,
    STATUS_OUT_OF_TURN,
    STATUS_TOO_MANY,
    STATUS_TORN,
    STATUS_UNSOUND,
    STATUS_WAITING,
    STATUS_WORKING,
)
from device.slots import Check

NOTHING, HEAD, CHANGES, CHECKING, CRC, SEALING, SEALED = range(7)


def two(value):
    return bytes([value & 0xFF, value >> 8 & 0xFF])


class Writing:
    def __init__(self, slots, changes, waiting, macros, link):
        self.slots = slots
        self.changes = changes
        self.waiting = waiting
        self.macros = macros
        self.link = link
        self.step = NOTHING
        self.slot = self.place = self.count = self.written = self.checked = self.crc = 0
        self.left = b""  # bytes to be written
        self.check = None
        self.forgets = False

    def waits(self):
        return self.step == SEALED

    def put(self, step, field, some):
        """These bytes are written from this field of the slot on."""
        self.step = step
        self.place = self.slots.at(self.slot) + field
        self.left = bytes(some)

    def begin(self, count, sequence):
        if self.step == SEALED:
            return STATUS_WAITING
        if count > MOST_CHANGES:
            return STATUS_TOO_MANY
        self.slot = 1 if self.changes.slot == 0 else 0
        self.count, self.written = count, 0
        self.put(HEAD, SLOT_AT_SEAL, bytes([NO_SEAL]) + two(sequence) + two(self.slots.tables_crc) + bytes([count]))
        return STATUS_WORKING

    def more(self, first, count, some):
        if self.step not in (HEAD, CHANGES):
            return STATUS_OUT_OF_TURN
        if first != self.written or count > MOST_WRITTEN or count > self.count - self.written:
            return STATUS_OUT_OF_TURN
        self.put(CHANGES, SLOT_AT_CHANGES + self.written * CHANGE_BYTES, some[: count * CHANGE_BYTES])
        self.written += count
        return STATUS_WORKING

    def finish(self, announced):
        if self.step not in (HEAD, CHANGES) or self.written != self.count:
            return STATUS_OUT_OF_TURN
        self.crc, self.checked = announced, 0
        self.put(CHECKING, SLOT_AT_SEAL, b"")
        self.check = Check(self.slots, self.slot)
        return STATUS_WORKING

    def give_up(self, status):
        """A set that cannot be taken stays unsealed."""
        self.step = NOTHING
        return status

    def check_next(self):
        if self.checked < self.count:
            self.checked += 1
            return STATUS_WORKING if self.check.change(self.checked - 1) else self.give_up(STATUS_UNSOUND)
        if self.check.crc != self.crc:
            return self.give_up(STATUS_TORN)
        self.put(CRC, SLOT_AT_CRC, two(self.crc))
        return STATUS_WORKING

    def write_next(self):
        taken = self.slots.kept.keep(self.place, self.left[0])
        if taken == KEEP_UNTIL_OFF:
            self.forgets = True
        self.place += 1
        self.left = self.left[1:]
        if self.left:
            return STATUS_WORKING
        if self.step == CRC:
            self.put(SEALING, SLOT_AT_SEAL, [SEAL])
            return STATUS_WORKING
        if self.step == SEALING:
            self.step = SEALED
        return STATUS_OK

    def play(self):
        if self.step == CHECKING:
            return self.check_next()
        return self.write_next() if self.left else STATUS_OK

    def take_over(self):
        if self.step != SEALED:
            return
        # A part that another one speaks for carries nothing out.
        is_quiet = not self.waiting.changes and not self.macros.plays and self.changes.actions.nothing_held()
        if self.link.is_far or is_quiet:
            self.changes.take(self.slot)
            self.step = NOTHING
