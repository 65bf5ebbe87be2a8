"""A radio's packet: every control in one structure, with a check value, framed as its entry says. It is sent when something has
changed, not sooner than its gap after the one before, and again after a while, so that a receiver knows that the device is still there."""

from device.contract import (
    AT_RADIO,
    AT_RADIO_TABLE,
    PANEL_BYTES,
    RADIO_AT_CHECK,
    RADIO_AT_END,
    RADIO_AT_ESCAPE,
    RADIO_AT_EVERY,
    RADIO_AT_FRAMING,
    RADIO_AT_GAP_MS,
    RADIO_AT_PARTS,
    RADIO_AT_SEPARATOR,
    RADIO_AT_START,
    RADIO_AT_TURNED,
    RADIO_BYTES,
    RADIO_CHECK_CRC8,
    RADIO_CHECK_CRC16,
    RADIO_CHECK_NONE,
    RADIO_FRAMING_MARKED,
    RADIO_FRAMING_STUFFED,
    RADIO_PARTS_ANSWERS,
    RADIO_PARTS_AXES,
    RADIO_PARTS_COUNTER,
    RADIO_PARTS_KEYS,
    RADIO_PARTS_KNOBS,
    RADIO_PARTS_SEPARATES,
    RADIO_PARTS_WIDE,
)
from device.table import crc16, word

LONGEST_MS = 0xFFFF


def crc8(told):
    rest = 0
    for byte in told:
        rest ^= byte
        for _ in range(8):
            rest = rest << 1 ^ 0x07 if rest & 0x80 else rest << 1
            rest &= 0xFF
    return rest


def stuffed(told):
    """Without a zero, which ends it: where one was, it says how far it is to the next."""
    frame = bytearray()
    for run in bytes(told).split(b"\0"):
        frame.append(len(run) + 1)
        frame += run
    return frame + b"\0"


class Radio:
    def __init__(self, table, send):
        """send(frame) hands it to the radio and answers whether that took it."""
        self.there = table[AT_RADIO] > 0
        at = word(table, AT_RADIO_TABLE)
        self.entry = table[at : at + RADIO_BYTES] if self.there else bytes(RADIO_BYTES)
        self.parts = self.entry[RADIO_AT_PARTS]
        self.marks = [self.entry[at] for at in (RADIO_AT_START, RADIO_AT_END, RADIO_AT_ESCAPE)]
        if self.parts & RADIO_PARTS_SEPARATES:
            self.marks.append(self.entry[RADIO_AT_SEPARATOR])
        self.send = send
        self.since_ms = self.number = 0
        self.changed = self.waits = True
        self.told = None  # the fields that were sent last

    def check_of(self, told):
        how = self.entry[RADIO_AT_CHECK]
        if how == RADIO_CHECK_NONE:
            return b""
        if how == RADIO_CHECK_CRC16:
            crc = crc16(told, len(told))
            return bytes([crc >> 8, crc & 0xFF])
        return bytes([crc8(told) if how == RADIO_CHECK_CRC8 else sum(told) & 0xFF])

    def fields(self, closed, axes, encoders):
        fields = []
        if self.parts & RADIO_PARTS_KEYS and closed:
            keys = bytearray((len(closed) + 7) // 8)
            for number, is_closed in enumerate(closed):
                keys[number >> 3] |= is_closed << (number & 7)
            fields.append(keys)
        if self.parts & RADIO_PARTS_AXES:
            for axis in axes:
                fine = axis.fine_value()
                fields.append(bytes([fine & 0xFF, fine >> 8]) if self.parts & RADIO_PARTS_WIDE else bytes([fine >> 6]))
        if self.parts & RADIO_PARTS_KNOBS:
            fields += [bytes([encoder.value]) for encoder in encoders]
        return fields

    def marked(self, told):
        frame = bytearray()
        for byte in told:
            if byte in self.marks:
                frame.append(self.entry[RADIO_AT_ESCAPE])
                byte ^= self.entry[RADIO_AT_TURNED]
            frame.append(byte)
        return bytes(frame)

    def framed(self, fields):
        if self.parts & RADIO_PARTS_COUNTER:
            fields = [bytes([self.number])] + fields
        check = self.check_of(b"".join(fields))
        if check:
            fields = fields + [check]
        framing = self.entry[RADIO_AT_FRAMING]
        if framing == RADIO_FRAMING_STUFFED:
            return stuffed(b"".join(fields))
        if framing != RADIO_FRAMING_MARKED:
            return b"".join(fields)
        between = bytes([self.entry[RADIO_AT_SEPARATOR]]) if self.parts & RADIO_PARTS_SEPARATES else b""
        inside = between.join([self.marked(field) for field in fields])
        return bytes([self.entry[RADIO_AT_START]]) + inside + bytes([self.entry[RADIO_AT_END]])

    def play(self, elapsed_ms, is_crowded, closed, axes, encoders):
        """In every scan, when all else has been looked at; one that has much to tell leaves its packet for the next."""
        self.since_ms = min(LONGEST_MS, self.since_ms + elapsed_ms)
        if is_crowded or self.since_ms < self.entry[RADIO_AT_GAP_MS]:
            return
        again = self.entry[RADIO_AT_EVERY] * 10
        if again and self.since_ms >= again:
            self.waits = True
        if not self.changed and not self.waits:
            return
        self.changed = False
        fields = self.fields(closed, axes, encoders)
        if fields != self.told:
            self.waits, self.told = True, fields
        if self.waits and self.send(bytes(self.framed(fields))):
            self.waits = False
            self.since_ms = 0
            self.number = (self.number + 1) & 0xFF

    def answered(self, told):
        """What came back on the acknowledgement of a packet: what the panel is told, or None where that is not expected, or is torn."""
        if not self.there or not self.parts & RADIO_PARTS_ANSWERS:
            return None
        panel, check = bytes(told[:PANEL_BYTES]), bytes(told[PANEL_BYTES:])
        return panel if len(panel) == PANEL_BYTES and check == self.check_of(panel) else None
