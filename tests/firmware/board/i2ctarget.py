"""Stand-in: the end of a two-wire bus that is asked and told by somebody else. What is wanted waits, and holds the clock, until it is looked at."""

from world import world


class I2CTarget:
    def __init__(self, scl, sda, addresses):
        if (world.net_of[scl], world.net_of[sda]) != world.module_bus:
            raise ValueError("nobody on this bus")
        self.addresses = addresses

    def request(self):
        if not world.requests:
            return None
        one = world.requests.pop(0)
        return one if one.address in self.addresses else None


class Request:
    """To be answered within its context: told = None where it asks."""

    def __init__(self, address, told):
        self.address, self.told = address, told
        self.is_read = told is None
        self.is_done = self.is_open = False

    def __enter__(self):
        self.is_open = True
        return self

    def __exit__(self, *_):
        self.is_open = False
        if not self.is_done:
            raise RuntimeError("the bus is held for good")

    def read(self):
        if self.is_read or not self.is_open:
            raise RuntimeError("nothing is told")
        self.is_done = True
        return self.told

    def write(self, said):
        if not self.is_read or not self.is_open:
            raise RuntimeError("nothing is asked")
        self.is_done = True
        world.bus_told.append("said " + bytes(said).hex())
        return len(said)
