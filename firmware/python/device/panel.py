"""What the computer tells a panel: flags that lamps and lights show, and values. It stays until the computer tells something else,
or the bus is reset."""

from device.contract import AT_REPORTS, PANEL_BYTES, PANEL_VALUES, PANEL_VALUES_AT, REPORT_PANEL


class Panel:
    def __init__(self, table):
        self.is_declared = bool(table[AT_REPORTS] >> REPORT_PANEL & 1)
        self.forget()

    def forget(self):
        self.told = bytes(PANEL_BYTES)

    def tell(self, told):
        if self.is_declared:
            self.told = bytes(told) + bytes(PANEL_BYTES - len(told))

    def flag(self, flag):
        return bool(self.told[flag >> 3 & 7] >> (flag & 7) & 1)

    def value(self, nth):
        return self.told[PANEL_VALUES_AT + nth] if nth < PANEL_VALUES else 0
