"""Stand-in: voltages. The converter has 10 bits, the interpreter tells them at the top of 16."""

from world import world


class AnalogIn:
    def __init__(self, name):
        self.name = name

    @property
    def value(self):
        level = world.wiper_level(self.name)
        if level is not None:
            return level
        return int(world.part_of_supply(self.name) * 1023 + 0.5) * 64
