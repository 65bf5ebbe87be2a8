"""What an action does when it begins and when it ends."""

from device.actions import ON_SILENT
from device.contract import (
    DO_AWAKE,
    DO_CONSUMER,
    DO_CONTROLLER,
    DO_HOLD_LAYER,
    DO_KEYBOARD,
    DO_MACRO,
    DO_NEXT_LAYER,
    DO_NEXT_MODIFIERS,
    DO_NOTE,
    DO_PAD_BUTTON,
    DO_PAD_HAT,
    DO_POINTER_BUTTON,
    DO_POINTER_MOVE,
    DO_POINTER_PLACE,
    DO_POINTER_WHEEL,
    DO_PROGRAM,
    DO_STAY_LAYER,
    DO_SWITCH_LAYER,
    DO_SYSTEM,
    MUSIC_CONTROL,
    MUSIC_PROGRAM,
)


class Effects:
    def __init__(self, actions, layers, keyboard, consumer, pointer, system, pad, music, place, movers, awake, next_key, macros):
        self.actions = actions
        self.layers = layers
        self.keyboard = keyboard
        self.consumer = consumer
        self.pointer = pointer
        self.system = system
        self.pad = pad
        self.music = music
        self.place = place
        self.movers = movers
        self.awake = awake
        self.next_key = next_key
        self.macros = macros

    def start(self, number, action):
        code = self.actions.code
        kind = code[action]
        if kind == DO_KEYBOARD:
            self.keyboard.pressed(number, action, self.next_key.modifiers())
        elif kind == DO_CONSUMER:
            self.consumer.pressed(number)
        elif kind == DO_HOLD_LAYER:
            self.layers.hold(code[action + 2])
        elif kind == DO_STAY_LAYER:
            self.layers.stay(code[action + 2])
        elif kind == DO_SWITCH_LAYER:
            self.layers.switch(code[action + 2])
        elif kind in (DO_NEXT_MODIFIERS, DO_NEXT_LAYER):
            self.next_key.pressed(number, action)
        elif kind == DO_MACRO:
            self.macros.start(number, code[action + 2])
        elif kind == DO_POINTER_BUTTON:
            self.pointer.button(code[action + 2], 1)
        elif kind in (DO_POINTER_MOVE, DO_POINTER_WHEEL):
            self.movers.pressed(number, action)
        elif kind == DO_POINTER_PLACE:
            self.place.point(action)
        elif kind == DO_AWAKE:
            self.awake.pressed(action)
        elif kind == DO_SYSTEM:
            self.system.changed(code[action + 2], 1)
        elif kind == DO_PAD_BUTTON:
            self.pad.button(code[action + 2], True)
        elif kind == DO_PAD_HAT:
            self.pad.push_hat(code[action + 2], True)
        elif kind == DO_NOTE:
            self.music.press(code[action + 1], code[action + 2], code[action + 3])
        elif kind == DO_CONTROLLER:
            self.music.tell(MUSIC_CONTROL | code[action + 1], code[action + 2], code[action + 3])
        elif kind == DO_PROGRAM:
            self.music.tell(MUSIC_PROGRAM | code[action + 1], code[action + 2], 0)

    def finish(self, number, action):
        code = self.actions.code
        kind = code[action]
        if kind == DO_KEYBOARD:
            self.keyboard.released(number)
        elif kind == DO_CONSUMER:
            self.consumer.released(number)
        elif kind == DO_HOLD_LAYER:
            self.layers.let_go(code[action + 2])
        elif kind in (DO_NEXT_MODIFIERS, DO_NEXT_LAYER):
            self.next_key.released(number, action)
        elif kind == DO_MACRO:
            self.macros.let_go(number)
        elif kind == DO_POINTER_BUTTON:
            self.pointer.button(code[action + 2], -1)
        elif kind in (DO_POINTER_MOVE, DO_POINTER_WHEEL):
            self.movers.released(number)
        elif kind == DO_AWAKE:
            self.awake.released(action)
        elif kind == DO_SYSTEM:
            self.system.changed(code[action + 2], -1)
        elif kind == DO_PAD_BUTTON:
            self.pad.button(code[action + 2], False)
        elif kind == DO_PAD_HAT:
            self.pad.push_hat(code[action + 2], False)
        elif kind == DO_NOTE:
            self.music.release(code[action + 1], code[action + 2])
        elif kind == DO_CONTROLLER:
            self.music.tell(MUSIC_CONTROL | code[action + 1], code[action + 2], 0)

    def silence(self, number, silent):
        """Of a held input."""
        held_on = self.actions.held_on
        if bool(held_on[number] & ON_SILENT) == silent:
            return
        action = self.actions.held(number)
        if silent:
            self.finish(number, action)
            held_on[number] |= ON_SILENT
        else:
            held_on[number] &= ~ON_SILENT
            self.start(number, action)
