"""Lines of text that tell a panel over a serial port: "value 2 200", "flag 3 1", each with a line's end. Numbers count from 1; what is
no such line changes nothing."""

from device.contract import AT_LISTENS, LISTENS_TO_LINES, PANEL_FLAGS, PANEL_VALUES

LONGEST = 16  # a longer one is none


class Lines:
    def __init__(self, table, panel):
        self.there = (table[AT_LISTENS] & LISTENS_TO_LINES) > 0
        self.panel = panel
        self.line = ""

    def take(self, told):
        for byte in told:
            if byte not in (10, 13):
                if len(self.line) <= LONGEST:
                    self.line += chr(byte)
                continue
            if self.there:
                self.carry_out(self.line.split(" "))
            self.line = ""

    def carry_out(self, words):
        if len(words) != 3 or not all(is_number(one) for one in words[1:]):
            return
        number, to = int(words[1]), int(words[2])
        if words[0] == "flag" and 0 < number <= PANEL_FLAGS and to < 2:
            self.panel.set_flag(number - 1, to)
        if words[0] == "value" and 0 < number <= PANEL_VALUES and to < 256:
            self.panel.set_value(number - 1, to)


def is_number(word):
    return 0 < len(word) < 4 and all(one in "0123456789" for one in word)
