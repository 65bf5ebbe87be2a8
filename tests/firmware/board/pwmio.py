"""Stand-in: square waves on pins."""

from digitalio import DigitalInOut
from world import world

WHOLE = 65536


class PWMOut:
    def __init__(self, name, frequency=500, duty_cycle=0):
        if name in DigitalInOut.taken:
            raise ValueError(name + " is taken already")
        DigitalInOut.taken.add(name)
        self.name, self.frequency = name, frequency
        self.duty_cycle = duty_cycle

    @property
    def duty_cycle(self):
        return self.share

    @duty_cycle.setter
    def duty_cycle(self, share):
        if not 0 <= share < WHOLE:
            raise ValueError("a share of 65536")
        self.share = share
        world.tones[world.net_of[self.name]] = self.frequency if share == WHOLE // 2 else 0
