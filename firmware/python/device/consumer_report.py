"""The consumer control's report: one 16-bit usage, of the input pressed last among those still held."""

from device.table import word

DEPTH = 4  # held inputs that are remembered: as many as fingers of a hand on such keys


class ConsumerReport:
    def __init__(self, actions):
        self.actions = actions
        self.inputs = []  # newest first
        self.macros = None

    def pressed(self, number):
        self.inputs = ([number] + self.inputs)[:DEPTH]

    def released(self, number):
        self.inputs = [one for one in self.inputs if one != number]

    def build(self):
        if self.macros.usage:
            return bytes([self.macros.usage & 0xFF, self.macros.usage >> 8])
        usage = word(self.actions.code, self.actions.held(self.inputs[0]) + 2) if self.inputs else 0
        return bytes([usage & 0xFF, usage >> 8])
