"""All that touches the board. These modules are built into the board's interpreter; no other file uses any of them.

Which line is on which pin, and what stands between, is in plan.py."""

import analogio
import board
import busio
import digitalio
import microcontroller
import supervisor
import usb_cdc
import usb_hid
import usb_midi

import plan
import radio_port
from lights_port import send_lights
from device.contract import (
    KEEP_TAKEN,
    KEEP_UNTIL_OFF,
    KEPT_BYTES,
    KEPT_KEYMAP,
    LINK_AROUND,
    LINK_BITS_A_SECOND,
    LINK_BUS_ADDRESS,
    LINK_MOST,
    NO_SEAL,
    PACKED_FRAME_BYTES,
    REPORT_KEYBOARD,
    REPORT_LIVE,
    REPORT_MUSIC,
    REPORT_PANEL,
    SEAL,
    SLOT_BYTES_KEYMAP,
)

BANK_LINES = 16
SELECT_SETTLES_US = 2  # until a multiplexer's line has settled
TICKS = 1 << 29  # the interpreter's millisecond clock starts anew after so many
EXPANDER_PULL_UPS = 0x0C  # two registers of pull-ups, then, from 0x12 on, two of levels
EXPANDER_LEVELS = 0x12
EXPANDER_ADDRESS = 0x20
HALF_HIGH = 0x8000  # of 65536 of a wave
TWO_BYTES = 0xC  # events of a program
PLAYED_MOST = 30  # bytes a scan
DIN_BAUD = 31250  # MIDI 1.0, hardware


def now_ms():
    return supervisor.ticks_ms()


def ms_between(earlier, later):
    return (later - earlier) % TICKS


def announce():
    """Before USB starts: who the device is, and its interfaces."""
    maker, product, vendor_id, product_id = plan.IDENTITY
    supervisor.set_usb_identification(maker, product, vendor_id, product_id)
    devices = [
        usb_hid.Device(
            report_descriptor=descriptor,
            usage_page=usage_page,
            usage=usage,
            report_ids=(report_id,),
            in_report_lengths=(in_bytes,),
            out_report_lengths=(out_bytes,),
        )
        for descriptor, usage_page, usage, report_id, in_bytes, out_bytes, _ in plan.INTERFACES
    ]
    usb_hid.enable(tuple(devices), boot_device=plan.BOOT_DEVICE)
    if plan.PLAYS_MUSIC:
        usb_midi.enable()
    else:
        usb_midi.disable()


class Host:
    """The computer's side: reports to it, lock lights from it, and whether it has come anew."""

    def __init__(self):
        self.by_kind = {one[6]: (usb_hid.devices[nth], one[3]) for nth, one in enumerate(plan.INTERFACES)}
        self.out = usb_midi.ports[1] if plan.PLAYS_MUSIC else None
        self.unsent = b""  # the rest of events that the port took in part
        self.was_connected = False
        self.is_set_up = False  # since it has power a computer has known it
        self.is_asleep = False

    def send(self, kind, report):
        if kind == REPORT_MUSIC:
            return self.play(report)
        device, report_id = self.by_kind[kind]
        try:
            device.send_report(report, report_id)
        except OSError:  # the computer does not take it now
            return False
        return True

    def play(self, packets):
        """The interpreter's port of music takes events without their kinds, a program's without a second value."""
        if self.unsent:
            self.unsent = self.unsent[self.out.write(self.unsent) :]
        if self.unsent or not supervisor.runtime.usb_connected:
            return False
        events = b"".join(
            [packets[at + 1 : at + (3 if packets[at] == TWO_BYTES else 4)] for at in range(0, len(packets), 4)]
        )
        taken = self.out.write(events)
        self.unsent = events[taken:] if taken else b""
        return taken > 0

    def last_of(self, kind):
        """The last report of a kind that came since the last call, or None."""
        if kind not in self.by_kind:
            return None
        device, report_id = self.by_kind[kind]
        return device.get_last_received_report(report_id)

    def locks(self):
        """The last lock lights that came since the last call, or None."""
        told = self.last_of(REPORT_KEYBOARD)
        return told[0] if told else None

    def question(self):
        """A frame of live changes that came since the last call, or None."""
        return self.last_of(REPORT_LIVE)

    def told(self):
        """What the computer told the panel since the last call, or None."""
        return self.last_of(REPORT_PANEL)

    @staticmethod
    def line_bytes():
        """What came over the board's own serial port since the last call."""
        console = usb_cdc.console
        return console.read(console.in_waiting) if console and console.in_waiting else b""

    @staticmethod
    def played_bytes():
        """What the computer played since the last call."""
        return usb_midi.ports[0].read(PLAYED_MOST) or b""

    def answer(self, frame):
        return self.send(REPORT_LIVE, bytes(frame[:PACKED_FRAME_BYTES]))

    def came_anew(self):
        """On a mere charger, where it never was, it does not sleep either: what is to be lit stays lit."""
        connected = supervisor.runtime.usb_connected
        if connected == self.was_connected:
            return False
        self.was_connected = connected
        self.is_set_up = True
        self.is_asleep = not connected
        return connected


