"""What an input does. A release undoes what its own press did, whatever the layers are by then."""

from device.actions import JOB_FIRST, JOB_SHIFT, ON_SILENT, ON_TOGETHER
from device.contract import DO_KEYBOARD, FIRST_MODIFIER, NONE


class Keymap:
    def __init__(self, actions, layers, effects, next_key, together, opposites, macros, reports):
        self.actions = actions
        self.layers = layers
        self.effects = effects
        self.next_key = next_key
        self.together = together
        self.opposites = opposites
        self.macros = macros
        self.reports = reports

    def changed(self, number, pressed):
        """Done at once: what may have to wait comes through waiting.py."""
        if pressed:
            self.press(number)
        elif self.actions.held_on[number] == ON_TOGETHER:
            # What keys together do ends with the first of them; to those that come up later nobody listens any more.
            together = self.together.of_part(number)
            for part in self.together.parts_of(together):
                self.actions.held_on[part] = NONE
            self.release(together)
        elif self.actions.held_on[number] != NONE:
            self.release(number)

    def is_next_key(self, action):
        """Whether a press is the next key that a modifier or a layer was kept for: modifiers themselves are not."""
        code = self.actions.code
        if code[action] == DO_KEYBOARD:
            return code[action + 2] < FIRST_MODIFIER
        return self.actions.reports(action)

    def press(self, number):
        """Nobody waits for the end of a knob's step, a flip or keys together: of two jobs they do the first."""
        layer = self.layers.layer_for(number)
        waits = self.actions.waits(self.actions.at(layer, number))
        self.do_press(number, layer | (JOB_FIRST << JOB_SHIFT if waits else 0))

    def press_together(self, together):
        for part in self.together.parts_of(together):
            self.actions.held_on[part] = ON_TOGETHER
        self.press(together)

    def do_press(self, number, on):
        if self.macros.ends:
            self.macros.end()
        self.actions.held_on[number] = on
        action = self.actions.held(number)
        self.effects.start(number, action)
        if self.is_next_key(action):
            self.next_key.used()
        self.opposites.changed(number)
        self.reports.changed = True

    def release(self, number):
        if not self.actions.held_on[number] & ON_SILENT:
            self.effects.finish(number, self.actions.held(number))
        self.actions.held_on[number] = NONE
        self.opposites.changed(number)
        self.reports.changed = True
