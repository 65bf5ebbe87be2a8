"""Where the tables say what an input does on a layer."""

from device.contract import (
    ACTION_BYTES,
    AT_ACTION_POOL,
    AT_ACTION_TABLE,
    AT_ENCODERS,
    AT_SWITCHES,
    DO_CONSUMER,
    DO_KEYBOARD,
    DO_LONG,
    NONE,
)
from device.table import word


class Actions:
    """Actions by layer and input, and which inputs are held: a release undoes what its own press did.

    code has the tables' bytes and, behind them, those of changes in effect; an action is its place there."""

    def __init__(self, table):
        self.table = self.code = table
        self.changed = {}  # layer and input to the place of a change
        self.inputs = table[AT_SWITCHES] + 2 * table[AT_ENCODERS]
        self.first = word(table, AT_ACTION_TABLE)
        self.pool = word(table, AT_ACTION_POOL)
        self.held_on = [NONE] * self.inputs  # the layer each was pressed on

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
        return all(layer == NONE for layer in self.held_on)

    def held(self, number):
        """Where the action stands that a held input was pressed on."""
        return self.at(self.held_on[number], number)

    def reports(self, action):
        """Whether an action tells the host something."""
        return self.code[action] in (DO_KEYBOARD, DO_CONSUMER)