class Kept:
    """What outlasts the power: the board's own small memory where it has one of 1,024 bytes, else two files, which a
    board whose drive belongs to the computer cannot write; then it is kept until the power is off.

    A slot is gathered in memory and put away when it is sealed, its seal last: a byte at a time would wear the memory out."""

    def __init__(self):
        self.bytes = bytearray([NO_SEAL] * KEPT_BYTES)
        memory = microcontroller.nvm
        self.memory = memory if memory is not None and len(memory) >= KEPT_BYTES else None
        if self.memory is not None:
            self.bytes[:] = bytes(self.memory[0:KEPT_BYTES])
            return
        for slot in (0, 1):
            self.fetch(slot)

    @staticmethod
    def file_of(slot):
        return "/kept%d.bin" % slot

    def fetch(self, slot):
        try:
            with open(self.file_of(slot), "rb") as file:
                there = file.read(SLOT_BYTES_KEYMAP)
        except OSError:
            return
        at = KEPT_KEYMAP + slot * SLOT_BYTES_KEYMAP
        self.bytes[at : at + len(there)] = there

    def kept(self, at):
        return self.bytes[at]

    def keeping(self):
        """Whether a byte is still being written: here all is done at once."""
        return False

    def keep(self, at, byte):
        self.bytes[at] = byte
        slot, place = divmod(at - KEPT_KEYMAP, SLOT_BYTES_KEYMAP)
        if place > 0 or byte != SEAL:
            return KEEP_TAKEN
        try:
            self.put_away(slot)
        except OSError:
            return KEEP_UNTIL_OFF
        return KEEP_TAKEN

    def put_away(self, slot):
        at = KEPT_KEYMAP + slot * SLOT_BYTES_KEYMAP
        unsealed = bytes([NO_SEAL]) + self.bytes[at + 1 : at + SLOT_BYTES_KEYMAP]
        if self.memory is not None:
            self.memory[at : at + SLOT_BYTES_KEYMAP] = unsealed
            self.memory[at] = SEAL
            return
        with open(self.file_of(slot), "wb") as file:
            file.write(unsealed)
        with open(self.file_of(slot), "r+b") as file:
            file.write(bytes([SEAL]))


class SerialLine:
    """To the device's other part."""

    def __init__(self, pins, tx, rx):
        room = 2 * (LINK_MOST + LINK_AROUND)
        self.line = busio.UART(
            getattr(board, tx), getattr(board, rx), baudrate=LINK_BITS_A_SECOND, timeout=0, receiver_buffer_size=room
        )

    def link(self, frame):
        """The interpreter waits until it has left: a millisecond for 25 bytes."""
        self.line.write(frame)

    def listen(self):
        """What comes is noted without it."""

    def came(self):
        return self.line.read(self.line.in_waiting) if self.line.in_waiting else b""


class ModulesBus:
    """Of a base to its modules, each of which is told by itself: an interpreter may not hear what is told to all (from memory). One that is busy
    with its own scan holds the clock until it looks at the bus, and the base waits; one that is not there is passed over."""

    def __init__(self, pins, bus, calls):
        self.bus = pins.buses[bus]
        self.lines = [(pins.input(name), modules) for name, modules in calls]
        self.modules = [nth for nth in range(1, 8) if any(modules >> nth & 1 for _, modules in calls)]
        self.answers = b""

    def link(self, frame):
        for module in self.modules:
            try:
                self.bus.writeto(LINK_BUS_ADDRESS + module, frame)
            except OSError:
                pass

    def calls(self):
        """Which modules' lines are pulled, a bit each."""
        called = 0
        for line, modules in self.lines:
            if not line.value:
                called |= modules
        return called

    def ask(self, module, length):
        answer = bytearray(length)
        try:
            self.bus.readfrom_into(LINK_BUS_ADDRESS + module, answer)
        except OSError:
            return
        self.answers += answer

    def listen(self):
        """Nothing comes that was not asked for."""

    def came(self):
        came, self.answers = self.answers, b""
        return came


