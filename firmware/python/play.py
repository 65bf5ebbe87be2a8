"""Host stand-in: runs the device on a computer. It reads a script and prints what the device reports.

python3 play.py demo.txt               prints what the device reports
python3 play.py demo.txt expected.txt  compares it

Lines of a script (the same as those of the C archive):
  MS sense STROBE BANK WORD   from this millisecond on, this bank reads WORD (hex, bit 0 = low = closed)
                              while STROBE (a number, or - for none) is driven
  MS level SENSOR LEVEL       from this millisecond on, the voltage of a sensor, as parts of 65536 of the supply (hex)
  MS sleeps 1|0               from this millisecond on the host sleeps and takes no report, or is awake
  MS shares NUMBERS           these reports come over one endpoint, which takes one of them a millisecond
  MS busy 1|0                 from this millisecond on, the host asks for no report, or asks again: an endpoint holds one
  MS locks VALUE              the host sets its lock lights (bit 0 num, 1 caps, 2 scroll)
  MS told BYTES               the computer tells the panel something (hex; the rest of it is 0)
  MS line BYTES               these came over the serial port (hex)
  MS heard BYTES              the computer plays an event: its packet of four bytes (hex)
  MS part NUMBER              which part of the device this is, from 0; before all else
  MS setup 1|0                a computer has set this part up, or no longer
  MS linked BYTES             these came over the line from another part (hex)
  MS calls BITS               from this millisecond on, the lines of these modules on a bus are pulled (bit 1: the first)
  MS gone                     this module is pulled off and has no power
  MS back                     it is put on again
  MS answer BYTES             this came back on the acknowledgement of a radio's packet (hex)
  MS reset                    the bus is reset: the host knows nothing any more
  MS late COUNT               the scan of this millisecond comes COUNT milliseconds late
  MS ask BYTES                the host sends a frame of live changes (hex; the rest of it is 0)
  MS off                      the power goes and comes back: only what is kept stays
  MS end                      run up to this millisecond, then start afresh (device, clock and what is kept)"""

import sys

from device.contract import KEEP_TAKEN, KEPT_BYTES, NO_SEAL, REPORT_NAMES
from device.reports import is_movement
from device.runtime import Runtime
from tables import TABLES

ALL_HIGH = 0xFFFF
SCANS_A_BYTE = 4  # together the 3.4 ms that the 8-bit class takes to keep a byte


