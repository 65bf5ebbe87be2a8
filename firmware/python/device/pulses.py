"""Presses that the device makes and ends by itself: an encoder's steps, and switches that tell their change.

A pulse begins and ends only when the host has taken what was told before, so that a slow host misses none. One is told
at a time, and those that wait take turns: so each is a report of its own, whatever else is flipped or turned."""

from device.contract import AT_ENCODERS, AT_FLIPS, AT_PULSE_MS, AT_SWITCHES, DO_PASS, STEP_RUNS

MOST_STEPS = 0x7FFF


class Pulser:
    """Steps that wait, in runs of one direction, the oldest run first."""

    def __init__(self):
        self.runs = []  # [count, direction]
        self.input = 0  # the switch that tells its change

    def add(self, second, times):
        """When the direction has changed more often than there are runs, steps take back those of the newest run."""
        runs = self.runs
        if len(runs) == STEP_RUNS and runs[-1][1] != second:
            if runs[-1][0] > times:
                runs[-1][0] -= times
                return
            times -= runs.pop()[0]
        if not runs or runs[-1][1] != second:
            runs.append([0, second])
        runs[-1][0] = min(runs[-1][0] + times, MOST_STEPS)

    def take(self):
        """The direction of the step that has waited longest."""
        run = self.runs[0]
        run[0] -= 1
        if run[0] == 0:
            self.runs.pop(0)
        return run[1]


class Pulses:
    def __init__(self, table, actions, layers, keymap, waiting, reports):
        self.encoders = table[AT_ENCODERS]
        self.switches = table[AT_SWITCHES]
        self.pulse_ms = table[AT_PULSE_MS]
        self.pulsers = [Pulser() for _ in range(self.encoders + table[AT_FLIPS])]
        self.actions = actions
        self.layers = layers
        self.before = waiting
        self.waiting = 0  # how many have steps that wait
        self.told = len(self.pulsers) - 1  # whose turn it is, or was last
        self.told_input = 0
        self.left_ms = 0  # of the pulse being told; 0: none is
        self.keymap = keymap
        self.reports = reports

    def is_idle(self, nth):
        return not (self.left_ms > 0 and self.told == nth) and not self.pulsers[nth].runs

    def tell(self, nth, number, is_back):
        """Of a switch that tells its change."""
        self.pulsers[nth].input = number
        self.add(nth, is_back, 1)

    def back_of(self, nth):
        return self.actions.first_back + nth - self.encoders

    def has_back(self, nth):
        """Whether its way back does something of its own."""
        back = self.back_of(nth)
        return self.actions.code[self.actions.at(self.layers.layer_for(back), back)] != DO_PASS

    def input_for(self, nth, second):
        """An encoder has an input for each direction; a switch that tells its change its own, and one for its way back:
        bound to nothing at all, that does as the flip."""
        if nth < self.encoders:
            return self.switches + 2 * nth + second
        return self.back_of(nth) if second and self.has_back(nth) else self.pulsers[nth].input

    def add(self, nth, second, times):
        self.before.pulse()
        pulser = self.pulsers[nth]
        if not pulser.runs:
            self.waiting += 1
        pulser.add(second, times)

    def play(self, elapsed_ms):
        if self.reports.waiting:
            return
        if self.left_ms > elapsed_ms:
            self.left_ms -= elapsed_ms
        elif self.left_ms > 0:
            self.left_ms = 0
            self.keymap.changed(self.told_input, False)
        elif self.waiting > 0 and not self.before.changes:
            # The layer a step is read from is known when all that came before it is decided.
            self.start()

    def start(self):
        """The next one of those that wait, after the one that was told last."""
        nth = self.told
        while True:
            nth = (nth + 1) % len(self.pulsers)
            if self.pulsers[nth].runs:
                break
        pulser = self.pulsers[nth]
        second = pulser.take()
        if not pulser.runs:
            self.waiting -= 1
        self.told = nth
        self.told_input = self.input_for(nth, second)
        self.left_ms = self.pulse_ms
        self.keymap.changed(self.told_input, True)