class OwnBus:
    """Of a module to the base: it keeps its frame for when it is asked, and pulls a line until then. The base pulls it up."""

    MOST_REQUESTS = 4  # at one look: what it is told twice, and is asked twice

    def __init__(self, pins, scl, sda, call):
        import i2ctarget  # not every board has it, and few devices want it

        address = LINK_BUS_ADDRESS + plan.PART
        self.target = i2ctarget.I2CTarget(getattr(board, scl), getattr(board, sda), (address,))
        self.line = pins.input(call, False)
        self.frame = bytes(1)
        self.heard = b""

    def link(self, frame):
        self.frame = frame

    def call(self):
        self.line.switch_to_output(value=False)

    def listen(self):
        """Whatever the base wants: the clock is held until it is looked at."""
        for _ in range(self.MOST_REQUESTS):
            request = self.target.request()
            if not request:
                return
            with request:
                if request.is_read:
                    self.line.switch_to_input(pull=None)
                    request.write(self.frame)
                else:
                    self.heard += request.read()

    def came(self):
        self.listen()
        came, self.heard = self.heard, b""
        return came


LINES = {"serial": SerialLine, "modules": ModulesBus, "own": OwnBus}


def open_bus(scl, sda, hz):
    bus = busio.I2C(getattr(board, scl), getattr(board, sda), frequency=hz)
    while not bus.try_lock():
        pass
    return bus


class Pins:
    """The board's pins by name, each taken once, and its two-wire buses."""

    def __init__(self):
        self.digital = {}
        self.buses = [open_bus(*one) for one in plan.BUSES]

    def pin(self, name):
        if name not in self.digital:
            self.digital[name] = digitalio.DigitalInOut(getattr(board, name))
        return self.digital[name]

    def input(self, name, pull_up=True):
        pin = self.pin(name)
        pin.switch_to_input(pull=digitalio.Pull.UP if pull_up else None)
        return pin

    def output(self, name, high=False):
        pin = self.pin(name)
        pin.switch_to_output(value=high)
        return pin


class InRegisters:
    """A chain of the 74HC165 sort: caught at one instant by the latch, the last input of the first register first."""

    def __init__(self, pins, clock, latch, data, count):
        self.clock = pins.output(clock)
        self.latch = pins.output(latch, True)
        self.data = pins.input(data, False)
        self.levels = [True] * count

    def catch(self):
        self.latch.value = False
        self.latch.value = True
        levels = self.levels
        for first in range(0, len(levels), 8):
            for bit in range(first + 7, first - 1, -1):
                levels[bit] = self.data.value
                self.clock.value = True
                self.clock.value = False


class OutRegisters:
    """A chain of the 74HC595 sort: the last output first; the latch shows all at once, and then they are enabled."""

    def __init__(self, pins, clock, latch, data, enable, count):
        self.enable = None if enable is None else pins.output(enable, True)
        self.clock = pins.output(clock)
        self.latch = pins.output(latch)
        self.data = pins.output(data)
        self.levels = [True] * count
        self.is_changed = True

    def lamp(self, bit, on):
        self.levels[bit] = not on  # low is lit
        self.is_changed = True

    def show(self):
        if not self.is_changed:
            return
        self.is_changed = False
        for level in reversed(self.levels):
            self.data.value = level
            self.clock.value = True
            self.clock.value = False
        self.latch.value = True
        self.latch.value = False
        if self.enable:
            self.enable.value = False


class Multiplexers:
    """Multiplexers that share their select lines; levels by chip, then by channel."""

    def __init__(self, pins, select, data):
        self.select = [pins.output(name) for name in select]
        self.data = [pins.input(name) for name in data]
        self.channels = 1 << len(select)
        self.levels = [True] * (len(data) * self.channels)

    def catch(self):
        for channel in range(self.channels):
            for bit, pin in enumerate(self.select):
                pin.value = bool(channel >> bit & 1)
            microcontroller.delay_us(1)
            for chip, pin in enumerate(self.data):
                self.levels[chip * self.channels + channel] = pin.value


