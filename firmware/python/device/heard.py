"""Notes and controllers that the computer plays to the device tell a panel: a note its flag, as long as it sounds, a controller its value."""

from device.contract import (
    AT_HEARD_CONTROLLER,
    AT_HEARD_NOTE,
    AT_LISTENS,
    LISTENS_TO_CHANNEL,
    MUSIC_ALL_OFF,
    MUSIC_CONTROL,
    MUSIC_OFF,
    MUSIC_ON,
    PANEL_FLAGS,
    PANEL_VALUES,
)

TWO_BYTES = (0xC0, 0xD0)  # messages of a status and one value


class Heard:
    def __init__(self, table, panel):
        self.channel = (table[AT_LISTENS] & LISTENS_TO_CHANNEL) - 1
        self.there = self.channel >= 0
        self.note, self.controller = table[AT_HEARD_NOTE], table[AT_HEARD_CONTROLLER]
        self.panel = panel
        self.message = b""

    def take(self, some):
        """Bytes of MIDI 1.0, message after message; of a system message nothing is taken, and what it was in is dropped."""
        for byte in some:
            if byte >= 0x80:
                self.message = bytes([byte]) if byte < 0xF0 else b""
            elif self.message:
                self.message += bytes([byte])
            if len(self.message) == (2 if self.message and self.message[0] & 0xF0 in TWO_BYTES else 3):
                self.carry_out(*self.message)
                self.message = self.message[:1]  # its status goes on

    def carry_out(self, status, first, second=0):
        kind = status & 0xF0
        if not self.there or status & 0x0F != self.channel:
            return
        if kind == MUSIC_CONTROL:
            self.hear_controller(first, second)
        elif kind in (MUSIC_ON, MUSIC_OFF) and 0 <= first - self.note < PANEL_FLAGS:
            self.panel.set_flag(first - self.note, 1 if kind == MUSIC_ON and second else 0)

    def hear_controller(self, controller, to):
        if controller == MUSIC_ALL_OFF:
            for flag in range(PANEL_FLAGS):
                self.panel.set_flag(flag, 0)
        elif 0 <= controller - self.controller < PANEL_VALUES:
            self.panel.set_value(controller - self.controller, to << 1 | to >> 6)
