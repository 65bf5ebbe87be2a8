"""Runs a device in C whose port.h leads here, on the simulated board, for each sequence of a script afresh.

python3 run_port.py LIBRARY WIRING PADS < script; PADS are the pads of the pins 1, 2 …, with commas between."""

import ctypes
import sys

sys.dont_write_bytecode = True
LIBRARY, WIRING, PADS = sys.argv[1], sys.argv[2], [""] + sys.argv[3].split(",")
PLUG_BITS = int(sys.argv[4]) if len(sys.argv) > 4 else 0

from world import PULL_UP, world  # noqa: E402

KINDS = ("keyboard", "consumer", "live", "pointer", "system", "pad", "panel", "music", "place")
u8 = ctypes.c_uint8
some = ctypes.POINTER(u8)


class Calls(ctypes.Structure):
    _fields_ = [
        ("input", ctypes.CFUNCTYPE(None, u8, u8)),
        ("output", ctypes.CFUNCTYPE(None, u8, u8)),
        ("write", ctypes.CFUNCTYPE(None, u8, u8)),
        ("read", ctypes.CFUNCTYPE(u8, u8)),
        ("convert", ctypes.CFUNCTYPE(ctypes.c_uint16, u8)),
        ("bus_open", ctypes.CFUNCTYPE(None, u8, u8, ctypes.c_uint16)),
        ("bus_write", ctypes.CFUNCTYPE(None, u8, some, u8)),
        ("bus_read", ctypes.CFUNCTYPE(None, u8, u8, some, u8)),
        ("lights", ctypes.CFUNCTYPE(None, u8, some, ctypes.c_uint16)),
        ("tone", ctypes.CFUNCTYPE(None, u8, ctypes.c_uint16)),
        ("din", ctypes.CFUNCTYPE(None, some, u8)),
        ("radio", ctypes.CFUNCTYPE(u8, some, u8)),
        ("report", ctypes.CFUNCTYPE(u8, u8, some, u8)),
    ]


class Board:
    """What port.h asks, answered by the world."""

    def __init__(self):
        self.reports = []
        self.bus = None

    def pin(self, number):
        return world.pins[PADS[number]]

    def input(self, number, pull_up):
        pin = self.pin(number)
        pin.is_output, pin.pull = False, PULL_UP if pull_up else None
        world.pin_changed(PADS[number])

    def output(self, number, high):
        pin = self.pin(number)
        pin.is_output, pin.level = True, bool(high)
        world.pin_changed(PADS[number])

    def write(self, number, high):
        if not self.pin(number).is_output:
            problems.append("pin %s is written as an input" % PADS[number])
        self.output(number, high)

    def read(self, number):
        return int(world.level(PADS[number]))

    def convert(self, number):
        level = world.wiper_level(PADS[number])
        return level if level is not None else int(world.part_of_supply(PADS[number]) * 1023 + 0.5) * 64

    def bus_open(self, clock, data, khz):
        self.bus = world.on_bus((world.net_of[PADS[clock]], world.net_of[PADS[data]]))
        if not self.bus or khz not in (100, 400):
            raise ValueError("a bus that is not there, or too fast")

    def bus_write(self, address, data, count):
        world.reached(self.bus, address).write(bytes(data[:count]))

    def bus_read(self, address, register, to, count):
        for nth, byte in enumerate(world.reached(self.bus, address).read(register, count)):
            to[nth] = byte

    def tone(self, number, hz):
        world.tones[world.net_of[PADS[number]]] = hz

    def lights(self, number, told, length):
        chain = world.lights.index(world.net_of[PADS[number]])
        self.reports.append("lights %d %s" % (chain, bytes(told[:length]).hex()))

    def din(self, told, length):
        self.reports.append("din %s" % bytes(told[:length]).hex())

    def radio(self, packet, length):
        self.reports.append("radio %s" % bytes(packet[:length]).hex())
        return 1

    def report(self, kind, report, length):
        self.reports.append("%s %s" % (KINDS[kind], bytes(report[:length]).hex()))
        return 1


problems = []
library = ctypes.CDLL(LIBRARY)
with open(WIRING) as wiring:
    WIRING_TEXT = wiring.read()
board = Board()
calls = Calls(*[kind(getattr(board, name)) for name, kind in Calls._fields_])
Calls.in_dll(library, "port_calls").__init__(*[getattr(calls, name) for name, _ in Calls._fields_])


def begin():
    world.__init__()
    world.read_wiring(WIRING_TEXT)
    if not library.ov_device_start():
        raise SystemExit("the device stays quiet")


def play(script):
    now_ms, glowing = 0, {}
    begin()
    for line in script:
        ms, verb, *rest = line.split()
        while now_ms < int(ms):
            library.ov_device_pass(1)
            for nth, lamp in enumerate(world.lamps):
                if world.glows(lamp) != glowing.get(nth, False):
                    glowing[nth] = not glowing.get(nth, False)
                    print(now_ms, "lamp", nth, int(glowing[nth]))
            for nth, chain in enumerate(world.segments):
                for frame in chain.told:
                    print(now_ms, "segments", nth, frame.hex())
                chain.told.clear()
            for nth, glass in enumerate(world.displays):
                for frame in glass.told:
                    print(now_ms, "display", nth, frame.hex())
                glass.told.clear()
            for report in board.reports:
                print(now_ms, report)
            board.reports.clear()
            now_ms += 1
        if verb == "contact":
            world.set_contact(int(rest[0]), rest[1] == "1")
        elif verb == "wiper":
            world.wipers[int(rest[0])][3] = int(rest[1])
        elif verb == "told":
            told = bytes.fromhex(rest[0])
            library.ov_panel_place.restype = ctypes.c_void_p
            ctypes.memmove(library.ov_panel_place(), told, len(told))
        elif verb == "answer":
            library.ov_radio_answered(bytes.fromhex(rest[0]), len(rest[0]) // 2)
        elif verb == "line":
            for byte in bytes.fromhex(rest[0]):
                library.ov_line_byte(byte)
        elif verb == "heard":
            library.ov_music_heard(bytes.fromhex(rest[0]))
        elif verb == "poll":
            levels = [library.ov_plug_latched()] + [library.ov_plug_clocked() for _ in range(PLUG_BITS + 1)]
            print(now_ms, "plug", "".join(map(str, levels)))
        elif verb == "locks":
            library.ov_host_locks(int(rest[0]))
        elif verb == "end":
            print("end")
            now_ms, glowing = 0, {}
            begin()


play(sys.stdin)
if problems:
    raise SystemExit(problems[0])
