"""The pointer's report: buttons, then how far it moved right and down and its wheel turned up and to the right since the
last report that the host took. What the host does not take adds up to one report's worth; the rest is lost."""

from device.contract import POINTER_BUTTONS

X, Y, WHEEL_UP, WHEEL_RIGHT = range(4)
MOST = 127


class PointerReport:
    def __init__(self):
        self.held = [0] * POINTER_BUTTONS  # inputs that hold each button
        self.reports = None
        self.forget()

    def forget(self):
        self.moved = [0, 0, 0, 0]
        self.told = 0  # the buttons that the host knows of

    def button(self, button, change):
        self.held[button] += change
        self.reports.changed = True

    def add(self, axis, counts):
        """Right and down, up and right are more than 0."""
        if counts:
            self.moved[axis] = max(-MOST, min(self.moved[axis] + counts, MOST))
            self.reports.changed = True

    def build(self):
        buttons = sum(1 << nth for nth, holders in enumerate(self.held) if holders)
        return bytes([buttons] + [counts & 0xFF for counts in self.moved])

    def says(self, report):
        return any(self.moved) or report[0] != self.told

    def taken(self, report):
        self.forget()
        self.told = report[0]
