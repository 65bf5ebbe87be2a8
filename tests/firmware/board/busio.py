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

    def readfrom_into(self, address, into):
        into[:] = self.part(address).answer(len(into))


class UART:
    """A socket for music, or the line to the other part of the device."""

    def __init__(self, tx, rx, baudrate=9600, timeout=1, receiver_buffer_size=64):
        self.is_line = rx is not None
        if baudrate != (250000 if self.is_line else 31250):
            raise ValueError("nobody listens at this rate")
        if world.net_of[tx] != world.transmitter or (self.is_line and world.net_of[rx] != world.receiver):
            raise ValueError("another pin")
        if self.is_line and (timeout != 0 or receiver_buffer_size < 128):
            raise ValueError("a scan would wait, or bytes be lost")

    @property
    def in_waiting(self):
        return len(world.came)

    def read(self, count):
        came, world.came = world.came[:count], world.came[count:]
        return came

    def write(self, told):
        if self.is_line:
            world.sent += 1
            if told[-1] != 0 or 0 in told[:-1]:
                raise ValueError("no frame")
        else:
            world.din_told.append(bytes(told))
