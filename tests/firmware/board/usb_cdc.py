"""Stand-in: the serial port that comes with the interpreter."""

from harness import host


class Console:
    @property
    def in_waiting(self):
        return len(host.serial)

    def read(self, count):
        told, host.serial = host.serial[:count], host.serial[count:]
        return told


console = Console()
