"""Two parts of a device, each with a controller and the same tables, tell each other over a serial line what their contacts are, so that the one
which speaks with the computer treats all of them as its own, and the other shows what that one shows. Each frame tells everything: one that is
lost or damaged changes nothing, and the next one makes up for it. When nothing comes for a while, nothing is pressed over there."""

from device.contract import (
    AT_ENCODERS,
    AT_LENGTH,
    AT_LINK_MOST,
    AT_PART_TABLE,
    AT_PARTS,
    AT_SENSOR_TABLE,
    LINK_AROUND,
    LINK_BYTES_A_MS,
    LINK_EVERY_MS,
    LINK_FLAG_ANEW,
    LINK_FLAG_HOST,
    LINK_FLAG_ONE_PART,
    LINK_FLAG_PART,
    LINK_FLAG_SEQUENCE,
    LINK_KEPT_BYTES,
    LINK_KEPT_MS,
    LINK_QUIET_MS,
    LINK_SHOWN_ASLEEP,
    LINK_SHOWN_AWAKE,
    LINK_SHOWN_LOCKS,
    LINK_SHOWN_NEXT,
    LINK_STATE_BYTES,
    LINK_STATE_DEFAULT,
    LINK_STATE_LAYERS,
    LINK_STATE_SHOWN,
    NONE,
    PANEL_BYTES,
    PART_AT_ENCODERS,
    PART_AT_GROUPS,
    PART_AT_SENSORS,
    PART_AT_SWITCHES,
    PART_ENTRY_BYTES,
    SENSOR_AT_CENTRE,
    SENSOR_BYTES,
)
from device.table import crc_add, word

# How a switch of the other part is told: as it is; as it was found; or open, because nobody tells it.
TOLD, FOUND, LOST = 0, 1, 2


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


def stuffed(frame):
    """No zero is in it: where one was stands how far it is to the next one, and a zero ends it."""
    out = bytearray([0])
    code = 0
    for byte in frame:
        if byte:
            out.append(byte)
            continue
        out[code] = len(out) - code
        code = len(out)
        out.append(0)
    out[code] = len(out) - code
    out.append(0)
    return bytes(out)


def unstuffed(came):
    """As it was; None where it is none."""
    out = bytearray()
    at = 0
    while at < len(came):
        end = at + came[at]
        if end > len(came):
            return None
        out.extend(came[at + 1 : end])
        if end < len(came):
            out.append(0)
        at = end
    return out


