"""Quadrature decoding: each step becomes a pulse of the encoder's turn input.

Bouncing contacts step forth and back and so cancel out: encoders need no debounce time."""

from device.contract import AT_ENCODER_TABLE, AT_ENCODERS, ENCODER_BYTES
from device.table import word

# Movement from the old state (high two bits) to the new one (low two): A leads B when turned clockwise.
# A jump over two states says nothing about the direction and counts as none.
MOVEMENT = (0, -1, 1, 0, 1, 0, 0, -1, -1, 0, 0, 1, 0, 1, -1, 0)


class Encoder:
    def __init__(self, table, at):
        self.line_a, self.line_b, self.states_a_step = table[at], table[at + 1], table[at + 2]
        self.state = None  # bit 1: A closed, bit 0: B closed; unknown before the first sample
        self.travel = 0  # quadrature states since the last step

    def move_to(self, state):
        """0 for a step clockwise, 1 for one anticlockwise, None for neither."""
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


class Encoders:
    def __init__(self, table, is_low, pulses):
        first = word(table, AT_ENCODER_TABLE)
        self.all = [Encoder(table, first + ENCODER_BYTES * nth) for nth in range(table[AT_ENCODERS])]
        self.is_low = is_low
        self.pulses = pulses

    def sample(self):
        for nth, encoder in enumerate(self.all):
            told = encoder.move_to(self.is_low(encoder.line_a) << 1 | self.is_low(encoder.line_b))
            if told is not None:
                self.pulses.add(nth, told)
