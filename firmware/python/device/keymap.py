"""What an input does. A release undoes what its own press did, whatever the layers are by then."""

from device.contract import DO_CONSUMER, DO_HOLD_LAYER, DO_KEYBOARD, DO_STAY_LAYER, NONE


class Keymap:
    def __init__(self, actions, layers, keyboard, consumer, reports):
        self.actions = actions
        self.layers = layers
        self.keyboard = keyboard
        self.consumer = consumer
        self.reports = reports

    def changed(self, number, pressed):
        if pressed:
            self.press(number)
        elif self.actions.held_on[number] != NONE:
            self.release(number)
        self.reports.changed = True

    def press(self, number):
        layer = self.layers.layer_for(number)
        self.actions.held_on[number] = layer
        action = self.actions.at(layer, number)
        kind = self.actions.code[action]
        if kind == DO_KEYBOARD:
            self.keyboard.pressed(number, action)
        elif kind == DO_CONSUMER:
            self.consumer.pressed(number)
        elif kind == DO_HOLD_LAYER:
            self.layers.hold(self.actions.code[action + 2])
        elif kind == DO_STAY_LAYER:
            self.layers.stay(self.actions.code[action + 2])

    def release(self, number):
        action = self.actions.held(number)
        kind = self.actions.code[action]
        if kind == DO_KEYBOARD:
            self.keyboard.released(number)
        elif kind == DO_CONSUMER:
            self.consumer.released(number)
        elif kind == DO_HOLD_LAYER:
            self.layers.let_go(self.actions.code[action + 2])
        self.actions.held_on[number] = NONE
