"""The system control's report: a bit each for power down, sleep and wake up."""

USAGES = 3


class SystemReport:
    def __init__(self):
        self.held = [0] * USAGES  # inputs that hold each
        self.reports = None

    def changed(self, usage, change):
        self.held[usage] += change
        self.reports.changed = True

    def build(self):
        return bytes([sum(1 << nth for nth, holders in enumerate(self.held) if holders)])
