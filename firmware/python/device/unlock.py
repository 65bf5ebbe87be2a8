"""Live changes are unlocked on the device itself: two of its switches, held together for a while. So nobody who only has
the computer can change what the keys do."""

from device.contract import AT_UNLOCK_FIRST, AT_UNLOCK_SECOND, NONE, OPEN_SECONDS, UNLOCK_TENTHS

UNLOCK_MS = UNLOCK_TENTHS * 100


class Unlock:
    def __init__(self, table, debounce):
        self.first, self.second = table[AT_UNLOCK_FIRST], table[AT_UNLOCK_SECOND]
        self.closed = debounce.closed
        self.held_ms = 0
        self.open_ms = 0

    def both_closed(self):
        if NONE in (self.first, self.second):
            return False
        return self.closed[self.first] and self.closed[self.second]

    def play(self, elapsed_ms):
        self.open_ms = max(0, self.open_ms - elapsed_ms)
        self.held_ms = self.held_ms + elapsed_ms if self.both_closed() else 0
        if self.held_ms >= UNLOCK_MS:
            self.held_ms = UNLOCK_MS
            self.use()

    def use(self):
        """It stays unlocked for a while from now on."""
        self.open_ms = OPEN_SECONDS * 1000

    def seconds(self):
        """0: locked."""
        return (self.open_ms + 999) // 1000
