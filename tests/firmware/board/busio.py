"""Stand-in: the two-wire bus."""

from world import world


class I2C:
    def __init__(self, scl, sda, frequency=100000):
        if frequency > 400000:
            raise ValueError("too fast for the parts")
        nets = (world.net_of[scl], world.net_of[sda])
        if frequency not in (100000, 400000):
            raise ValueError("a speed that no part here has")
        self.parts = world.on_bus(nets)
        if not self.parts:
            raise ValueError("nobody on this bus")
        self.is_locked = False

    def try_lock(self):
        was_free, self.is_locked = not self.is_locked, True
        return was_free

    def part(self, address):
        if not self.is_locked:
            raise RuntimeError("the bus must be taken first")
        part = world.reached(self.parts, address)
        if part is None:
            raise OSError("nobody at this address")
        return part

    def writeto(self, address, data):
        self.part(address).write(data)

    def writeto_then_readfrom(self, address, data, into):
        into[:] = self.part(address).read(data[0], len(into))


class UART:
    def __init__(self, tx, rx, baudrate=9600):
        if baudrate != 31250 or rx is not None:
            raise ValueError("no socket for music")
        if world.net_of[tx] != world.transmitter:
            raise ValueError("another pin")

    def write(self, told):
        world.din_told.append(bytes(told))