class Expanders:
    """16-line expanders on one two-wire bus, every line pulled up; levels by expander, then by line."""

    def __init__(self, pins, bus, addresses):
        self.bus = pins.buses[bus]
        self.addresses = [EXPANDER_ADDRESS + address for address in addresses]
        self.levels = [True] * (len(addresses) * 16)
        self.read_bytes = bytearray(2)
        for address in self.addresses:
            self.bus.writeto(address, bytes([EXPANDER_PULL_UPS, 0xFF, 0xFF]))

    def catch(self):
        register = bytes([EXPANDER_LEVELS])
        for nth, address in enumerate(self.addresses):
            self.bus.writeto_then_readfrom(address, register, self.read_bytes)
            told = self.read_bytes[0] | self.read_bytes[1] << 8
            for bit in range(16):
                self.levels[nth * 16 + bit] = bool(told >> bit & 1)


class Ladder:
    """Banks of resistors on one line, powered one at a time. Of each bank one rung is told: that whose window the voltage
    lies in. edges are the lower ends of the windows, as parts of 65536."""

    def __init__(self, pins, line, banks):
        self.reader = analogio.AnalogIn(getattr(board, line))
        self.banks = [(None if top is None else pins.input(top, False), edges) for top, edges in banks]
        self.levels = [True] * sum(len(edges) for _, edges in banks)

    def catch(self):
        first = 0
        for top, edges in self.banks:
            if top:
                top.switch_to_output(value=True)
                microcontroller.delay_us(plan.LADDER_SETTLE_US)
            volts = self.reader.value
            if top:
                top.switch_to_input(pull=None)
            told = sum(1 for edge in edges if volts >= edge) - 1
            for rung in range(len(edges)):
                self.levels[first + rung] = rung != told
            first += len(edges)


PARTS = {
    "in-registers": InRegisters,
    "out-registers": OutRegisters,
    "multiplexers": Multiplexers,
    "expanders": Expanders,
    "ladder": Ladder,
}


class SegmentPins:
    """A chain of segment drivers: data are taken when the clock rises, and shown when select rises."""

    def __init__(self, pins, data, clock, select):
        self.data, self.clock = pins.output(data), pins.output(clock)
        self.select = pins.output(select, True)

    def shift(self, frame):
        self.select.value = False
        for byte in frame:
            for bit in range(7, -1, -1):
                self.data.value = bool(byte >> bit & 1)
                self.clock.value = True
                self.clock.value = False
        self.select.value = True


class DisplayBus:
    """A display on a two-wire bus, alone or behind a bus multiplexer, of which no other may have a branch on meanwhile."""

    branch_on = {}  # by bus: the multiplexer, and what it was told

    def __init__(self, pins, bus, address, multiplexer, branch):
        self.number, self.bus, self.address = bus, pins.buses[bus], address
        self.behind = (multiplexer, branch) if multiplexer else None

    def write(self, frame):
        if self.behind:
            self.reach()
        self.bus.writeto(self.address, frame)

    def reach(self):
        on = self.branch_on.get(self.number)
        if on == self.behind:
            return
        if on and on[0] != self.behind[0]:
            self.bus.writeto(on[0], bytes(1))
        self.bus.writeto(self.behind[0], bytes([self.behind[1]]))
        self.branch_on[self.number] = self.behind


