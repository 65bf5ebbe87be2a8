"""The keyboard's report, in the boot layout of USB HID 1.11 (appendix B.1): modifiers, reserved, six usages. Where the tables say so
a bit for every key stands behind them."""

from device.contract import AT_KEY_BYTES, DO_KEYBOARD, FIRST_MODIFIER, KEYBOARD_BYTES, NONE

FIRST_KEY = 2
KEYS = KEYBOARD_BYTES - FIRST_KEY
ERROR_ROLL_OVER = 0x01


class KeyboardReport:
    def __init__(self, table, actions):
        self.actions = actions
        self.key_bytes = table[AT_KEY_BYTES]
        self.length = KEYBOARD_BYTES + self.key_bytes
        # The input whose usage went down last: only for it do modifiers count that its binding brings along, so that
        # a shifted sign does not shift the letter that is rolled onto.
        self.leading = NONE
        self.leading_modifiers = 0  # of its binding, and those that waited for the next key
        self.down = []  # held inputs with a keyboard usage, in their order
        self.macros = None  # what a macro holds down, once there are any

    def pressed(self, number, action, next_modifiers):
        if self.actions.code[action + 2] < FIRST_MODIFIER:
            self.leading = number
            self.leading_modifiers = self.actions.code[action + 1] | next_modifiers
        self.down.append(number)
        self.down.sort()

    def released(self, number):
        if self.leading == number:
            self.leading = NONE
        self.down.remove(number)

    def build(self):
        code, held = self.actions.code, self.actions.held
        modifiers = self.leading_modifiers if self.leading != NONE else 0
        usages = []
        types = self.macros.types
        if self.macros.plays:
            modifiers = self.add_macro(usages, 0 if types else modifiers)
        for number in self.down:
            action = held(number)
            usage = code[action + 2]
            if usage >= FIRST_MODIFIER:
                if not types:
                    modifiers |= code[action + 1] | 1 << (usage - FIRST_MODIFIER)
            elif usage not in usages:
                usages.append(usage)
        every = bytearray(self.key_bytes)
        if self.key_bytes:
            for usage in usages:
                every[usage >> 3] |= 1 << (usage & 7)
        if len(usages) > KEYS:
            usages = [ERROR_ROLL_OVER] * KEYS
        return bytes([modifiers, 0] + usages + [0] * (KEYS - len(usages))) + every

    def add_macro(self, usages, modifiers):
        """What a macro holds comes first."""
        for usage, brings in zip(self.macros.down, self.macros.with_modifiers):
            if usage == 0:
                continue
            modifiers |= brings
            if usage >= FIRST_MODIFIER:
                modifiers |= 1 << (usage - FIRST_MODIFIER)
            elif usage not in usages:
                usages.append(usage)
        return modifiers
