"""Presses that the device makes and ends by itself: an encoder's steps, and switches that tell their change.

A pulse begins and ends only when the host has taken what was told before, so that a slow host misses none."""

from device.contract import AT_ENCODERS, AT_FLIPS, AT_PULSE_MS, AT_SWITCHES, STEP_RUNS

MOST_STEPS = 0x7FFF


class Pulser:
    """Steps that wait, in runs of one direction, the oldest run first; and the pulse being told."""

    def __init__(self):
        self.runs = []  # [count, direction]
        self.left_ms = 0
        self.input = 0

    def add(self, second):
        """When the direction has changed more often than there are runs, a step takes back one of the newest run."""
        runs = self.runs
        if runs and runs[-1][1] == second:
            runs[-1][0] = min(runs[-1][0] + 1, MOST_STEPS)
        elif len(runs) < STEP_RUNS:
            runs.append([1, second])
        else:
            runs[-1][0] -= 1
            if runs[-1][0] == 0:
                runs.pop()

    def take(self):
        """The direction of the step that has waited longest."""
        run = self.runs[0]
        run[0] -= 1
        if run[0] == 0:
            self.runs.pop(0)
        return run[1]

    def is_idle(self):
        return self.left_ms == 0 and not self.runs


class Pulses:
    def __init__(self, table, keymap, reports):
        self.encoders = table[AT_ENCODERS]
        self.switches = table[AT_SWITCHES]
        self.pulse_ms = table[AT_PULSE_MS]
        self.pulsers = [Pulser() for _ in range(self.encoders + table[AT_FLIPS])]
        self.keymap = keymap
        self.reports = reports

    def tell(self, nth, number):
        """Of a switch that tells its change: always the same input."""
        self.pulsers[nth].input = number
        self.pulsers[nth].add(0)

    def play(self, elapsed_ms):
        if self.reports.waiting:
            return
        for nth, pulser in enumerate(self.pulsers):
            if pulser.left_ms > elapsed_ms:
                pulser.left_ms -= elapsed_ms
            elif pulser.left_ms > 0:
                pulser.left_ms = 0
                self.keymap.changed(pulser.input, False)
            elif pulser.runs:
                self.start(nth, pulser)

    def start(self, nth, pulser):
        """An encoder has an input for each direction; a switch that tells its change has one, which came with its pulse."""
        second = pulser.take()
        if nth < self.encoders:
            pulser.input = self.switches + 2 * nth + second
        pulser.left_ms = self.pulse_ms
        self.keymap.changed(pulser.input, True)