class Lines:
    """What the runtime asks for: sense lines in banks of sixteen, strobes, lamps."""

    def __init__(self):
        pins = self.pins = Pins()
        self.strobes = [(name and pins.input(name, sensed), sensed) for name, sensed in plan.STROBES]
        self.parts = [PARTS[sort](pins, *rest) for sort, *rest in plan.PARTS]
        self.catching = [part for part in self.parts if hasattr(part, "catch")]
        self.showing = [part for part in self.parts if hasattr(part, "show")]
        self.readers = {}
        senses = [self.sense_line(*one) for one in plan.SENSES]
        self.banks = [senses[at : at + BANK_LINES] for at in range(0, len(senses), BANK_LINES)]
        self.lamps = [self.lamp_at(*one) for one in plan.LAMPS]
        self.sensors = [self.sensor(*one) for one in plan.SENSORS]
        self.sensed = 0
        self.chains = [name and self.pins.output(name) for name in plan.CHAINS]
        self.segment_chains = [one[0] and SegmentPins(pins, *one) for one in plan.SEGMENT_CHAINS]
        self.displays = [one[0] is not None and DisplayBus(pins, *one) for one in plan.DISPLAYS]
        self.others = plan.LINE and LINES[plan.LINE[0]](pins, *plan.LINE[1:])
        self.transmitter = plan.TRANSMITTER and busio.UART(getattr(board, plan.TRANSMITTER), None, baudrate=DIN_BAUD)
        self.pairs = [one for one in self.lamps if isinstance(one, Pair)]
        self.pair = 0

    def sense_line(self, sort, place, bit=0):
        """What a line's level is asked of."""
        if sort == "part":
            return (self.parts[place].levels, bit)
        if sort == "away":
            return ([True], 0)
        return (self.pins.input(place, sort != "held"), sort == "held")

    def lamp_at(self, sort, place, more=None):
        if sort == "part":
            return (self.parts[place], more)
        if sort == "away":
            return None
        if sort == "pair":
            return Pair(self.pins, place, more)
        if sort == "tone":
            return (Sounder(place, more), 0)
        return (self.pins.output(place), None)

    def sensor(self, name, selects, channel):
        """A pin's reader, and the select pins that are high for the channel."""
        if name is None:
            return None
        if name not in self.readers:
            self.readers[name] = analogio.AnalogIn(getattr(board, name))
        high = [self.pins.output(one) for bit, one in enumerate(selects) if channel >> bit & 1]
        return (self.readers[name], high)

    def sense(self, sensor):
        """Reads at once, and tells what was read the time before: so all boards are as quick to tell."""
        before = self.sensed
        if not self.sensors[sensor]:
            return before
        reader, high = self.sensors[sensor]
        for pin in high:
            pin.value = True
        if high:
            microcontroller.delay_us(SELECT_SETTLES_US)
        self.sensed = reader.value
        for pin in high:
            pin.value = False
        return before

    def catch(self):
        for part in self.catching:
            part.catch()

    def strobe(self, line):
        self.strobes[line][0].switch_to_output(value=False)

    def release(self, line):
        pin, sensed = self.strobes[line]
        pin.switch_to_input(pull=digitalio.Pull.UP if sensed else None)

    def settle(self, us):
        if us:
            microcontroller.delay_us(us)

    def read(self, bank):
        read = 0xFFFF
        for bit, (place, how) in enumerate(self.banks[bank]):
            high = place[how] if isinstance(place, list) else place.value != how
            if not high:
                read &= ~(1 << bit)
        return read

    def lamp(self, line, on):
        place = self.lamps[line]
        if place is None:
            return
        if isinstance(place, Pair):
            place.is_lit = on
        elif place[1] is None:
            place[0].value = on
        else:
            place[0].lamp(place[1], on)

    def lights(self, chain, told):
        if self.chains[chain]:
            send_lights(self.chains[chain], told)

    def segments(self, chain, frame):
        if self.segment_chains[chain]:
            self.segment_chains[chain].shift(frame)

    def display(self, display, frame):
        if self.displays[display]:
            self.displays[display].write(frame)

    def din(self, told):
        """The interpreter waits until they have left: nearly a millisecond for three."""
        self.transmitter.write(told)

    def link(self, frame):
        self.others.link(frame)

    def call(self):
        self.others.call()

    def calls(self):
        return self.others.calls()

    def ask(self, module, length):
        self.others.ask(module, length)

    def listen(self):
        """Whatever the others want now is noted, or answered."""
        self.others.listen()

    def from_others(self):
        """What came from other parts of the device since the last call."""
        return self.others.came() if self.others else b""

    def radio(self, packet):
        return radio_port.send_packet(packet)

    def radio_answer(self):
        """What came back on an acknowledgement since the last call, or None."""
        return radio_port.answer()

    def show(self):
        """After each scan: what registers show, and the next lamp of those between line pairs."""
        for part in self.showing:
            part.show()
        if not self.pairs:
            return
        self.pairs[self.pair].let_go()
        for _ in self.pairs:
            self.pair = (self.pair + 1) % len(self.pairs)
            if self.pairs[self.pair].is_lit:
                self.pairs[self.pair].light()
                return


class Sounder:
    """One that wants a square wave: half of each is high while it sounds."""

    def __init__(self, name, hz):
        import pwmio  # not every board has it, and few devices want it

        self.wave = pwmio.PWMOut(getattr(board, name), frequency=hz, duty_cycle=0)

    def lamp(self, _, on):
        self.wave.duty_cycle = HALF_HIGH if on else 0


class Pair:
    """A lamp between two lines: lit while one is high and the other low; the other lines float."""

    def __init__(self, pins, high, low):
        self.high, self.low = pins.input(high, False), pins.input(low, False)
        self.is_lit = False

    def light(self):
        self.low.switch_to_output(value=False)
        self.high.switch_to_output(value=True)

    def let_go(self):
        self.high.switch_to_input(pull=None)
        self.low.switch_to_input(pull=None)
