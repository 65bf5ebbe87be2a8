"""Runs a device's boot.py and code.py on the simulated board, for each sequence of a script afresh.

python3 run.py DEVICE_FOLDER WIRING [facts|count|files FOLDER] < script; with files the board has no small memory."""

import sys

sys.dont_write_bytecode = True
DEVICE, WIRING = sys.argv[1:3]
WANTED = sys.argv[3] if len(sys.argv) > 3 else ""

import harness  # noqa: E402
from harness import NAMES, PowerCut, SequenceEnds, clock, host  # noqa: E402
from i2ctarget import Request  # noqa: E402
from world import world  # noqa: E402

BOARD_MODULES = ("board", "digitalio", "analogio", "busio", "i2ctarget", "microcontroller", "pwmio", "supervisor", "usb_cdc", "usb_hid", "usb_midi")
sys.path.insert(0, DEVICE)


SETTLED_MS = 30
lights_told = []


class LightsPort:
    """What is left to the builder, filled in."""

    @staticmethod
    def send_lights(pin, told):
        lights_told.append((world.net_of[pin.name], bytes(told)))


sys.modules["lights_port"] = LightsPort

packets_told = []


class RadioPort:
    """The same for a radio."""

    @staticmethod
    def send_packet(packet):
        packets_told.append(bytes(packet))
        return True

    @staticmethod
    def answer():
        told, host.answer = host.answer, None
        return told


sys.modules["radio_port"] = RadioPort

with open(WIRING) as wiring:
    WIRING_TEXT = wiring.read()


def program(name):
    with open(DEVICE + "/" + name) as source:
        return compile(source.read(), name, "exec")


BOOT, CODE = program("boot.py"), program("code.py")


def keep_in_files(folder):
    """The board has no small memory; its drive is a folder of this computer, or none that could be written."""
    import hardware
    import microcontroller

    microcontroller.nvm = None
    hardware.Kept.file_of = staticmethod(lambda slot: "%s/kept%d.bin" % (folder, slot))


