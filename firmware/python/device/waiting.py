"""Changes of inputs in their order, of which the oldest may not be decided yet: a key with two jobs, or one that may be
part of keys together. What comes after it waits with it. For a keymap without such keys there is no list."""

from device.actions import JOB_SHIFT
from device.contract import AT_WAITING, NONE
from device.jobs import UNDECIDED


class Change:
    def __init__(self, number, pressed, at_ms, gap_ms):
        self.number = number
        self.pressed = pressed
        self.at_ms = at_ms
        self.gap_ms = gap_ms  # of a press: since another key was pressed before it


class Waiting:
    def __init__(self, table, layers, jobs, together, keymap, reports):
        self.most = table[AT_WAITING]
        self.layers = layers
        self.jobs = jobs
        self.together = together
        self.keymap = keymap
        self.reports = reports
        self.changes = []
        self.now_ms = 0
        self.last_number = NONE
        self.last_press_ms = -NONE
        self.pulsed = 0  # how many changes waited when a knob was turned or a lever flipped; 0: none was since

    def age(self, nth):
        return self.changes[nth].at_ms - self.changes[0].at_ms

    def age_now(self):
        return self.now_ms - self.changes[0].at_ms

    def pulse(self):
        self.pulsed = self.pulsed or len(self.changes)

    def drop(self, oldest):
        del self.changes[:oldest]
        self.pulsed = max(0, self.pulsed - oldest)

    def changed(self, number, pressed):
        if self.link.is_far:
            return
        if self.most == 0:
            self.keymap.changed(number, pressed)
            return
        if len(self.changes) == self.most:
            self.do_oldest(True)
        gap_ms = NONE if number == self.last_number else min(NONE, self.now_ms - self.last_press_ms)
        self.changes.append(Change(number, pressed, self.now_ms, gap_ms))
        if pressed:
            self.last_number = number
            self.last_press_ms = self.now_ms
        # What nothing waits before is decided at once, if it can be.
        if len(self.changes) == 1:
            self.do_oldest(False)

    def play(self):
        """One change a scan, each after the host has taken what was told before: so each is a report of its own."""
        if self.changes and not self.reports.waiting:
            self.do_oldest(False)

    def do_oldest(self, is_over):
        oldest = self.changes[0]
        if oldest.pressed:
            self.do_press(oldest.number, is_over)
        else:
            self.drop(1)
            self.keymap.changed(oldest.number, False)

    def do_press(self, number, is_over):
        together = self.together.of_oldest(self, is_over)
        if together == UNDECIDED:
            return
        if together != NONE:
            self.drop(len(self.together.parts_of(together)))
            self.keymap.press_together(together)
            return
        layer = self.layers.layer_for(number)
        job = self.jobs.of_oldest(layer, self, is_over)
        if job == UNDECIDED:
            return
        self.drop(self.jobs.changes(layer, number, job))
        self.keymap.do_press(number, layer | job << JOB_SHIFT)