class Link:
    """send(bytes) puts a frame on the line. It outlasts the runtime, which starts anew when it speaks with the computer, or no longer."""

    def __init__(self, table, part, send):
        self.table = table
        self.most = table[AT_LINK_MOST] if table[AT_PARTS] else 0
        self.there = self.most > 0
        self.is_far = self.configured = self.sleeps = self.hosts = self.is_heard = False
        self.other_hosts = self.other_sleeps = False
        if not self.there:
            return
        self.part = part
        self.send = send
        self.crc = word(table, word(table, AT_LENGTH) - 2)
        self.silent_ms = self.missed = self.sequence = self.anew = 0

    def begin(self, runtime):
        """Whenever it starts: counts begin anew."""
        if not self.there:
            return
        self.runtime = runtime
        state_bytes = LINK_STATE_BYTES + self.table[AT_ENCODERS] + (PANEL_BYTES if runtime.panel.is_told else 0)
        self.kept_bytes = LINK_KEPT_BYTES if runtime.live.is_declared else 0
        self.kept_at = 0  # where in the other part's last frame what it keeps begins; 0: nowhere
        self.kept_nth = self.kept_ms = 0  # the change that is told (0: the set), and for how long it is
        self.own, self.far = [Share(self.table, part, state_bytes) for part in (self.part, 1 - self.part)]
        self.sent = bytearray(self.most)
        self.other = bytearray(self.most)
        self.received = bytearray()
        self.counted = [0] * self.table[AT_ENCODERS]  # steps: of its own knobs all, of the others those that were told
        self.is_fresh = self.is_pending = self.differs = False
        self.is_first, self.is_over = True, False  # the first frame since the start; or since it was not heard
        self.since_ms = LINK_EVERY_MS
        self.anew ^= LINK_FLAG_ANEW
        if self.sleeps:
            runtime.sleep(True)

    def set_up(self, is_it):
        """By a computer, or no longer."""
        self.configured = is_it
        self.sleeps = self.sleeps and is_it

    # What comes.

    def take(self, came):
        for byte in came if self.there else b"":
            if byte:
                if len(self.received) < self.most + LINK_AROUND:
                    self.received.append(byte)
                continue
            frame, self.received = self.received, bytearray()
            if len(frame) < self.most + LINK_AROUND:
                self.frame_came(unstuffed(frame))

    def is_good(self, frame):
        if frame is None or len(frame) < 3:
            return False
        crc = self.crc
        for byte in frame[:-2]:
            crc = crc_add(crc, byte)
        if frame[-2] != crc >> 8 or frame[-1] != crc & 0xFF:
            return False
        if frame[0] & LINK_FLAG_PART != (1 - self.part) * LINK_FLAG_ONE_PART:
            return False
        return len(frame) - 2 - self.far.length(frame[0] & LINK_FLAG_HOST) in (0, self.kept_bytes)

    def frame_came(self, frame):
        differs = not self.is_heard or self.is_first or self.is_over
        if not self.is_good(frame):
            return
        flags, before = frame[0], self.other[0]
        if self.is_heard and (flags ^ before) & LINK_FLAG_ANEW:
            self.is_over = differs = True
        if self.is_heard:
            self.missed = self.missed + (flags - before - 1 & LINK_FLAG_SEQUENCE) & 0xFF
        end = len(frame) - 2
        length = self.far.length(flags & LINK_FLAG_HOST)
        self.kept_at = length if end > length else 0
        differs = differs or frame[1:end] != self.other[1:end]
        self.other[:end] = frame[:end]
        self.other_hosts = flags & LINK_FLAG_HOST != 0
        self.other_sleeps = self.other_hosts and self.other_shows(LINK_SHOWN_ASLEEP)
        self.silent_ms = 0
        self.is_heard = True
        self.is_fresh = self.is_fresh or differs

    def other_shows(self, bits):
        return self.other[self.far.state + LINK_STATE_SHOWN] & bits != 0

    def decide(self):
        """Who is set up first speaks with the computer; where both came to do so while they did not hear each other, the first part goes on.
        One whose computer sleeps gives way to one whose computer does not. Answers whether it is another than before."""
        was_far = self.is_far
        if not self.configured:
            self.hosts = False
        elif not self.other_hosts:
            self.hosts = True
        elif self.other_sleeps != self.sleeps:
            self.hosts = not self.sleeps
        elif self.part > 0:
            self.hosts = False
        self.is_far = self.other_hosts and not self.hosts
        return was_far != self.is_far

    def pass_time(self, elapsed_ms):
        """At the beginning of a scan. Answers whether the device must start anew."""
        # A frame that came since the last scan came a moment ago, however long that is back.
        self.silent_ms = min(self.silent_ms + elapsed_ms, NONE) if self.silent_ms else 1
        self.since_ms = min(self.since_ms + elapsed_ms, NONE)
        self.kept_ms = min(self.kept_ms + elapsed_ms, NONE)
        if self.is_heard and self.silent_ms >= LINK_QUIET_MS:
            self.is_heard = self.other_hosts = self.other_sleeps = False
            self.other[1 : self.far.steps] = bytes(self.far.steps - 1)
            self.is_pending = self.is_over = True
        return self.decide()

    def closed(self, nth):
        return bool(self.other[1 + (nth >> 3)] >> (nth & 7) & 1)

    def tell_contacts(self):
        """Contacts of the other part that are not as they were; some wait for the next scan when there are many."""
        how = LOST
        if self.is_heard:
            how = FOUND if self.is_first else TOLD
        told = self.runtime.debounce.told_by_other
        first = self.far.switches.start
        self.is_pending = False
        for nth in range(len(self.far.switches) - 1, -1, -1):
            if not told(first + nth, self.closed(nth), how):
                self.is_pending = True

    def tell_steps(self):
        """Steps since the last frame, at most as many as tell their direction."""
        for nth, number in enumerate(self.far.encoders):
            told = self.other[self.far.steps + nth]
            left = told - self.counted[number] & 0xFF
            self.counted[number] = told
            if self.is_first or self.is_over or self.is_far:
                continue
            for _ in range(left if left < 128 else 256 - left):
                self.runtime.encoders.feel(number, 0 if left < 128 else 1)

    def show_state(self):
        """What the part that speaks with the computer shows."""
        runtime, state = self.runtime, self.far.state
        layers = word(self.other, state + LINK_STATE_LAYERS)
        runtime.layers.told(layers, self.other[state + LINK_STATE_DEFAULT])
        shown = self.other[state + LINK_STATE_SHOWN]
        runtime.host_locks(shown & LINK_SHOWN_LOCKS)
        runtime.sleep(shown & LINK_SHOWN_ASLEEP != 0)
        state += LINK_STATE_BYTES
        for encoder in runtime.encoders.all:
            encoder.value = self.other[state]
            state += 1
        if runtime.panel.is_told:
            runtime.panel.tell(self.other[state : state + PANEL_BYTES])

    def kept(self):
        """What the other part tells of its live changes; None: nothing."""
        return self.other[self.kept_at : self.kept_at + LINK_KEPT_BYTES] if self.is_heard and self.kept_at else None

    def shows(self, bits):
        return self.is_far and self.other_shows(bits)

    def waits_for_key(self):
        return self.shows(LINK_SHOWN_NEXT)

    def keeps_awake(self):
        return self.shows(LINK_SHOWN_AWAKE)

    def play_other(self):
        """Behind its own switches."""
        if self.is_fresh:
            self.is_fresh = False
            self.is_pending = True
            self.tell_steps()
            if self.is_far:
                self.show_state()
        if self.is_pending:
            self.tell_contacts()
            if self.is_heard:
                self.is_first = self.is_over = False

    def step(self, number, back):
        if self.there:
            self.counted[number] = self.counted[number] + (-1 if back else 1) & 0xFF

    def reading(self, number, reading):
        """Noted where it is this part's own, else as the other told it; at rest where it tells nothing."""
        if not self.there:
            return reading
        if number in self.own.sensors:
            at = self.own.levels + 2 * (number - self.own.sensors.start)
            self.put(at, bytes([reading & 0xFF, reading >> 8]))
            return reading
        if not self.is_heard:
            return word(self.table, word(self.table, AT_SENSOR_TABLE) + SENSOR_BYTES * number + SENSOR_AT_CENTRE)
        return word(self.other, self.far.levels + 2 * (number - self.far.sensors.start))

    # What goes.

    def put(self, at, told):
        if self.sent[at : at + len(told)] != told:
            self.sent[at : at + len(told)] = told
            self.differs = True

    def contacts(self):
        told = bytearray(self.own.steps - 1)
        closed = self.runtime.debounce.closed
        for nth, number in enumerate(self.own.switches):
            if closed[number]:
                told[nth >> 3] |= 1 << (nth & 7)
        return told

    def state(self):
        runtime = self.runtime
        layers = runtime.layers
        there = sum([1 << nth for nth, holders in enumerate(layers.holders) if holders > 0])
        shown = runtime.lamps.locks & LINK_SHOWN_LOCKS
        shown |= LINK_SHOWN_ASLEEP if runtime.lamps.is_dark else 0
        shown |= LINK_SHOWN_NEXT if runtime.lamps.next_key.waits() else 0
        shown |= LINK_SHOWN_AWAKE if runtime.awake.is_on() else 0
        values = [encoder.value for encoder in runtime.encoders.all]
        told = runtime.panel.told if runtime.panel.is_told else b""
        return bytes([there & 0xFF, there >> 8, layers.default, shown] + values) + told

    def tell_kept(self):
        """What the other part keeps too: the set, and its changes one by one, each for so long that it need not be told at once."""
        live, at = self.runtime.live, self.own.length(self.hosts)
        if live.kept.keeping():
            return
        if self.kept_ms >= LINK_KEPT_MS:
            self.kept_ms = 0
            self.kept_nth += 1
        if self.kept_nth > live.changes.count:
            self.kept_nth = 0
        self.sent[at : at + LINK_KEPT_BYTES] = live.changes.told(self.kept_nth)

    def play(self):
        """At the end of a scan: when something has changed, and the frame before has gone; and again after a while."""
        own = self.own
        self.put(1, self.contacts())
        self.put(own.steps, bytes([self.counted[number] for number in own.encoders]))
        if self.hosts:
            self.put(own.state, self.state())
        length = own.length(self.hosts)
        if self.kept_bytes and (self.hosts or self.runtime.live.passed.tells):
            self.tell_kept()
            length += self.kept_bytes
        if self.since_ms < LINK_EVERY_MS and (
            not self.differs or self.since_ms <= (length + LINK_AROUND & 0xFF) // LINK_BYTES_A_MS
        ):
            return
        part = self.part * LINK_FLAG_ONE_PART
        self.sent[0] = self.anew | self.sequence | (LINK_FLAG_HOST if self.hosts else 0) | part
        self.sequence = self.sequence + 1 & LINK_FLAG_SEQUENCE
        self.differs = False
        self.since_ms = 0
        frame = self.sent[:length]
        crc = self.crc
        for byte in frame:
            crc = crc_add(crc, byte)
        self.send(stuffed(frame + bytes([crc >> 8, crc & 0xFF])))