class Sequence:
    """One use of a device that has just got power."""

    def __init__(self, lines):
        self.lines = lines
        self.glowing = {}
        self.seen_ms = {}
        self.is_called = False

    def begin(self, ms):
        while self.lines and int(self.lines[0][0]) <= ms:
            _, verb, *rest = self.lines.pop(0)
            if verb == "contact":
                world.set_contact(int(rest[0]), rest[1] == "1")
            elif verb == "module":
                world.modules[int(rest[0])].says = bytes.fromhex(rest[1]) if rest[1:] else b""
            elif verb == "every":
                clock.every = int(rest[0])
            elif verb == "linked":
                world.came += bytes.fromhex(rest[0])
            elif verb == "calls":
                world.modules[int(rest[0])].calls(int(rest[1]))
            elif verb in ("asked", "all"):
                self.wanted(ms, Request(0x30 + int(rest[0]), bytes.fromhex(rest[1]) if verb == "all" else None))
            elif verb == "wiper":
                world.wipers[int(rest[0])][3] = int(rest[1])
            elif verb == "told":
                host.told = bytes.fromhex(rest[0])
            elif verb == "answer":
                host.answer = bytes.fromhex(rest[0])
            elif verb == "line":
                host.serial += bytes.fromhex(rest[0])
            elif verb == "heard":
                host.played += bytes.fromhex(rest[0])[1 : 3 if rest[0][1] in "cd" else 4]
            elif verb == "locks":
                host.locks = bytes([int(rest[0])])
            elif verb == "busy":
                host.is_busy = rest[0] == "1"
            elif verb == "host":
                host.is_there = rest[0] == "1"
            elif verb == "ask":
                host.question = bytes.fromhex(rest[0])[:63]
            elif verb == "off":
                raise PowerCut
            else:
                raise SequenceEnds

    @staticmethod
    def wanted(ms, request):
        """In every second millisecond while the device has nothing to do but to wait."""
        (world.requests if ms % 2 else clock.meanwhile).append(request)

    def tell(self, ms):
        is_called = world.caller is not None and world.is_driven_low(world.caller)
        if is_called != self.is_called:
            self.is_called = is_called
            print(ms, "calls", int(is_called))
        for told in world.bus_told:
            print(ms, told)
        world.bus_told.clear()
        for nth, lamp in enumerate(world.lamps):
            glows = self.is_seen(nth, lamp, ms)
            if glows != self.glowing.get(nth, False):
                self.glowing[nth] = glows
                print(ms, "lamp", nth, int(glows))
        for nth, chain in enumerate(world.segments):
            for frame in chain.told:
                print(ms, "segments", nth, frame.hex())
            chain.told.clear()
        for nth, glass in enumerate(world.displays):
            for frame in glass.told:
                print(ms, "display", nth, frame.hex())
            glass.told.clear()
        for collection, report in host.reports:
            print(ms, NAMES[collection], report.hex())
        host.reports.clear()
        for net, told in lights_told:
            print(ms, "lights", world.lights.index(net), told.hex())
        lights_told.clear()
        for told in world.din_told:
            print(ms, "din", told.hex())
        world.din_told.clear()
        for packet in packets_told:
            print(ms, "radio", packet.hex())
        packets_told.clear()

    def is_seen(self, nth, lamp, ms):
        """Lamps between line pairs take turns: an eye sees one for as long as its turn comes again."""
        if world.glows(lamp):
            self.seen_ms[nth] = ms
        turns = len(world.lamps) if lamp[0] == "x" else 1
        return nth in self.seen_ms and ms - self.seen_ms[nth] < turns

    def play(self):
        world.__init__()
        world.read_wiring(WIRING_TEXT)
        host.__init__()
        clock.restart()
        clock.begin, clock.tell, clock.happens = self.begin, self.tell, world.requests
        while self.is_cut_off():
            host.power_on()
            clock.again()

    def is_cut_off(self):
        """Runs the device until its sequence ends, or its power."""
        for name in [one for one in sys.modules if one in BOARD_MODULES + ("hardware",)]:
            del sys.modules[name]
        exec(BOOT, {"__name__": "__main__"})
        if WANTED == "files":
            keep_in_files(sys.argv[4])
        try:
            exec(CODE, {"__name__": "__main__"})
        except PowerCut:
            return True
        except SequenceEnds:
            print("end")
        return False


def sequences(script):
    lines = []
    for line in script:
        if line.strip():
            lines.append(line.split())
            if lines[-1][1] == "end":
                yield Sequence(lines)
                lines = []


def tell_facts():
    import usb_hid

    print("identity", *harness.told_identity)
    print("boot", host.boot_device)
    for one in usb_hid.devices:
        print("device", one.page, one.usage, one.report_id, one.in_bytes, one.out_bytes, one.descriptor.hex())
    import usb_midi

    if usb_midi.is_there:
        print("music")


def is_device(frame):
    name = frame.f_code.co_filename
    return name.startswith(DEVICE) or name == "code.py"


def count_steps(sequence):
    """Instructions of the device's own files, and their calls to the board, in the last whole scan; and, of a module, the most between two looks
    at the bus since it has settled."""
    now, last = [0, 0], [0, 0]
    since_look, most = [0], [0]

    def looked():
        if clock.ms > SETTLED_MS:
            most[0] = max(most[0], since_look[0])
        since_look[0] = 0

    def trace(frame, what, _):
        if not is_device(frame):
            if what == "call" and frame.f_code.co_name == "request":
                looked()
            now[1] += is_device(frame.f_back) if what == "call" and frame.f_back else 0
            return None
        frame.f_trace_opcodes = True
        frame.f_trace_lines = False
        now[0] += what == "opcode"
        since_look[0] += what == "opcode"
        return trace

    begin = sequence.begin

    def counted_begin(ms):
        last[:], now[:] = now, [0, 0]
        begin(ms)

    sequence.begin = counted_begin
    sys.settrace(trace)
    sequence.play()
    sys.settrace(None)
    print("steps %d calls %d" % tuple(last))
    print("between looks", most[0])


for sequence in sequences(sys.stdin):
    if WANTED == "count":
        count_steps(sequence)
    else:
        sequence.play()
if WANTED == "facts":
    tell_facts()
