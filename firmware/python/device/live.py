"""Live changes: frames that the host sends, and what the device answers; documented in the design program's
docs/device-protocol.md. One frame at a time: the answer takes its place."""

from device.changes import Changes
from device.contract import (
    ACTION_BYTES,
    AT_FIXED_CRC,
    AT_LAYERS,
    AT_UNLOCK_FIRST,
    AT_UNLOCK_SECOND,
    COMMAND_BEGIN,
    COMMAND_FINISH,
    COMMAND_HELLO,
    COMMAND_READ_ACTIVE,
    COMMAND_READ_LOADED,
    COMMAND_READ_POOL,
    COMMAND_READ_SENSORS,
    COMMAND_WRITE,
    FRAME_AT_COMMAND,
    FRAME_AT_COUNT,
    FRAME_AT_FIRST,
    FRAME_AT_PAYLOAD,
    FRAME_AT_STATUS,
    FRAME_BYTES,
    HELLO_AT_CHANGES,
    HELLO_AT_FIXED_CRC,
    HELLO_AT_INPUTS,
    HELLO_AT_LAYERS,
    HELLO_AT_LIVE_VERSION,
    HELLO_AT_MOST_CHANGES,
    HELLO_AT_OPEN_SECONDS,
    HELLO_AT_POOL_BYTES,
    HELLO_AT_SEQUENCE,
    HELLO_AT_STATE,
    HELLO_AT_TABLE_VERSION,
    HELLO_AT_TABLES_CRC,
    HELLO_AT_UNLOCK_FIRST,
    HELLO_AT_UNLOCK_SECOND,
    HELLO_AT_UNLOCK_TENTHS,
    LIVE_STATE_FORGETS,
    LIVE_STATE_UNLOCKED,
    LIVE_STATE_WAITING,
    LIVE_VERSION,
    MOST_CHANGES,
    MOST_POOL_READ,
    MOST_READ,
    MOST_SENSORS_READ,
    REPORT_LIVE,
    STATUS_LOCKED,
    STATUS_OK,
    STATUS_UNKNOWN,
    STATUS_UNSOUND,
    STATUS_WAITING,
    STATUS_WORKING,
    TABLE_VERSION,
    UNLOCK_TENTHS,
)
from device.passed import Passed
from device.slots import Slots
from device.table import is_declared, word
from device.unlock import Unlock
from device.writing import Writing, two


