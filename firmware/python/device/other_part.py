"""Another part of the device, as this one hears it, and what each part has."""

from device.contract import (
    AT_PART_TABLE,
    LINK_FLAG_ANEW,
    LINK_FLAG_HOST,
    LINK_FLAG_SEQUENCE,
    LINK_KEPT_BYTES,
    LINK_QUIET_MS,
    LINK_SHOWN_ASLEEP,
    LINK_STATE_SHOWN,
    PART_AT_ENCODERS,
    PART_AT_GROUPS,
    PART_AT_SENSORS,
    PART_AT_SWITCHES,
    PART_ENTRY_BYTES,
)
from device.table import word


class Share:
    """What a part has, each as a range of numbers; and where in a frame of its what begins."""

    def __init__(self, table, part, state_bytes):
        self.groups, self.switches, self.encoders, self.sensors = [
            self.range_of(table, part, field)
            for field in (PART_AT_GROUPS, PART_AT_SWITCHES, PART_AT_ENCODERS, PART_AT_SENSORS)
        ]
        self.steps = 1 + (len(self.switches) + 7) // 8
        self.levels = self.steps + len(self.encoders)
        self.state = self.levels + 2 * len(self.sensors)
        self.state_bytes = state_bytes

    @staticmethod
    def range_of(table, part, field):
        at = word(table, AT_PART_TABLE) + PART_ENTRY_BYTES * part + field
        return range(table[at - PART_ENTRY_BYTES] if part else 0, table[at])

    def length(self, is_host):
        return self.state + (self.state_bytes if is_host else 0)


class OtherPart:
    """What it told last. It outlasts the runtime, which starts anew when it speaks with the computer, or no longer."""

    def __init__(self, number):
        self.number = number
        self.is_heard = self.hosts = self.sleeps = False  # the last two: it speaks with a computer, which sleeps
        self.silent_ms = self.unasked_ms = 0
        self.is_awaited = False  # it was asked, and has not answered yet

    def begin(self, share, most):
        self.has = share
        self.told = bytearray(most)
        self.is_fresh = self.is_pending = False  # a frame was taken; contacts are to be told
        self.is_first, self.is_over = True, False  # the first frame since the start; or since it was not heard
        self.kept_at = 0  # where in its last frame what it keeps begins; 0: nowhere

    def has_length(self, frame, kept_bytes):
        return len(frame) - self.has.length(frame[0] & LINK_FLAG_HOST) in (0, kept_bytes)

    def take(self, frame):
        """A good frame. Answers how many before it were not heard."""
        differs = not self.is_heard or self.is_first or self.is_over
        flags, before, missed = frame[0], self.told[0], 0
        if self.is_heard and (flags ^ before) & LINK_FLAG_ANEW:
            self.is_over = differs = True
        if self.is_heard:
            missed = flags - before - 1 & LINK_FLAG_SEQUENCE
        length = self.has.length(flags & LINK_FLAG_HOST)
        self.kept_at = length if len(frame) > length else 0
        differs = differs or frame[1:] != self.told[1 : len(frame)]
        self.told[: len(frame)] = frame
        self.hosts = flags & LINK_FLAG_HOST != 0
        self.sleeps = self.hosts and self.shows(LINK_SHOWN_ASLEEP)
        self.silent_ms = 0
        self.is_heard = True
        self.is_awaited = False
        self.is_fresh = self.is_fresh or differs
        return missed

    def shows(self, bits):
        return self.told[self.has.state + LINK_STATE_SHOWN] & bits != 0

    def pass_time(self, elapsed_ms):
        """When nothing came of it for a while, all of it is let go."""
        # A frame that came since the last scan came a moment ago, however long that is back.
        self.silent_ms = self.silent_ms + elapsed_ms if self.silent_ms else 1
        self.unasked_ms += elapsed_ms
        if not self.is_heard or self.silent_ms < LINK_QUIET_MS:
            return
        self.is_heard = self.hosts = self.sleeps = False
        self.told[1 : self.has.steps] = bytes(self.has.steps - 1)
        self.is_pending = self.is_over = True

    def closed(self, nth):
        return bool(self.told[1 + (nth >> 3)] >> (nth & 7) & 1)

    def step_count(self, nth):
        return self.told[self.has.steps + nth]

    def reading(self, number):
        """None: it tells nothing of this sensor."""
        if not self.is_heard or number not in self.has.sensors:
            return None
        return word(self.told, self.has.levels + 2 * (number - self.has.sensors.start))

    def kept(self):
        """What it tells of its live changes; None: nothing."""
        return self.told[self.kept_at : self.kept_at + LINK_KEPT_BYTES] if self.is_heard and self.kept_at else None
