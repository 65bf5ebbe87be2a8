"""Stand-in: digital pins."""

from world import PULL_UP, world


class Pull:
    UP = PULL_UP


class DigitalInOut:
    taken = set()

    def __init__(self, name):
        if name in self.taken:
            raise ValueError(name + " is taken already")
        self.taken.add(name)
        self.name, self.pin = name, world.pins[name]

    def switch_to_input(self, pull=None):
        self.pin.is_output, self.pin.pull = False, pull
        world.pin_changed(self.name)

    def switch_to_output(self, value=False):
        self.pin.is_output, self.pin.level = True, value
        world.pin_changed(self.name)

    @property
    def value(self):
        return world.level(self.name)

    @value.setter
    def value(self, level):
        if not self.pin.is_output:
            raise AttributeError("an input has no level to set")
        self.pin.level = level
        world.pin_changed(self.name)
