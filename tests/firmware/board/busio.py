"""Stand-in: the two-wire bus."""

from world import world


class I2C:
    def __init__(self, scl, sda, frequency=100000):
        if frequency > 400000:
            raise ValueError("too fast for the parts")
        nets = (world.net_of[scl], world.net_of[sda])
        self.parts = {one.address: one for one in world.expanders if (one.scl, one.sda) == nets}
        self.is_locked = False

    def try_lock(self):
        was_free, self.is_locked = not self.is_locked, True
        return was_free

    def part(self, address):
        if not self.is_locked:
            raise RuntimeError("the bus must be taken first")
        if address not in self.parts:
            raise OSError("nobody at this address")
        return self.parts[address]

    def writeto(self, address, data):
        self.part(address).write(data)

    def writeto_then_readfrom(self, address, data, into):
        into[:] = self.part(address).read(data[0], len(into))
