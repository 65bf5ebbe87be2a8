"""What moves around a simulated board: the clock, the computer, and a script of contacts.

python3 run.py WIRING < script, lines:
MS contact NUMBER 0|1, MS locks VALUE, MS busy 0|1, MS host 0|1 (whether it is there), MS end."""

NAMES = {0x06: "keyboard", 0x01: "consumer"}  # by usage
TICKS = 1 << 29
RUNS_OVER_MS = 23


class SequenceEnds(BaseException):
    """Nothing that a program would catch."""


class Host:
    def __init__(self):
        self.reports, self.locks, self.is_busy, self.is_there, self.boot_device = [], None, False, True, 0


class Clock:
    """Every question after the first is a millisecond later; it runs over while fingers are busy."""

    def __init__(self):
        self.begin = None
        self.restart()

    def restart(self):
        self.ms = -2

    def next_ms(self):
        if self.ms >= 0:
            self.tell(self.ms)
        self.ms += 1
        if self.ms >= 0:
            self.begin(self.ms)
        return (self.ms - RUNS_OVER_MS) % TICKS


host = Host()
clock = Clock()
told_identity = []
