"""Where the tables say what an input does on a layer."""

from device.contract import (
    ACTION_BYTES,
    AT_ACTION_POOL,
    AT_ACTION_TABLE,
    AT_BEYONDS,
    AT_ENCODERS,
    AT_FLIPS,
    AT_SWITCHES,
    AT_TOGETHER,
    DO_CONSUMER,
    DO_CONTROLLER,
    DO_KEYBOARD,
    DO_LONG,
    DO_MACRO,
    DO_NOTE,
    DO_PAD_BUTTON,
    DO_PAD_HAT,
    DO_POINTER_BUTTON,
    DO_POINTER_MOVE,
    DO_POINTER_PLACE,
    DO_POINTER_WHEEL,
    DO_PROGRAM,
    DO_SECOND_TAP,
    DO_SYSTEM,
    DO_TWO_JOBS,
    NONE,
)
from device.table import word

# What a held input keeps: the layer its press was read from, which of its jobs it does, and more.
ON_LAYER, ON_JOB, JOB_SHIFT = 0x0F, 0x30, 4
ON_USED = 0x40  # a key was pressed since
ON_SILENT = 0x80  # it does nothing now; so of all that is up or speaks through keys together
ON_TOGETHER = 0xFE
REPORTING = (
    DO_KEYBOARD,
    DO_CONSUMER,
    DO_MACRO,
    DO_POINTER_BUTTON,
    DO_POINTER_MOVE,
    DO_POINTER_WHEEL,
    DO_SYSTEM,
    DO_PAD_BUTTON,
    DO_PAD_HAT,
    DO_NOTE,
    DO_CONTROLLER,
    DO_PROGRAM,
    DO_POINTER_PLACE,
)
JOB_FIRST, JOB_SECOND = 1, 2


class Actions:
    """Actions by layer and input, and which inputs are held: a release undoes what its own press did.

    code has the tables' bytes and, behind them, those of changes in effect; an action is its place there."""

    def __init__(self, table):
        self.table = self.code = table
        self.changed = {}  # layer and input to the place of a change
        # After the inputs of switches and encoders come the ways back of switches that tell their change, then what axes
        # press, then keys together.
        self.first_back = table[AT_SWITCHES] + 2 * table[AT_ENCODERS]
        self.inputs = self.first_back + table[AT_FLIPS] + table[AT_BEYONDS] + table[AT_TOGETHER]
        self.first = word(table, AT_ACTION_TABLE)
        self.pool = word(table, AT_ACTION_POOL)
        self.held_on = [NONE] * self.inputs  # what each was pressed for

    def loaded_at(self, layer, number):
        """Where an input's entry stands in the tables."""
        return self.first + (layer * self.inputs + number) * ACTION_BYTES

    def entry_at(self, layer, number):
        """The same, or where its change stands."""
        if self.changed:
            place = self.changed.get(layer << 8 | number)
            if place is not None:
                return place
        return self.first + (layer * self.inputs + number) * ACTION_BYTES

    def at(self, layer, number):
        """Where an input's action stands; one that is longer than an entry lies in the pool and begins there as an entry does."""
        entry = self.entry_at(layer, number)
        if self.code[entry] != DO_LONG:
            return entry
        return self.pool + word(self.code, entry + 2)

    def change(self, changes):
        """Puts changes in effect, by layer and input: four bytes each."""
        self.changed = {}
        code = bytearray(self.table)
        for key, action in changes:
            self.changed[key] = len(code)
            code += action
        self.code = code

    def nothing_held(self):
        return all(on == NONE for on in self.held_on)

    def held(self, number):
        """Where the action stands that a held input was pressed on."""
        on = self.held_on[number]
        return self.at(on & ON_LAYER, number) + ((on & ON_JOB) >> JOB_SHIFT) * ACTION_BYTES

    def waits(self, action):
        """Whether what it does is told by what comes after its press: it has two jobs, behind it in the pool."""
        return self.code[action] in (DO_TWO_JOBS, DO_SECOND_TAP)

    def first_at(self, layer, number):
        """What is done where nobody waits: of two jobs the first."""
        action = self.at(layer, number)
        return action + JOB_FIRST * ACTION_BYTES if self.waits(action) else action

    def reports(self, action):
        """Whether an action tells the host something."""
        return self.code[action] in REPORTING
