"""Which layer an input is read from: held layers from the highest down, then the default layer, then the base."""

from device.contract import AT_LAYERS, DO_PASS


class Layers:
    def __init__(self, table, actions):
        self.actions = actions
        self.holders = [0] * table[AT_LAYERS]
        self.default = 0
        self.switched_on = set()
        self.held = 0  # holders in all, so that the common case looks at none

    def hold(self, layer):
        self.holders[layer] += 1
        self.held += 1

    def let_go(self, layer):
        self.holders[layer] -= 1
        self.held -= 1

    def stay(self, layer):
        self.default = layer

    def switch(self, layer):
        """On until it is switched off."""
        if layer in self.switched_on:
            self.switched_on.remove(layer)
            self.let_go(layer)
        else:
            self.switched_on.add(layer)
            self.hold(layer)

    def is_active(self, layer):
        return self.holders[layer] > 0 or layer == self.default

    def told(self, there, default):
        """By the part that speaks with the computer."""
        self.holders = [there >> layer & 1 for layer in range(len(self.holders))]
        self.held = sum(self.holders)
        self.default = default if default < len(self.holders) else 0

    def answers(self, layer, number):
        return self.actions.code[self.actions.at(layer, number)] != DO_PASS

    def layer_for(self, number):
        if self.held == 0 and self.default == 0:
            return 0
        return self.found(lambda layer: self.answers(layer, number))

    def found(self, answers):
        if self.held > 0:
            for layer in range(len(self.holders) - 1, -1, -1):
                if self.holders[layer] > 0 and answers(layer):
                    return layer
            # A held base speaks before the default layer, and it is the last to be asked.
            if self.holders[0] > 0:
                return 0
        return self.default if self.default > 0 and answers(self.default) else 0
