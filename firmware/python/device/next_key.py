"""Modifiers and layers for the next key only.

While its key is held they are there for all that is pressed; tapped alone, they stay for the next press that tells the
host something, and are taken back by another tap."""

from device.actions import ON_USED
from device.contract import DO_NEXT_LAYER, DO_NEXT_MODIFIERS, MOST_NEXT_KEYS


class NextKey:
    def __init__(self, actions, layers):
        self.actions = actions
        self.layers = layers
        self.fresh = 0  # such keys that are held, and nothing was pressed since
        self.tapped = 0  # modifiers that stay for the next key
        self.kept = set()  # the same of layers
        self.keys = []  # the inputs that are held for such a thing

    def waits(self):
        return self.tapped != 0 or len(self.kept) > 0

    def modifiers(self):
        """Those that stay, and those of keys that are held."""
        bits = self.tapped
        code = self.actions.code
        for number in self.keys:
            action = self.actions.held(number)
            if code[action] == DO_NEXT_MODIFIERS:
                bits |= code[action + 1]
        return bits

    def take_back(self, action):
        """True when it stayed for the next key, and now does not any more."""
        code = self.actions.code
        if code[action] == DO_NEXT_MODIFIERS:
            stayed = self.tapped & code[action + 1]
            self.tapped &= ~code[action + 1]
            return stayed != 0
        layer = code[action + 2]
        if layer not in self.kept:
            return False
        self.kept.remove(layer)
        self.layers.let_go(layer)
        return True

    def pressed(self, number, action):
        """Tapped again it is taken back, and its release keeps nothing."""
        if len(self.keys) == MOST_NEXT_KEYS:
            return
        self.keys.append(number)
        if self.take_back(action):
            self.actions.held_on[number] |= ON_USED
        else:
            self.fresh += 1
        if self.actions.code[action] == DO_NEXT_LAYER:
            self.layers.hold(self.actions.code[action + 2])

    def released(self, number, action):
        code = self.actions.code
        if number not in self.keys:
            return
        self.keys.remove(number)
        is_used = self.actions.held_on[number] & ON_USED
        if not is_used:
            self.fresh -= 1
        if code[action] == DO_NEXT_MODIFIERS:
            if not is_used:
                self.tapped |= code[action + 1]
        elif is_used or code[action + 2] in self.kept:
            self.layers.let_go(code[action + 2])
        else:
            self.kept.add(code[action + 2])

    def used(self):
        """The next key has been pressed."""
        if self.fresh == 0 and not self.waits():
            return
        for layer in self.kept:
            self.layers.let_go(layer)
        self.kept.clear()
        self.tapped = 0
        for number in self.keys:
            self.actions.held_on[number] |= ON_USED
        self.fresh = 0
