"""Reading the contacts: drive a line, let it settle, read a bank of sense lines; pressed reads low."""

from device.contract import (
    AT_BANK_TABLE,
    AT_BANKS,
    AT_GROUP_TABLE,
    AT_GROUPS,
    AT_SETTLE_US,
    BANK_LINES,
    GROUP_BYTES,
    NONE,
)
from device.table import word


class Scan:
    def __init__(self, table, lines, debounce):
        """lines has catch(), strobe(line), release(line), settle(us) and read(bank), as the C HAL has."""
        self.lines = lines
        self.debounce = debounce
        self.settle_us = table[AT_SETTLE_US]
        banks = word(table, AT_BANK_TABLE)
        self.resting = [0xFFFF] * table[AT_BANKS]  # of each bank, the word read with nothing driven
        self.resting_banks = [bank for bank in range(table[AT_BANKS]) if table[banks + bank]]
        first = word(table, AT_GROUP_TABLE)
        places = range(first, first + GROUP_BYTES * table[AT_GROUPS], GROUP_BYTES)
        self.groups = [(table[at], table[at + 1], self.cells(table, at + 2)) for at in places]
        self.last = [0xFFFF] * len(self.groups)
        self.settling = [False] * len(self.groups)  # whether the time of one of its switches runs
        self.own = list(enumerate(self.groups))

    def keep_to(self, own):
        """The groups of one part of the device."""
        self.own = [(nth, self.groups[nth]) for nth in own]

    def look_again(self):
        """One that has opened meanwhile reads as if nothing had happened."""
        self.settling = [True] * len(self.groups)

    @staticmethod
    def cells(table, at):
        """Which switch each line of a group tells of: bit and switch."""
        return [(bit, table[at + bit]) for bit in range(BANK_LINES) if table[at + bit] != NONE]

    def strobed(self, strobe, bank):
        lines = self.lines
        lines.strobe(strobe)
        lines.settle(self.settle_us)
        read = lines.read(bank)
        lines.release(strobe)
        return read

    def switches(self):
        self.lines.catch()
        for bank in self.resting_banks:
            self.resting[bank] = self.lines.read(bank)
        for nth, (strobe, bank, cells) in self.own:
            read = self.resting[bank] if strobe == NONE else self.strobed(strobe, bank)
            # Nothing new on these lines and nothing being debounced: every switch is as it was.
            if read == self.last[nth] and not self.settling[nth]:
                continue
            self.last[nth] = read
            for bit, number in cells:
                self.debounce.see(number, not read >> bit & 1)
            runs = any([self.debounce.left_ms[number] > 0 for _, number in cells])
            self.settling[nth] = runs or self.debounce.put_off

    def is_low(self, line):
        """From the words read with nothing driven."""
        return not self.resting[line >> 4] >> (line & 15) & 1
