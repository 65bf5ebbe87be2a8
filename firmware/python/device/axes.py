"""Axes: voltages of sticks, pots and levers become places from where they rest, 0 to AXIS_MOST on each side. One is read in a
scan, in turns. A reading is smoothed, must leave a zone of its own to count, is stretched to the ends that were measured, loses
the dead zone, and is bent by a curve; what a place does is told by the layer."""

from device.contract import (
    AT_AXIS_USE_TABLE,
    AT_CURVE_TABLE,
    AT_SENSOR_TABLE,
    AT_SENSORS,
    AXIS_DO_MUSIC,
    AXIS_DO_PAD,
    AXIS_DO_PLACE,
    AXIS_DO_PASS,
    AXIS_DO_POINTER,
    AXIS_DO_WHEEL,
    AXIS_MOST,
    AXIS_USE_AT_SPEED,
    AXIS_USE_AT_WHICH,
    AXIS_USE_BYTES,
    CURVE_BYTES,
    MUSIC_AXIS_BEND,
    MUSIC_AXIS_FINE,
    MUSIC_BEND,
    MUSIC_CONTROL,
    MUSIC_FINE,
    NONE,
    SENSOR_AT_ABOVE,
    SENSOR_AT_BELOW,
    SENSOR_AT_BOTH_SIDES,
    SENSOR_AT_CENTRE,
    SENSOR_AT_CURVE,
    SENSOR_AT_DEAD,
    SENSOR_AT_DEAD_FACTOR,
    SENSOR_AT_FIRST_INPUT,
    SENSOR_AT_KEY_OFF,
    SENSOR_AT_KEY_ON,
    SENSOR_AT_SECOND_INPUT,
    SENSOR_AT_SMOOTH,
    SENSOR_AT_STILL,
    SENSOR_AT_TURNED,
    SENSOR_AT_TWIN,
    SENSOR_BYTES,
)
from device.pointer_report import WHEEL_RIGHT, WHEEL_UP
from device.table import word

MOST_MS = 7  # longer gaps between two scans move no farther
MOST_COUNTS = 127
MOVES = (AXIS_DO_POINTER, AXIS_DO_WHEEL)
KEEPS_TOLD = (AXIS_DO_MUSIC, AXIS_DO_PLACE)


def root(square):
    """The whole square root, bit by bit from the highest."""
    found = 0
    bit = 0x1000
    while bit:
        if (found + bit) * (found + bit) <= square:
            found += bit
        bit >>= 1
    return found


