"""Keys together: pressed within their window they do another thing, which is an input of its own.

It ends when the first of them is let go; the others then do nothing any more."""

from device.contract import (
    AT_FLIPS,
    AT_TOGETHER,
    AT_TOGETHER_TABLE,
    DO_NOTHING,
    DO_PASS,
    NONE,
    TOGETHER_AT_PARTS,
    TOGETHER_AT_SIZE,
    TOGETHER_AT_WINDOW,
    TOGETHER_BYTES,
)
from device.table import word

UNDECIDED = 0xFE
CANNOT, MAY, IS = range(3)


class Together:
    def __init__(self, table, actions, layers):
        self.actions = actions
        self.layers = layers
        self.first = actions.first_back + table[AT_FLIPS]
        place = word(table, AT_TOGETHER_TABLE)
        self.sets = []  # window in ms, and the inputs of the keys
        for nth in range(table[AT_TOGETHER]):
            at = place + nth * TOGETHER_BYTES
            parts = at + TOGETHER_AT_PARTS
            self.sets.append((table[at + TOGETHER_AT_WINDOW], list(table[parts : parts + table[at + TOGETHER_AT_SIZE]])))
        self.parts = set(part for _, parts in self.sets for part in parts)

    def is_bound(self, nth):
        """Bound to nothing, or to nothing at all, on the layer of the moment, its parts are keys like others."""
        number = self.first + nth
        kind = self.actions.code[self.actions.at(self.layers.layer_for(number), number)]
        return kind not in (DO_PASS, DO_NOTHING)

    def state_of(self, nth, waiting, is_over):
        """Whether what waits begins with all of its parts, may come to, or cannot any more."""
        window_ms, parts = self.sets[nth]
        for came, change in enumerate(waiting.changes[: len(parts)]):
            if not change.pressed or waiting.age(came) >= window_ms or change.number not in parts:
                return CANNOT
        if len(waiting.changes) >= len(parts):
            return IS
        return CANNOT if is_over or waiting.age_now() >= window_ms else MAY

    def of_oldest(self, waiting, is_over):
        """The input that is meant, NONE, or UNDECIDED."""
        if waiting.changes[0].number not in self.parts:
            return NONE
        best = None
        for nth in range(len(self.sets)):
            state = self.state_of(nth, waiting, is_over)
            if state == CANNOT or not self.is_bound(nth):
                continue
            if state == MAY:
                return UNDECIDED
            if best is None or len(self.sets[nth][1]) > len(self.sets[best][1]):
                best = nth
        return NONE if best is None else self.first + best

    def parts_of(self, number):
        return self.sets[number - self.first][1]

    def of_part(self, part):
        """The input that is held, or NONE."""
        for nth, (_, parts) in enumerate(self.sets):
            if self.actions.held_on[self.first + nth] != NONE and part in parts:
                return self.first + nth
        return NONE