class Bench:
    """The device, its clock, and what its lines are told to read."""

    def __init__(self, tell):
        self.tell = tell
        self.start_afresh()

    def start_afresh(self):
        self.answers = {}
        self.levels = {}
        self.over = {}  # the endpoint of a report that shares one, by the first of them
        self.taken_ms = {}
        self.bytes = bytearray([NO_SEAL] * KEPT_BYTES)
        self.now_ms = self.late_until_ms = 0
        self.part, self.is_set_up = 0, False
        self.called, self.is_gone = 0, False
        self.start()

    def start(self):
        """The power comes on."""
        self.driven = "-"
        self.sensed = 0
        self.scanned_ms = self.now_ms
        self.is_busy = self.is_asleep = False
        self.held = {}  # what waits on each endpoint while the host does not ask
        self.scans_left = 0  # scans until a byte is kept
        self.runtime = Runtime(TABLES, self, self.send, self, self.part)
        self.runtime.link.set_up(self.is_set_up)

    # What is kept.

    def kept(self, at):
        return self.bytes[at]

    def keeping(self):
        return self.scans_left > 0

    def keep(self, at, byte):
        self.bytes[at] = byte
        self.scans_left = SCANS_A_BYTE
        return KEEP_TAKEN

    # What the lines read.

    def catch(self):
        self.scans_left = max(0, self.scans_left - 1)

    def strobe(self, line):
        self.driven = str(line)

    def release(self, line):
        self.driven = "-"

    def settle(self, us):
        pass

    def read(self, bank):
        return self.answers.get((self.driven, bank), ALL_HIGH)

    def sense(self, sensor):
        before, self.sensed = self.sensed, self.levels.get(sensor, 0)
        return before

    def lamp(self, line, on):
        self.tell("%d lamp %d %d" % (self.now_ms, line, on))

    def lights(self, chain, told):
        """The scans that are left out meanwhile catch nothing, but their time passes for what is kept too."""
        self.scans_left = max(0, self.scans_left - self.runtime.lights.chains[chain].send_ms)
        self.tell("%d lights %d %s" % (self.now_ms, chain, told.hex()))

    def segments(self, chain, frame):
        self.tell("%d segments %d %s" % (self.now_ms, chain, frame.hex()))

    def display(self, display, frame):
        self.tell("%d display %d %s" % (self.now_ms, display, frame.hex()))

    def link(self, frame):
        self.tell("%d link %s" % (self.now_ms, frame.hex()))

    def call(self):
        self.tell("%d calls" % self.now_ms)

    def calls(self):
        return self.called

    def listen(self):
        pass

    def ask(self, module, length):
        self.tell("%d asks %d" % (self.now_ms, module))

    def din(self, told):
        self.tell("%d din %s" % (self.now_ms, told.hex()))

    def radio(self, packet):
        self.tell("%d radio %s" % (self.now_ms, packet.hex()))
        return True

    def send(self, kind, report):
        if self.runtime.link.there and not self.is_set_up:
            return False
        if self.is_asleep:
            return is_movement(kind, report)
        at = self.over.get(kind, kind)
        if at in self.held if self.is_busy else self.taken_ms.get(at) == self.now_ms:
            return False
        if self.is_busy:
            self.held[at] = (kind, bytes(report))
        else:
            self.taken_ms[at] = self.now_ms
            self.deliver(kind, report)
        return True

    def deliver(self, kind, report):
        self.tell("%d %s %s" % (self.now_ms, REPORT_NAMES[kind], report.hex()))

    def run_until(self, ms):
        while self.now_ms < ms:
            if self.now_ms >= self.late_until_ms and not self.is_gone:
                self.runtime.scan(self.now_ms + 1 - self.scanned_ms)
                self.scanned_ms = self.now_ms + 1
                self.tell_answer()
            self.now_ms += 1

    def tell_answer(self):
        live = self.runtime.live
        if live.is_answered:
            live.is_answered = False
            self.tell("%d live %s" % (self.now_ms, live.frame.hex()))

    def obey(self, words):
        ms, verb, rest = int(words[0]), words[1], words[2:]
        if ms < self.now_ms:
            raise ValueError("time runs backwards")
        self.run_until(ms)
        getattr(self, "do_" + verb)(ms, *rest)

    def do_sense(self, ms, strobe, bank, word):
        self.answers[(strobe, int(bank))] = int(word, 16)

    def do_level(self, ms, sensor, level):
        self.levels[int(sensor)] = int(level, 16)

    def do_busy(self, ms, value):
        self.is_busy = value == "1"
        if self.is_busy:
            return
        for kind, report in sorted(self.held.values()):
            self.deliver(kind, report)
        self.held = {}

    def do_shares(self, ms, *numbers):
        for number in numbers:
            self.over[int(number)] = int(numbers[0])

    def do_sleeps(self, ms, value):
        self.is_asleep = value == "1"
        self.runtime.host_sleeps(self.is_asleep)

    def do_locks(self, ms, value):
        self.runtime.host_locks(int(value))

    def do_reset(self, ms):
        if self.is_asleep:
            self.do_sleeps(ms, "0")
        self.held = {}
        self.runtime.host_reset()

    def do_ask(self, ms, frame):
        if not self.runtime.live.ask(bytes.fromhex(frame)):
            raise ValueError("the device takes no frame now")

    def do_told(self, ms, told):
        self.runtime.panel.tell(bytes.fromhex(told))

    def do_line(self, ms, told):
        self.runtime.lines.take(bytes.fromhex(told))

    def do_heard(self, ms, event):
        self.runtime.heard.take(bytes.fromhex(event)[1:])

    def do_part(self, ms, number):
        self.part = int(number)
        self.start()

    def do_setup(self, ms, value):
        self.is_set_up = value == "1"
        self.runtime.link.set_up(self.is_set_up)

    def do_linked(self, ms, told):
        self.runtime.link.take(bytes.fromhex(told))

    def do_calls(self, ms, bits):
        self.called = int(bits)

    def do_gone(self, ms):
        self.is_gone = True

    def do_back(self, ms):
        self.is_gone = False
        self.start()

    def do_answer(self, ms, told):
        self.runtime.radio_answered(bytes.fromhex(told))

    def do_off(self, ms):
        self.start()

    def do_late(self, ms, count):
        self.late_until_ms = ms + int(count)

    def do_end(self, ms):
        self.tell("end")
        self.start_afresh()


def play(script, tell):
    bench = Bench(tell)
    for number, line in enumerate(script, 1):
        words = line.split()
        if not words or words[0].startswith("#"):
            continue
        try:
            bench.obey(words)
        except (AttributeError, IndexError, TypeError, ValueError) as problem:
            raise SystemExit('line %d of the script: cannot follow "%s" (%s)' % (number, line.strip(), problem))


def main():
    if len(sys.argv) == 1:
        return play(sys.stdin, print)
    with open(sys.argv[1]) as script:
        lines = script.readlines()
    if len(sys.argv) == 2:
        return play(lines, print)
    told = []
    play(lines, told.append)
    with open(sys.argv[2]) as expected:
        for number, (one, other) in enumerate(zip(told + [""], expected.read().split("\n") + [""]), 1):
            if one != other:
                raise SystemExit('line %d: reports "%s", expected "%s"' % (number, one, other))
    print("as simulated")


main()