class Live:
    def __init__(self, table, actions, debounce, waiting, macros, axes, kept, link):
        self.is_declared = is_declared(table, REPORT_LIVE)
        self.frame = None
        self.is_new = False  # a question that has not been looked at
        self.is_working = False
        self.is_answered = False  # and the host has not been told
        if not self.is_declared:
            return
        self.table = table
        self.actions = actions
        self.debounce = debounce
        self.axes = axes
        self.kept = kept
        self.inputs = actions.inputs
        self.slots = Slots(table, actions, kept)
        self.changes = Changes(self.slots, actions)
        self.link = link
        self.writing = Writing(self.slots, self.changes, waiting, macros, link)
        self.passed = Passed(self.slots, self.changes, self.writing, link)
        self.unlock = Unlock(table, debounce)
        self.frame = bytearray(FRAME_BYTES)

    def ask(self, question):
        """A frame from the host, whose end may be left out. Answers whether it is taken: not while another is worked on."""
        if not self.is_declared or self.is_working:
            return False
        self.frame[:] = bytes(question) + bytes(FRAME_BYTES - len(question))
        self.frame[FRAME_AT_STATUS] = STATUS_WORKING
        self.is_new = self.is_working = True
        return True

    def play(self, elapsed_ms):
        """One step a scan, and none while a contact settles."""
        if not self.is_declared:
            return
        self.unlock.play(elapsed_ms)
        if self.kept.keeping():
            return
        self.writing.take_over()
        if self.debounce.busy:
            return
        if self.link.there and not self.is_working:
            self.passed.play()
        if not self.is_working:
            return
        status = self.obey() if self.is_new else self.writing.play()
        self.is_new = False
        self.is_working = status == STATUS_WORKING
        self.is_answered = not self.is_working
        self.frame[FRAME_AT_STATUS] = status

    def obey(self):
        command = self.frame[FRAME_AT_COMMAND]
        if command == COMMAND_HELLO:
            return self.hello()
        if command in (COMMAND_READ_ACTIVE, COMMAND_READ_LOADED):
            return self.read_actions(command == COMMAND_READ_ACTIVE)
        if command == COMMAND_READ_POOL:
            return self.read_pool()
        if command == COMMAND_READ_SENSORS:
            return self.read_sensors()
        if command in (COMMAND_BEGIN, COMMAND_WRITE, COMMAND_FINISH):
            return self.change(command)
        return STATUS_UNKNOWN

    def read_sensors(self):
        """Where sticks and pots stand is no secret, as what is typed would be: it is told though the device is locked."""
        frame, axes = self.frame, self.axes.axes
        first, count = frame[FRAME_AT_FIRST], frame[FRAME_AT_COUNT]
        if count > MOST_SENSORS_READ or first + count > len(axes):
            return STATUS_UNSOUND
        for nth in range(count):
            to = FRAME_AT_PAYLOAD + 2 * nth
            frame[to : to + 2] = two(axes[first + nth].reading or 0)
        return STATUS_OK

    def state(self):
        told = LIVE_STATE_UNLOCKED if self.unlock.seconds() else 0
        told |= LIVE_STATE_WAITING if self.writing.waits() else 0
        return told | (LIVE_STATE_FORGETS if self.writing.forgets else 0)

    def hello(self):
        frame, table = self.frame, self.table
        frame[HELLO_AT_LIVE_VERSION] = LIVE_VERSION
        frame[HELLO_AT_TABLE_VERSION] = TABLE_VERSION
        frame[HELLO_AT_TABLES_CRC : HELLO_AT_TABLES_CRC + 2] = two(self.slots.tables_crc)
        frame[HELLO_AT_FIXED_CRC : HELLO_AT_FIXED_CRC + 2] = two(word(table, AT_FIXED_CRC))
        frame[HELLO_AT_LAYERS] = table[AT_LAYERS]
        frame[HELLO_AT_INPUTS] = self.inputs
        frame[HELLO_AT_POOL_BYTES : HELLO_AT_POOL_BYTES + 2] = two(self.slots.pool_bytes)
        frame[HELLO_AT_MOST_CHANGES] = MOST_CHANGES
        frame[HELLO_AT_CHANGES] = self.changes.count
        frame[HELLO_AT_SEQUENCE : HELLO_AT_SEQUENCE + 2] = two(self.changes.sequence())
        frame[HELLO_AT_STATE] = self.state()
        frame[HELLO_AT_UNLOCK_FIRST] = table[AT_UNLOCK_FIRST]
        frame[HELLO_AT_UNLOCK_SECOND] = table[AT_UNLOCK_SECOND]
        frame[HELLO_AT_UNLOCK_TENTHS] = UNLOCK_TENTHS
        frame[HELLO_AT_OPEN_SECONDS] = self.unlock.seconds()
        return STATUS_OK

    def read_actions(self, active):
        frame, actions = self.frame, self.actions
        layer, number, count = frame[FRAME_AT_FIRST], frame[FRAME_AT_PAYLOAD], frame[FRAME_AT_COUNT]
        if layer >= self.table[AT_LAYERS] or count > MOST_READ or number + count > self.inputs:
            return STATUS_UNSOUND
        where = actions.entry_at if active else actions.loaded_at
        for nth in range(count):
            place, to = where(layer, number + nth), FRAME_AT_PAYLOAD + nth * ACTION_BYTES
            frame[to : to + ACTION_BYTES] = actions.code[place : place + ACTION_BYTES]
        return STATUS_OK

    def read_pool(self):
        frame = self.frame
        first, count = word(frame, FRAME_AT_PAYLOAD), frame[FRAME_AT_COUNT]
        if count > MOST_POOL_READ or first + count > self.slots.pool_bytes:
            return STATUS_UNSOUND
        place = self.actions.pool + first
        frame[FRAME_AT_PAYLOAD : FRAME_AT_PAYLOAD + count] = self.table[place : place + count]
        return STATUS_OK

    def change(self, command):
        # A part that another one speaks for keeps what that one keeps.
        if not self.unlock.seconds() or self.link.is_far:
            return STATUS_LOCKED
        # The other part has a newer set, which comes first.
        if self.link.there and self.link.kept() is not None:
            return STATUS_WAITING
        self.unlock.use()
        frame = self.frame
        if command == COMMAND_BEGIN:
            return self.writing.begin(frame[FRAME_AT_COUNT], self.changes.sequence() + 1)
        if command == COMMAND_WRITE:
            return self.writing.more(frame[FRAME_AT_FIRST], frame[FRAME_AT_COUNT], frame[FRAME_AT_PAYLOAD:])
        return self.writing.finish(word(frame, FRAME_AT_PAYLOAD))
