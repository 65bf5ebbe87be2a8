"""Opposite directions: what counts while both are held. An input that does not count is silent, as if it were let go."""

from device.actions import ON_TOGETHER
from device.contract import (
    AT_OPPOSITE_TABLE,
    AT_OPPOSITES,
    FIRST_COUNTS,
    LAST_COUNTS,
    NONE,
    ONE_SIDE_COUNTS,
    OPPOSITE_BYTES,
)
from device.table import word


def counts(school, is_newest, is_first_side):
    if school == LAST_COUNTS:
        return is_newest
    if school == FIRST_COUNTS:
        return not is_newest
    return school == ONE_SIDE_COUNTS and is_first_side


class Opposites:
    def __init__(self, table, actions, effects):
        first = word(table, AT_OPPOSITE_TABLE)
        self.pairs = [
            tuple(table[at : at + 3])
            for at in range(first, first + OPPOSITE_BYTES * table[AT_OPPOSITES], OPPOSITE_BYTES)
        ]
        self.actions = actions
        self.effects = effects

    def is_down(self, number):
        return self.actions.held_on[number] not in (NONE, ON_TOGETHER)

    def changed(self, number):
        """It was pressed last, or let go."""
        for a, b, school in self.pairs:
            if number in (a, b):
                self.settle(a, b, school, number)

    def settle(self, a, b, school, number):
        both = self.is_down(a) and self.is_down(b)
        count_a = not both or counts(school, number == a, True)
        count_b = not both or counts(school, number == b, False)
        # Of two that change places the one that falls silent is let go first.
        if not count_a:
            self.effects.silence(a, True)
        if not count_b:
            self.effects.silence(b, True)
        if count_a and self.is_down(a):
            self.effects.silence(a, False)
        if count_b and self.is_down(b):
            self.effects.silence(b, False)
