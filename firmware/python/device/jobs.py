"""Which of its jobs a key does whose press waits: told by what came after it, and by the time."""

from device.actions import JOB_FIRST, JOB_SECOND
from device.contract import ACTION_BYTES, DO_SECOND_TAP, DO_TWO_JOBS, HOLD_BY_PRESS, HOLD_BY_TAP, HOLD_BY_TIME
from device.table import word

UNDECIDED = 0xFE


class Jobs:
    def __init__(self, actions):
        self.actions = actions

    def of_oldest(self, layer, waiting, is_over):
        """0 where there is one only, or UNDECIDED."""
        action = self.actions.at(layer, waiting.changes[0].number)
        kind = self.actions.code[action]
        if kind == DO_TWO_JOBS:
            return self.of_two(action, waiting, is_over)
        return self.of_taps(action, waiting, is_over) if kind == DO_SECOND_TAP else 0

    def of_two(self, action, waiting, is_over):
        """By a key with two jobs: its first when tapped, its second when held. A knob's step and a flip are taps of another
        key."""
        code, changes = self.actions.code, waiting.changes
        deadline_ms, school = word(code, action + 2), code[action + 1]
        if changes[0].gap_ms < word(code, action + (JOB_SECOND + 1) * ACTION_BYTES):
            return JOB_FIRST
        for nth in range(1, len(changes) + 1):
            if school != HOLD_BY_TIME and nth == waiting.pulsed:
                return JOB_SECOND
            if nth == len(changes):
                break
            change = changes[nth]
            if waiting.age(nth) >= deadline_ms:
                return JOB_SECOND
            if change.number == changes[0].number:
                return JOB_FIRST
            if school == HOLD_BY_PRESS and change.pressed:
                return JOB_SECOND
            # The press of a release waits too, so it came after the oldest.
            if school == HOLD_BY_TAP and not change.pressed and any(c.number == change.number for c in changes[1:nth]):
                return JOB_SECOND
        return JOB_SECOND if is_over or waiting.age_now() >= deadline_ms else UNDECIDED

    def of_taps(self, action, waiting, is_over):
        """By a key that does something else on its second tap: the first one waits for the second."""
        changes = waiting.changes
        within_ms = word(self.actions.code, action + 2)
        for nth in range(1, len(changes) + 1):
            if nth == waiting.pulsed:
                return JOB_FIRST
            if nth == len(changes):
                break
            if waiting.age(nth) >= within_ms or changes[nth].number != changes[0].number:
                return JOB_FIRST
            if changes[nth].pressed:
                return JOB_SECOND
        return JOB_FIRST if is_over or waiting.age_now() >= within_ms else UNDECIDED

    def changes(self, layer, number, job):
        """How many changes have told it: of the second tap the first press and its release are past."""
        kind = self.actions.code[self.actions.at(layer, number)]
        return 3 if kind == DO_SECOND_TAP and job == JOB_SECOND else 1