class Axis:
    def __init__(self, table, at):
        self.smooth = table[at + SENSOR_AT_SMOOTH]
        self.turned = table[at + SENSOR_AT_TURNED]
        self.twin = table[at + SENSOR_AT_TWIN]
        self.still = word(table, at + SENSOR_AT_STILL)
        self.centre = word(table, at + SENSOR_AT_CENTRE)
        self.below = word(table, at + SENSOR_AT_BELOW)
        self.above = word(table, at + SENSOR_AT_ABOVE)
        self.dead = word(table, at + SENSOR_AT_DEAD)
        self.dead_factor = word(table, at + SENSOR_AT_DEAD_FACTOR)
        self.inputs = (table[at + SENSOR_AT_FIRST_INPUT], table[at + SENSOR_AT_SECOND_INPUT])
        self.key_on = word(table, at + SENSOR_AT_KEY_ON)
        self.key_off = word(table, at + SENSOR_AT_KEY_OFF)
        self.both_sides = table[at + SENSOR_AT_BOTH_SIDES]
        self.curve = None
        if table[at + SENSOR_AT_CURVE] != NONE:
            first = word(table, AT_CURVE_TABLE) + CURVE_BYTES * table[at + SENSOR_AT_CURVE]
            self.curve = [word(table, first + 2 * nth) for nth in range(CURVE_BYTES // 2)]
        self.reading = self.counts = None  # smoothed, and the reading that counts
        self.raw = self.place = 0  # where that is, and what is told of it
        self.does = AXIS_DO_PASS
        self.which = self.speed = 0
        self.left = 0  # of a count that it moves, in 32768ths; of music and of a place the value told last, -1: none
        self.down = [False, False]

    def follow(self, reading):
        """Whether the reading that counts has changed."""
        if self.reading is None:
            self.reading = self.counts = reading
            return True
        if reading > self.reading:
            self.reading += (reading - self.reading) >> self.smooth
        else:
            self.reading -= (self.reading - reading) >> self.smooth
        before = self.counts
        self.counts = min(max(before, self.reading - self.still), self.reading + self.still)
        return self.counts != before

    def stretch(self):
        is_above = self.counts >= self.centre
        distance = abs(self.counts - self.centre)
        way = min(distance * (self.above if is_above else self.below) >> 16, AXIS_MOST)
        self.raw = way if is_above != bool(self.turned) else -way

    def beyond_dead(self, way):
        return 0 if way <= self.dead else (way - self.dead) * self.dead_factor >> 12

    def bent(self, way):
        if way == AXIS_MOST:
            return self.curve[-1]
        start, end = self.curve[way >> 9], self.curve[(way >> 9) + 1]
        part = abs(end - start) * (way & 511) // 512
        return start + part if end >= start else start - part

    def fine_value(self):
        """Of 14 bits: what goes to both sides rests at 8192, as a bender of the pitch does."""
        way = abs(self.place)
        if not self.both_sides:
            return 0 if self.place < 0 else way << 2 | way >> 10
        if way == AXIS_MOST:
            return 0 if self.place < 0 else 0x3FFF
        way = way << 1 | way >> 11
        return 0x2000 - way if self.place < 0 else 0x2000 + way

    def untold(self):
        """What a controller stands at is told when it is first known; a pitch that is not bent is not."""
        self.left = 0x2000 if self.speed >> 8 & MUSIC_AXIS_BEND else -1

    def value(self):
        return (self.place + AXIS_MOST) >> 5 if self.both_sides else self.place >> 4


class Axes:
    def __init__(self, table, layers, pointer, music, place, waiting, reports, sense):
        """sense(sensor) begins to read a voltage and answers that of the one begun before."""
        self.table, self.layers, self.pointer, self.waiting, self.reports = table, layers, pointer, waiting, reports
        self.music = music
        self.place = place
        at = word(table, AT_SENSOR_TABLE)
        self.count = table[AT_SENSORS]
        self.axes = [Axis(table, at + SENSOR_BYTES * nth) for nth in range(self.count)]
        self.uses = word(table, AT_AXIS_USE_TABLE)
        self.sense = sense
        self.turn = None

    def use_at(self, layer, nth):
        return self.uses + (layer * self.count + nth) * AXIS_USE_BYTES

    def read(self):
        """In each scan the voltage that was begun in the scan before."""
        following = 0 if self.turn is None or self.turn + 1 == self.count else self.turn + 1
        reading = self.sense(following)
        if self.turn is not None:
            self.take(self.axes[self.turn], self.turn, self.link.reading(self.turn, reading))
        self.turn = following

    def take(self, axis, nth, reading):
        self.look_up(axis, nth)
        if not axis.follow(reading):
            return
        axis.stretch()
        if axis.twin == NONE:
            self.tell(axis, axis.beyond_dead(abs(axis.raw)), axis.raw < 0)
        else:
            self.tell_both(axis, self.axes[axis.twin])

    def look_up(self, axis, nth):
        """What it does on the layers that are there at its turn."""
        layer = self.layers.found(lambda one: self.table[self.use_at(one, nth)] != AXIS_DO_PASS)
        use = self.use_at(layer, nth)
        does = self.table[use]
        how = (self.table[use + AXIS_USE_AT_WHICH], word(self.table, use + AXIS_USE_AT_SPEED))
        is_other = does != axis.does or (does in KEEPS_TOLD and how != (axis.which, axis.speed))
        axis.which, axis.speed = how
        if is_other:
            axis.does = does
            axis.left = 0
            if does in KEEPS_TOLD:
                axis.untold()
            self.reports.changed = True

    def tell_both(self, axis, twin):
        """One dead zone around where both rest: what is left of the way outwards is shared as they lie."""
        x, y = abs(axis.raw), abs(twin.raw)
        way = root(x * x + y * y)
        left = axis.beyond_dead(way)
        if left == 0:
            x = y = 0
        else:
            x, y = x * left // way, y * left // way
        self.tell(axis, x, axis.raw < 0)
        self.tell(twin, y, twin.raw < 0)

    def tell(self, axis, way, is_back):
        way = min(way, AXIS_MOST)
        if axis.curve:
            way = axis.bent(way)
        place = -way if is_back else way
        if place == axis.place:
            return
        axis.place = place
        self.radio.changed = True
        if axis.does == AXIS_DO_PAD:
            self.reports.changed = True
        self.press(axis, 0, place)
        self.press(axis, 1, -place)

    def press(self, axis, side, place):
        number = axis.inputs[side]
        if number == NONE:
            return
        is_down = place >= (axis.key_off if axis.down[side] else axis.key_on)
        if is_down != axis.down[side]:
            axis.down[side] = is_down
            self.waiting.changed(number, is_down)

    def play(self, elapsed_ms):
        elapsed_ms = min(elapsed_ms, MOST_MS)
        for axis in self.axes:
            if axis.does == AXIS_DO_MUSIC:
                self.sound(axis)
            if axis.does == AXIS_DO_PLACE:
                self.point(axis)
            if axis.does not in MOVES:
                continue
            if axis.place == 0 or (axis.place < 0) != (axis.left < 0):
                axis.left = 0
            if axis.place:
                self.move(axis, elapsed_ms)

    def move(self, axis, elapsed_ms):
        """At the farthest place it moves its speed, beneath it as much less."""
        way = (abs(axis.place) * axis.speed * elapsed_ms >> 10) + abs(axis.left)
        counts = min(way >> 15, MOST_COUNTS)
        left = way & 0x7FFF
        sign = -1 if axis.place < 0 else 1
        axis.left = sign * left
        which = axis.which
        if axis.does == AXIS_DO_WHEEL:
            which = WHEEL_UP if which else WHEEL_RIGHT
        self.pointer.add(which, sign * counts)

    def sound(self, axis):
        """A controller, coarse or with its fine part behind it, or the pitch: told when it is another than the last."""
        value = axis.fine_value()
        how, controller = axis.speed >> 8, axis.speed & 0xFF
        if how == 0:
            value &= 0x3F80
        told = axis.left
        if value == told or not self.music.has_room():
            return
        axis.left = value
        if how & MUSIC_AXIS_BEND:
            self.music.tell(MUSIC_BEND | axis.which, value & 0x7F, value >> 7)
            return
        # Who hears the coarse part takes the fine one for 0.
        if told < 0 or value >> 7 != told >> 7:
            self.music.tell(MUSIC_CONTROL | axis.which, controller, value >> 7)
        if how & MUSIC_AXIS_FINE:
            self.music.tell(MUSIC_CONTROL | axis.which, controller + MUSIC_FINE, value & 0x7F)

    def point(self, axis):
        """A place on the screen. Where it stands when it is first looked at is not told: the pointer follows a hand."""
        value, told = axis.fine_value(), axis.left
        if value != told:
            axis.left = value
            self.place.put(axis.which, value << 1 | value >> 13, told >= 0)

    def untold(self):
        """What was told as music is not known any more."""
        for axis in self.axes:
            if axis.does == AXIS_DO_MUSIC:
                axis.untold()

    def sums(self, count):
        """Places of what moves each axis of the game pad."""
        sums = [0] * count
        for axis in self.axes:
            if axis.does == AXIS_DO_PAD:
                sums[axis.which] += axis.place
        return sums
