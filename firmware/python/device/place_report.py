"""Where on the screen the pointer is put: across and down, told each time that a key puts it somewhere or that an axis which says
where it is has moved. The byte in front is for a button that is never down."""

from device.contract import PLACE_MOST, PLACE_STEPS


def widened(steps):
    """Twelve bits become fifteen without gaps at either end."""
    steps &= PLACE_STEPS
    return steps << 3 | steps >> 9


class PlaceReport:
    def __init__(self, actions):
        self.code = actions.code
        self.places = [PLACE_MOST // 2, PLACE_MOST // 2]
        self.reports = None
        self.forget()

    def forget(self):
        self.waits = False  # it was put somewhere, and the host does not know

    def put(self, axis, place, tells):
        self.places[axis & 1] = place
        if tells:
            self.waits = self.reports.changed = True

    def point(self, action):
        value = self.code[action + 2] | self.code[action + 3] << 8
        self.put(0, widened(value), True)
        self.put(1, widened(value >> 12 | self.code[action + 1] << 4), True)

    def build(self):
        across, down = self.places
        return bytes([0, across & 0xFF, across >> 8, down & 0xFF, down >> 8])

    def says(self, report):
        return self.waits

    def taken(self, report):
        self.forget()
