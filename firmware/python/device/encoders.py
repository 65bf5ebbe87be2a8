"""Quadrature decoding: felt steps become pulses of the encoder's turn input, as often as its entry says.

Bouncing contacts step forth and back and so cancel out: encoders need no debounce time."""

from device.contract import AT_ENCODER_TABLE, AT_ENCODERS, ENCODER_BYTES, MUSIC_CONTROL, NONE
from device.table import word

# Movement from the old state (high two bits) to the new one (low two): A leads B when turned clockwise.
# A jump over two states says nothing about the direction and counts as none.
MOVEMENT = (0, -1, 1, 0, 1, 0, 0, -1, -1, 0, 0, 1, 0, 1, -1, 0)


class Encoder:
    def __init__(self, table, at):
        self.line_a, self.line_b, self.states_a_step, self.felt_a_step = table[at : at + 4]
        self.told, self.fast_ms, self.fast_told, self.top = table[at + 4 : at + 8]
        self.channel, self.controller = table[at + 8 : at + 10]
        self.state = None  # bit 1: A closed, bit 0: B closed; unknown before the first sample
        self.travel = 0  # quadrature states since the last felt step
        self.felt = 0  # felt steps since the last that was told
        self.since_ms = NONE  # that one
        self.went_back = 0
        self.value = 0

    def move_to(self, state):
        """0 for a felt step clockwise, 1 for one anticlockwise, None for neither."""
        # Where it rests when the device starts is no movement.
        if self.state is None:
            self.state = state
        if state == self.state:
            return None
        self.travel += MOVEMENT[self.state << 2 | state]
        self.state = state
        told = None
        if abs(self.travel) >= self.states_a_step:
            told = 0 if self.travel > 0 else 1
            self.travel = 0
        # A full-cycle encoder rests with both contacts open: there, a half-counted step is a missed one.
        if state == 0 and self.states_a_step == 4:
            self.travel = 0
        return told

    def feel(self, back):
        """How often a felt step is told: the sooner it follows one in the same direction, the more often."""
        self.felt += -1 if back else 1
        if (-self.felt if back else self.felt) < self.felt_a_step:
            return 0
        self.felt = 0
        told = self.told
        if self.since_ms < self.fast_ms and self.went_back == back:
            told *= 1 + (self.fast_told - 1) * (self.fast_ms - self.since_ms) // self.fast_ms
        self.went_back = back
        self.since_ms = 0
        self.value = max(0, min(self.value + (-told if back else told), self.top))
        return told


class Encoders:
    def __init__(self, table, is_low, pulses, music):
        first = word(table, AT_ENCODER_TABLE)
        self.all = [Encoder(table, first + ENCODER_BYTES * nth) for nth in range(table[AT_ENCODERS])]
        self.own = range(len(self.all))  # those that are read here
        self.is_low = is_low
        self.pulses = pulses
        self.music = music

    def sample(self, elapsed_ms):
        for encoder in self.all:
            encoder.since_ms = min(encoder.since_ms + elapsed_ms, NONE)
        for nth in self.own:
            encoder = self.all[nth]
            told = encoder.move_to(self.is_low(encoder.line_a) << 1 | self.is_low(encoder.line_b))
            if told is not None:
                self.link.step(nth, told)
                if not self.link.is_far:
                    self.feel(nth, told)

    def feel(self, nth, back):
        """A felt step."""
        encoder = self.all[nth]
        before = encoder.value
        times = encoder.feel(back)
        if encoder.value != before:
            self.radio.changed = True
            self.tell_value(encoder)
        if times:
            self.pulses.add(nth, back, times)

    def tell_value(self, encoder):
        """As a controller of music: from 0 to 127."""
        if encoder.channel != NONE:
            self.music.tell(MUSIC_CONTROL | encoder.channel, encoder.controller, encoder.value * 127 // encoder.top)
