"""Keeping the computer awake: while it is on, the pointer moves one count to the right now and then, and back again."""

from device.contract import AWAKE_HELD
from device.pointer_report import X
from device.table import word

SECOND_MS = 1000


class Awake:
    def __init__(self, actions, pointer, reports):
        self.actions = actions
        self.pointer = pointer
        self.reports = reports
        self.switched_on = False
        self.holders = 0  # inputs that keep it on while they are held
        self.every_ms = 0  # of the press that came last
        self.left_ms = 0
        self.goes_back = False  # it has moved, and has to go back

    def is_on(self):
        return self.switched_on or self.holders > 0

    def pressed(self, action):
        code = self.actions.code
        was_on = self.is_on()
        if code[action + 1] == AWAKE_HELD:
            self.holders += 1
        else:
            self.switched_on = not self.switched_on
        self.every_ms = word(code, action + 2) * SECOND_MS
        if not was_on:
            self.left_ms = self.every_ms + 1  # no time has passed yet in the scan of its press

    def released(self, action):
        if self.actions.code[action + 1] == AWAKE_HELD:
            self.holders -= 1

    def play(self, elapsed_ms):
        # It goes back in a report of its own.
        if self.goes_back:
            if self.reports.waiting:
                return
            self.goes_back = False
            self.pointer.add(X, -1)
        if not self.is_on() or not self.every_ms:
            return
        self.left_ms -= elapsed_ms
        if self.left_ms > 0:
            return
        self.left_ms += self.every_ms
        self.goes_back = True
        self.pointer.add(X, 1)
