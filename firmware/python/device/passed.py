"""Changes of the keymap are kept by both of two parts on a line, so that a key means the same whichever of them the plug is in. The part that speaks
with the computer tells its set with its state, a change at a time, round and round; the other one writes the change that it wants next and answers
nothing. So what is lost comes again, and a part that was away makes up for it. Where that one's set is the newer of both it tells it in the same way."""

from device.contract import (
    CHANGE_BYTES,
    LINK_KEPT_CHANGE,
    LINK_KEPT_COUNT,
    LINK_KEPT_CRC,
    LINK_KEPT_NTH,
    LINK_KEPT_SEQUENCE,
    NONE,
    NO_SEAL,
    SEAL,
    SLOT_AT_SEAL,
    STATUS_OK,
    STATUS_WORKING,
)
from device.table import word


class Passed:
    def __init__(self, slots, changes, writing, link):
        self.slots = slots
        self.changes = changes
        self.writing = writing
        self.link = link
        self.status = STATUS_OK
        self.next = 0  # the change that is wanted, from 1 on; 0: none
        self.set = changes.told(0)  # the one that came or comes, as it is told
        self.tells = False  # this part, for which another one speaks, has the newer set

    def unseals_other(self):
        """Of two sets that are equally new the other one must not count at the next start."""
        if self.changes.slot is None:
            return False
        at = self.slots.at(1 if self.changes.slot == 0 else 0) + SLOT_AT_SEAL
        if self.slots.kept.kept(at) != SEAL:
            return False
        self.slots.kept.keep(at, NO_SEAL)
        return True

    def is_newer(self, told, own):
        """Sequences run round, so the difference tells; none at all is the oldest. Of two that are equally new that of the part with the plug counts."""
        by = word(told, LINK_KEPT_SEQUENCE) - word(own, LINK_KEPT_SEQUENCE) & 0xFFFF
        if own[LINK_KEPT_COUNT] == NONE:
            return True
        if told[LINK_KEPT_COUNT] == NONE:
            return False
        return self.link.is_far if by == 0 else by < 0x8000

    def look_at_set(self, told):
        own = self.changes.told(0)
        self.tells = False
        if told == own:
            return
        if not self.is_newer(told, own):
            self.tells = self.link.is_far
        elif told != self.set:
            self.set = bytes(told)
            self.next = 1
            self.status = self.writing.begin(told[LINK_KEPT_COUNT], word(told, LINK_KEPT_SEQUENCE))

    def play(self):
        """One step a scan, as with changes that a computer tells."""
        told = self.link.kept()
        if told is None or self.writing.waits():
            return
        nth = told[LINK_KEPT_NTH]
        if self.status == STATUS_WORKING:
            self.status = self.writing.play()
        elif self.next > self.set[LINK_KEPT_COUNT]:
            self.next = 0
            self.status = self.writing.finish(word(self.set, LINK_KEPT_CRC))
        elif self.link.is_far and self.next == 0 and self.unseals_other():
            return
        elif nth == 0:
            self.look_at_set(told)
        elif nth == self.next:
            self.next += 1
            change = told[LINK_KEPT_CHANGE : LINK_KEPT_CHANGE + CHANGE_BYTES]
            self.status = self.writing.more(nth - 1, 1, bytes(change))
