"""What a device keeps while its power is off: two slots for changes of the keymap, of which the newest whole one counts.

A slot is written from its second byte on and sealed by its first, so whatever moment the power fails in, the other one
is still whole."""

from device.contract import (
    AT_DIN,
    ACTION_BYTES,
    AT_LAYERS,
    AT_LENGTH,
    AT_MACROS,
    AT_PAD_BUTTONS,
    AT_WAITING,
    CHANGE_BYTES,
    DO_AWAKE,
    DO_CONSUMER,
    DO_CONTROLLER,
    DO_HOLD_LAYER,
    DO_KEYBOARD,
    DO_LONG,
    DO_MACRO,
    DO_NEXT_LAYER,
    DO_NEXT_MODIFIERS,
    DO_NOTE,
    DO_NOTHING,
    DO_PASS,
    DO_POINTER_BUTTON,
    DO_POINTER_MOVE,
    DO_POINTER_PLACE,
    DO_POINTER_WHEEL,
    DO_PROGRAM,
    DO_SECOND_TAP,
    DO_STAY_LAYER,
    DO_SWITCH_LAYER,
    DO_PAD_BUTTON,
    DO_PAD_HAT,
    DO_SYSTEM,
    DO_TWO_JOBS,
    KEPT_KEYMAP,
    KEPT_SLOTS,
    MOST_CHANGES,
    MUSIC_CHANNELS,
    POINTER_BUTTONS,
    REPORT_MUSIC,
    SEAL,
    SLOT_AT_CHANGES,
    SLOT_AT_COUNT,
    SLOT_AT_CRC,
    SLOT_AT_SEAL,
    SLOT_AT_SEQUENCE,
    SLOT_AT_TABLES_CRC,
    SECOND_TAP_BYTES,
    SLOT_BYTES_KEYMAP,
    TWO_JOBS_BYTES,
)
from device.actions import JOB_FIRST, JOB_SECOND
from device.system_report import USAGES
from device.table import CRC_START, crc_add, is_declared, word

ALWAYS_SOUND = (
    DO_PASS,
    DO_NOTHING,
    DO_KEYBOARD,
    DO_CONSUMER,
    DO_NEXT_MODIFIERS,
    DO_POINTER_MOVE,
    DO_POINTER_PLACE,
    DO_POINTER_WHEEL,
    DO_AWAKE,
)
LONG_BYTES = {DO_TWO_JOBS: TWO_JOBS_BYTES, DO_SECOND_TAP: SECOND_TAP_BYTES}


class Slots:
    def __init__(self, table, actions, kept):
        self.table = table
        self.actions = actions
        self.kept = kept
        self.layers = table[AT_LAYERS]
        self.tables_crc = word(table, word(table, AT_LENGTH) - 2)
        self.pool_bytes = word(table, AT_LENGTH) - 2 - actions.pool

    @staticmethod
    def at(slot):
        return KEPT_KEYMAP + slot * SLOT_BYTES_KEYMAP

    def word(self, at):
        return self.kept.kept(at) | self.kept.kept(at + 1) << 8

    def bytes(self, at, count):
        return bytes([self.kept.kept(place) for place in range(at, at + count)])

    def change(self, slot, nth):
        """A change's bytes: layer, input, action."""
        return self.bytes(self.at(slot) + SLOT_AT_CHANGES + nth * CHANGE_BYTES, CHANGE_BYTES)

    def is_short_sound(self, action):
        kind = action[0]
        if kind in (DO_HOLD_LAYER, DO_STAY_LAYER, DO_SWITCH_LAYER, DO_NEXT_LAYER):
            return word(action, 2) < self.layers
        if kind == DO_MACRO:
            return word(action, 2) < self.table[AT_MACROS]
        if kind == DO_POINTER_BUTTON:
            return word(action, 2) < POINTER_BUTTONS
        if kind == DO_PAD_BUTTON:
            return word(action, 2) < self.table[AT_PAD_BUTTONS]
        if kind == DO_PAD_HAT:
            return word(action, 2) < 4
        if kind in (DO_NOTE, DO_CONTROLLER, DO_PROGRAM):
            is_music = is_declared(self.table, REPORT_MUSIC) or self.table[AT_DIN] > 0
            return is_music and action[1] < MUSIC_CHANNELS and not word(action, 2) & 0x8080
        if kind == DO_SYSTEM:
            return word(action, 2) < USAGES
        return kind in ALWAYS_SOUND

    def is_sound(self, action):
        """Whether this device could carry an action out."""
        if action[0] != DO_LONG:
            return self.is_short_sound(action)
        place = word(action, 2)
        if place + ACTION_BYTES > self.pool_bytes:
            return False
        length = LONG_BYTES.get(self.table[self.actions.pool + place])
        action = self.table[self.actions.pool + place : self.actions.pool + place + TWO_JOBS_BYTES]
        if length is None:
            return self.is_short_sound(action)
        # A device whose tables keep no list of what waits cannot carry it out.
        if self.table[AT_WAITING] == 0 or place + length > self.pool_bytes:
            return False
        return all(self.is_short_sound(action[job * ACTION_BYTES :]) for job in (JOB_FIRST, JOB_SECOND))

    def sequence(self, slot):
        return self.word(self.at(slot) + SLOT_AT_SEQUENCE)

    def is_whole(self, slot):
        """Sealed, for these tables, and nothing in it torn."""
        at = self.at(slot)
        count = self.kept.kept(at + SLOT_AT_COUNT)
        if self.kept.kept(at + SLOT_AT_SEAL) != SEAL or count > MOST_CHANGES:
            return False
        if self.word(at + SLOT_AT_TABLES_CRC) != self.tables_crc:
            return False
        check = Check(self, slot)
        return all(check.change(nth) for nth in range(count)) and check.crc == self.word(at + SLOT_AT_CRC)

    def newest(self):
        """The newest whole slot, or None; sequences run round, so the difference tells."""
        best = None
        for slot in range(KEPT_SLOTS):
            if not self.is_whole(slot):
                continue
            if best is None or (self.sequence(slot) - self.sequence(best)) & 0xFFFF < 0x8000:
                best = slot
        return best


class Check:
    """A slot checked change by change, and the CRC that comes of it."""

    def __init__(self, slots, slot):
        self.slots = slots
        self.slot = slot
        self.after = 0  # no change may stand before this
        self.crc = CRC_START
        self.add(slots.bytes(slots.at(slot) + SLOT_AT_SEQUENCE, SLOT_AT_CRC - SLOT_AT_SEQUENCE))

    def add(self, some):
        for byte in some:
            self.crc = crc_add(self.crc, byte)

    def change(self, nth):
        """Changes stand in order of layer and input, none twice, each of an input and an action that there are."""
        slots = self.slots
        change = slots.change(self.slot, nth)
        self.add(change)
        key = change[0] << 8 | change[1]
        if change[0] >= slots.layers or change[1] >= slots.actions.inputs or key < self.after:
            return False
        self.after = key + 1
        return slots.is_sound(change[2:])
