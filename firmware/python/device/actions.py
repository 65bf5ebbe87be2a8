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
    """Actions by layer and input, and which inputs are held: a release undoes what its own press did."""

    def __init__(self, table):
        self.table = table
        self.inputs = table[AT_SWITCHES] + 2 * table[AT_ENCODERS]
        self.first = word(table, AT_ACTION_TABLE)
        self.pool = word(table, AT_ACTION_POOL)
        self.held_on = [NONE] * self.inputs  # the layer each was pressed on

    def at(self, layer, number):
        """Where an input's action stands; one that is longer than an entry lies in the pool and begins there as an entry does."""
        entry = self.first + (layer * self.inputs + number) * ACTION_BYTES
        if self.table[entry] != DO_LONG:
            return entry
        return self.pool + word(self.table, entry + 2)

    def held(self, number):
        """Where the action stands that a held input was pressed on."""
        return self.at(self.held_on[number], number)

    def reports(self, action):
        """Whether an action tells the host something."""
        return self.table[action] in (DO_KEYBOARD, DO_CONSUMER)
