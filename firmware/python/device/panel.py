"""What the computer tells a panel: flags that lamps and lights show, and values. It stays until the computer tells something else,
or the bus is reset."""

from device.contract import AT_LISTENS, PANEL_BYTES, PANEL_VALUES, PANEL_VALUES_AT, REPORT_PANEL
from device.table import is_declared


class Panel:
    def __init__(self, table):
        self.is_declared = is_declared(table, REPORT_PANEL)
        self.is_told = self.is_declared or table[AT_LISTENS] > 0
        self.told = bytes(PANEL_BYTES)
        self.is_fresh = False  # it was told something since displays looked

    def forget(self):
        self.is_fresh = self.is_fresh or any(self.told)
        self.told = bytes(PANEL_BYTES)

    def tell(self, told):
        if self.is_told:
            self.told = bytes(told) + bytes(PANEL_BYTES - len(told))
            self.is_fresh = True

    def flag(self, flag):
        return bool(self.told[flag >> 3 & 7] >> (flag & 7) & 1)

    def value(self, nth):
        return self.told[PANEL_VALUES_AT + nth] if nth < PANEL_VALUES else 0

    def set_flag(self, flag, on):
        told = bytearray(self.told)
        told[flag >> 3] = told[flag >> 3] & ~(1 << (flag & 7)) | on << (flag & 7)
        self.tell(told)

    def set_value(self, nth, to):
        told = bytearray(self.told)
        told[PANEL_VALUES_AT + nth] = to
        self.tell(told)
