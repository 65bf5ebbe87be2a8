"""What moves around a simulated board: the clock, the computer, and a script of contacts.

python3 run.py WIRING < script, lines:
MS contact NUMBER 0|1, MS wiper NUMBER LEVEL, MS locks VALUE, MS busy 0|1, MS host 0|1 (whether it is there), MS ask FRAME, MS off (the power goes
and comes back), MS end."""

# By usage page and usage.
NAMES = {
    (0x01, 0x06): "keyboard",
    (0x01, 0x02): "pointer",
    (0x01, 0x80): "system",
    (0x01, 0x05): "pad",
    (0x0C, 0x01): "consumer",
    (0xFF00, 0x01): "live",
    (0xFF00, 0x02): "panel",
    "music": "music",
    "place": "place",
}
TICKS = 1 << 29
RUNS_OVER_MS = 23


class SequenceEnds(BaseException):
    """Nothing that a program would catch."""


class PowerCut(BaseException):
    """The same."""


class Host:
    def __init__(self):
        self.nvm = bytearray(b"\xff" * 2048)
        self.power_on()

    def power_on(self):
        self.reports, self.locks, self.is_busy, self.is_there, self.boot_device = [], None, False, True, 0
        self.question = self.told = self.answer = None
        self.serial = b""
        self.played = b""


class Clock:
    """Every question after the first is a millisecond later, but where something happens in between; it runs over while fingers are busy."""

    def __init__(self):
        self.begin = None
        self.restart()

    def restart(self):
        self.ms = -2
        self.skip = False
        self.every = 1  # milliseconds that a scan takes
        self.meanwhile, self.happens, self.is_held = [], None, False  # what is wanted of a module between two scans, and where that goes

    def again(self):
        """The power has come back: the next question is the first one again."""
        self.skip = True

    def next_ms(self):
        if self.skip:
            self.skip = False
            return (self.ms - RUNS_OVER_MS) % TICKS
        if self.meanwhile:
            self.happens.extend(self.meanwhile)
            self.meanwhile.clear()
            self.is_held = True
            return (self.ms - RUNS_OVER_MS) % TICKS
        if self.is_held and self.happens:
            raise ValueError("the bus is held until the next scan")
        self.is_held = False
        for _ in range(self.every):
            if self.ms >= 0:
                self.tell(self.ms)
            self.ms += 1
            if self.ms >= 0:
                self.begin(self.ms)
        return (self.ms - RUNS_OVER_MS) % TICKS


host = Host()
clock = Clock()
told_identity = []
