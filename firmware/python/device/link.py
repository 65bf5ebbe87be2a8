"""Parts of a device, each with a controller and the same tables, tell each other what their contacts are, so that the one which speaks with the
computer treats all of them as its own, and the others show what that one shows: two over a serial line, or a base and its modules over a bus, where
the base tells all of them and asks one in each scan. Each frame tells everything: one that is lost or damaged changes nothing, and the next one
makes up for it. When nothing comes for a while, nothing is pressed over there."""

from device.contract import (
    AT_ENCODERS,
    AT_LENGTH,
    AT_LINK_MOST,
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
    LINK_ON_BUS,
    LINK_PARTS,
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
    SENSOR_AT_CENTRE,
    SENSOR_BYTES,
)
from device.frames import stuffed, unstuffed
from device.other_part import OtherPart, Share
from device.table import crc_add, word

# How a switch of another part is told: as it is; as it was found; or open, because nobody tells it.
TOLD, FOUND, LOST = 0, 1, 2


class Link:
    """lines.link(bytes) puts a frame on the line, lines.listen() looks whether anything is wanted; on a bus a base also has ask(module, bytes) and
    calls(), a module call(). It outlasts the runtime, which starts anew when it speaks with the computer, or no longer."""

    def __init__(self, table, part, lines):
        self.table = table
        parts = table[AT_PARTS]
        self.most = table[AT_LINK_MOST] if parts else 0
        self.there = self.most > 0
        self.is_far = self.configured = self.sleeps = self.hosts = False
        if not self.there:
            return
        self.part = part
        self.lines = lines
        self.on_bus = parts & LINK_ON_BUS != 0
        self.asks_others = self.on_bus and part == 0
        # Of the base each module is another; of a module, and on a line, the only other one.
        numbers = range(1, parts & LINK_PARTS) if self.asks_others else [0 if self.on_bus else 1 - part]
        self.others = [OtherPart(number) for number in numbers]
        self.crc = word(table, word(table, AT_LENGTH) - 2)
        self.missed = self.sequence = self.anew = self.last_called = 0

    def begin(self, runtime):
        """Whenever it starts: counts begin anew."""
        if not self.there:
            return
        self.runtime = runtime
        state_bytes = LINK_STATE_BYTES + self.table[AT_ENCODERS] + (PANEL_BYTES if runtime.panel.is_told else 0)
        # Modules on a bus leave all that keys do to the base.
        self.kept_bytes = LINK_KEPT_BYTES if runtime.live.is_declared and not self.on_bus else 0
        self.kept_nth = self.kept_ms = 0  # the change that is told (0: the set), and for how long it is
        self.own = Share(self.table, self.part, state_bytes)
        for other in self.others:
            other.begin(Share(self.table, other.number, state_bytes), self.most)
        self.sent = bytearray(self.most)
        self.received = bytearray()
        self.counted = [0] * self.table[AT_ENCODERS]  # steps: of its own knobs all, of the others those that were told
        self.differs = False
        self.since_ms = LINK_EVERY_MS
        self.anew ^= LINK_FLAG_ANEW
        if self.sleeps:
            runtime.sleep(True)

    def set_up(self, is_it):
        """By a computer, or no longer."""
        self.configured = is_it
        self.sleeps = self.sleeps and is_it

    # What comes.

    def listen(self):
        """Several times in a scan, so that a base need not wait for all of it until a module looks at the bus."""
        self.lines.listen()

    def take(self, came):
        for byte in came if self.there else b"":
            if byte:
                if len(self.received) < self.most + LINK_AROUND:
                    self.received.append(byte)
                continue
            frame, self.received = self.received, bytearray()
            if len(frame) < self.most + LINK_AROUND:
                self.frame_came(unstuffed(frame))

    def teller(self, frame):
        """Whose frame it is, where it is whole and of the right length."""
        if frame is None or len(frame) < 3:
            return None
        crc = self.crc
        for byte in frame[:-2]:
            crc = crc_add(crc, byte)
        if frame[-2] != crc >> 8 or frame[-1] != crc & 0xFF:
            return None
        for other in self.others:
            if frame[0] & LINK_FLAG_PART == other.number * LINK_FLAG_ONE_PART:
                return other if other.has_length(frame[:-2], self.kept_bytes) else None
        return None

    def frame_came(self, frame):
        other = self.teller(frame)
        if other is None:
            return
        missed = other.take(frame[:-2])
        # What is asked for is the newest, whatever its number.
        if not self.on_bus:
            self.missed = self.missed + missed & 0xFF

    def decide(self):
        """Who is set up first speaks with the computer; where both came to do so while they did not hear each other, the first part goes on.
        One whose computer sleeps gives way to one whose computer does not. On a bus nobody but the base can tell all of them.
        Answers whether it is another than before."""
        was_far, other = self.is_far, self.others[0]
        if self.on_bus:
            self.hosts = self.configured and self.part == 0
        elif not self.configured:
            self.hosts = False
        elif not other.hosts:
            self.hosts = True
        elif other.sleeps != self.sleeps:
            self.hosts = not self.sleeps
        elif self.part > 0:
            self.hosts = False
        self.is_far = other.hosts and not self.hosts
        return was_far != self.is_far

    def pass_time(self, elapsed_ms):
        """At the beginning of a scan. Answers whether the device must start anew."""
        self.elapsed_ms = elapsed_ms
        self.since_ms = min(self.since_ms + elapsed_ms, NONE)
        self.kept_ms = min(self.kept_ms + elapsed_ms, NONE)
        for other in self.others:
            if other.is_awaited and other.is_heard:
                self.missed = self.missed + 1 & 0xFF
            other.is_awaited = False
            other.pass_time(elapsed_ms)
        return self.decide()

    def tell_contacts(self, other):
        """Contacts of another part that are not as they were; some wait for the next scan when there are many."""
        how = LOST
        if other.is_heard:
            how = FOUND if other.is_first else TOLD
        told = self.runtime.debounce.told_by_other
        first = other.has.switches.start
        other.is_pending = False
        for nth in range(len(other.has.switches) - 1, -1, -1):
            if not told(first + nth, other.closed(nth), how):
                other.is_pending = True

    def tell_steps(self, other):
        """Steps since the last frame, at most as many as tell their direction."""
        for nth, number in enumerate(other.has.encoders):
            told = other.step_count(nth)
            left = told - self.counted[number] & 0xFF
            self.counted[number] = told
            if other.is_first or other.is_over or self.is_far:
                continue
            for _ in range(left if left < 128 else 256 - left):
                self.runtime.encoders.feel(number, 0 if left < 128 else 1)

    def show_state(self, other):
        """What the part that speaks with the computer shows."""
        runtime, state, told = self.runtime, other.has.state, other.told
        runtime.layers.told(word(told, state + LINK_STATE_LAYERS), told[state + LINK_STATE_DEFAULT])
        shown = told[state + LINK_STATE_SHOWN]
        runtime.host_locks(shown & LINK_SHOWN_LOCKS)
        runtime.sleep(shown & LINK_SHOWN_ASLEEP != 0)
        state += LINK_STATE_BYTES
        for encoder in runtime.encoders.all:
            encoder.value = told[state]
            state += 1
        if runtime.panel.is_told:
            runtime.panel.tell(told[state : state + PANEL_BYTES])

    def kept(self):
        """What the other part of two tells of its live changes; None: nothing."""
        return self.others[0].kept()

    def shows(self, bits):
        """A part that another one speaks for has one other that it hears."""
        return self.is_far and self.others[0].shows(bits)

    def waits_for_key(self):
        return self.shows(LINK_SHOWN_NEXT)

    def keeps_awake(self):
        return self.shows(LINK_SHOWN_AWAKE)

    def play_others(self):
        """Behind its own switches."""
        for other in self.others:
            if other.is_fresh:
                other.is_fresh = False
                other.is_pending = True
                self.tell_steps(other)
                if self.is_far:
                    self.show_state(other)
            if other.is_pending:
                self.tell_contacts(other)
                if other.is_heard:
                    other.is_first = other.is_over = False

    def step(self, number, back):
        if self.there:
            self.counted[number] = self.counted[number] + (-1 if back else 1) & 0xFF

    def reading(self, number, reading):
        """Noted where it is this part's own, else as another told it; at rest where none tells anything."""
        if not self.there:
            return reading
        if number in self.own.sensors:
            at = self.own.levels + 2 * (number - self.own.sensors.start)
            self.put(at, bytes([reading & 0xFF, reading >> 8]))
            return reading
        for other in self.others:
            told = other.reading(number)
            if told is not None:
                return told
        return word(self.table, word(self.table, AT_SENSOR_TABLE) + SENSOR_BYTES * number + SENSOR_AT_CENTRE)

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

    def look(self):
        """The frame as it is now. Answers its length."""
        own = self.own
        self.put(1, self.contacts())
        self.put(own.steps, bytes([self.counted[number] for number in own.encoders]))
        if self.hosts:
            self.put(own.state, self.state())
        length = own.length(self.hosts)
        if not self.kept_bytes or not (self.hosts or self.runtime.live.passed.tells):
            return length
        self.tell_kept()
        return length + self.kept_bytes

    def is_due(self, length):
        """When something has changed, and the frame before has gone; and again after a while."""
        has_gone = self.since_ms > (length + LINK_AROUND & 0xFF) // LINK_BYTES_A_MS
        return self.since_ms >= LINK_EVERY_MS or (self.differs and has_gone)

    def tell(self, length):
        part = self.part * LINK_FLAG_ONE_PART
        self.sent[0] = self.anew | self.sequence | (LINK_FLAG_HOST if self.hosts else 0) | part
        self.sequence = self.sequence + 1 & LINK_FLAG_SEQUENCE
        self.differs = False
        self.since_ms = 0
        frame = self.sent[:length]
        crc = self.crc
        for byte in frame:
            crc = crc_add(crc, byte)
        self.lines.link(stuffed(frame + bytes([crc >> 8, crc & 0xFF])))

    def turn_of(self, calls):
        """The next module round that pulls its line; else the one that was not asked for longest, where that is a while; or None."""
        round_behind = self.others[self.last_called + 1 :] + self.others[: self.last_called + 1]
        for other in round_behind:
            if calls >> other.number & 1:
                self.last_called = self.others.index(other)
                return other
        longest = max(round_behind, key=lambda other: other.unasked_ms)
        return longest if longest.unasked_ms >= LINK_EVERY_MS else None

    def ask(self):
        """One that is not there says nothing."""
        other = self.turn_of(self.lines.calls())
        if other is None:
            return
        other.is_awaited = True
        other.unasked_ms = 0
        self.received = bytearray()
        self.lines.ask(other.number, other.has.length(False) + LINK_AROUND)

    def play(self):
        """At the end of a scan."""
        length = self.look()
        if self.is_due(length):
            if self.on_bus and self.part and self.differs:
                self.lines.call()
            self.tell(length)
        if self.asks_others:
            # One in each millisecond: a board that takes several for a scan would not get round in time else.
            for _ in range(min(self.elapsed_ms, len(self.others))):
                self.ask()
