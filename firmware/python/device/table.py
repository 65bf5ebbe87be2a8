"""The device's tables: the same block of bytes as for every other target, written by the design program."""

from device.contract import (
    AT_LENGTH,
    AT_MARK,
    AT_REPORTS,
    AT_VERSION,
    HEADER_BYTES,
    MARK_0,
    MARK_1,
    MOST_TABLE_BYTES,
    START_NO_TABLES,
    START_OTHER_VERSION,
    START_READY,
    START_TORN,
    TABLE_VERSION,
)


def word(table, at):
    """Two bytes, the low one first."""
    return table[at] | table[at + 1] << 8


def is_declared(table, report):
    return bool(word(table, AT_REPORTS) >> report & 1)


CRC_START = 0xFFFF


def crc_add(crc, byte):
    """CRC-16, polynomial 0x1021: over b"123456789" it gives 0x29B1."""
    # The eight steps of the polynomial's division, written out as shifts.
    x = crc >> 8 ^ byte
    x ^= x >> 4
    return (crc << 8 ^ x << 12 ^ x << 5 ^ x) & 0xFFFF


def crc16(table, length):
    crc = CRC_START
    for at in range(length):
        crc = crc_add(crc, table[at])
    return crc


def state_of(table):
    """Whether the tables can be trusted: blank, torn or of another version, they leave the device quiet."""
    if len(table) < HEADER_BYTES or table[AT_MARK] != MARK_0 or table[AT_MARK + 1] != MARK_1:
        return START_NO_TABLES
    if table[AT_VERSION] != TABLE_VERSION:
        return START_OTHER_VERSION
    length = word(table, AT_LENGTH)
    if length < HEADER_BYTES + 2 or length > MOST_TABLE_BYTES or length > len(table):
        return START_TORN
    return START_READY if crc16(table, length - 2) == word(table, length - 2) else START_TORN
