"""Inputs that move the pointer or turn its wheel.

A press moves one count at once, so that a tap is the smallest movement there is; then its speed grows evenly up to its top."""

from device.contract import (
    DIRECTION_DOWN,
    DO_POINTER_WHEEL,
    MOST_MOVERS,
    POINTER_DIRECTION,
    POINTER_FRACTION_BITS,
    POINTER_RAMP_SHIFT,
    REPORT_POINTER,
)
from device.pointer_report import MOST, WHEEL_RIGHT, WHEEL_UP
from device.table import is_declared, word


class Mover:
    def __init__(self, code, action, number):
        self.number = number
        self.is_wheel = code[action] == DO_POINTER_WHEEL
        self.direction = code[action + 1] & POINTER_DIRECTION
        self.ramp = code[action + 1] >> POINTER_RAMP_SHIFT
        self.speed = word(code, action + 2)  # top speed, in counts a ms << POINTER_FRACTION_BITS; of a wheel, ms from step to step
        self.held_ms = None  # or how long ago its wheel stepped; in the scan of its press no time has passed

    def axis(self):
        if not self.is_wheel:
            return self.direction >> 1
        return WHEEL_RIGHT if self.direction < DIRECTION_DOWN else WHEEL_UP

    def one(self):
        """One count in its direction."""
        is_less = bool(self.direction & 1) != (self.axis() == WHEEL_UP)
        return -1 if is_less else 1


class Movers:
    def __init__(self, table, actions, pointer):
        self.is_declared = is_declared(table, REPORT_POINTER)
        self.actions = actions
        self.pointer = pointer
        self.all = []
        self.fraction = [0, 0]  # of counts, right and down

    def pressed(self, number, action):
        if not self.is_declared:
            return
        mover = Mover(self.actions.code, action, number)
        self.pointer.add(mover.axis(), mover.one())
        if len(self.all) < MOST_MOVERS:
            self.all.append(mover)

    def released(self, number):
        self.all = [mover for mover in self.all if mover.number != number]

    def move(self, mover, elapsed_ms):
        speed = mover.speed
        if mover.ramp and mover.held_ms < 1 << mover.ramp:
            mover.held_ms = min(mover.held_ms + elapsed_ms, 1 << mover.ramp)
            speed = speed * mover.held_ms >> mover.ramp
        axis = mover.axis()
        total = self.fraction[axis] + mover.one() * speed * elapsed_ms
        counts = -(-total >> POINTER_FRACTION_BITS) if total < 0 else total >> POINTER_FRACTION_BITS
        self.fraction[axis] = total - (counts << POINTER_FRACTION_BITS)
        self.pointer.add(axis, max(-MOST, min(counts, MOST)))

    def turn(self, mover, elapsed_ms):
        if not mover.speed:
            return
        mover.held_ms += elapsed_ms
        while mover.held_ms >= mover.speed:
            mover.held_ms -= mover.speed
            self.pointer.add(mover.axis(), mover.one())

    def play(self, elapsed_ms):
        for mover in self.all:
            if mover.held_ms is None:
                mover.held_ms = 0
            elif mover.is_wheel:
                self.turn(mover, elapsed_ms)
            else:
                self.move(mover, elapsed_ms)
