"""Changes of the keymap that are in effect."""

from device.contract import SLOT_AT_COUNT


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
