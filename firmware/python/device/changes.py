"""Changes of the keymap that are in effect."""

from device.contract import CHANGE_BYTES, LINK_KEPT_BYTES, NONE, SLOT_AT_CHANGES, SLOT_AT_COUNT, SLOT_AT_SEQUENCE


class Changes:
    def __init__(self, slots, actions):
        self.slots = slots
        self.actions = actions
        self.take(slots.newest())

    def take(self, slot):
        """Puts a slot in effect, or none."""
        slots = self.slots
        self.slot = slot
        self.count = 0 if slot is None else slots.kept.kept(slots.at(slot) + SLOT_AT_COUNT)
        changes = [slots.change(slot, nth) for nth in range(self.count)]
        self.actions.change([(change[0] << 8 | change[1], change[2:]) for change in changes])

    def sequence(self):
        return 0 if self.slot is None else self.slots.sequence(self.slot)

    def told(self, nth):
        """The set in effect (0), or its nth change from 1 on, as another part is told (LINK_KEPT_)."""
        rest = LINK_KEPT_BYTES - 1
        if self.slot is None:
            return bytes([nth]) + bytes([NONE] * rest)
        field = SLOT_AT_CHANGES + (nth - 1) * CHANGE_BYTES if nth else SLOT_AT_SEQUENCE
        return bytes([nth]) + self.slots.bytes(self.slots.at(self.slot) + field, rest)
