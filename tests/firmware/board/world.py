"""What lies around a simulated board, by net: pins, contacts and diodes, registers, multiplexers, expanders, ladders, lamps.

The stand-in modules beside this file ask it; the harness sets contacts and asks what glows. Nets are texts of digits."""

PULL_UP = "up"


class Pin:
    """A pin as the program has set it."""

    def __init__(self):
        self.is_output = False
        self.level = False
        self.pull = None


class World:
    def __init__(self):
        self.pins = {}  # by name
        self.net_of = {}  # pin name to net
        self.pin_on = {}  # net to pin
        self.conductors = []  # [from, to, has a diode, closed]
        self.held = set()
        self.chains_in, self.chains_out, self.multiplexers = [], [], []
        self.expanders, self.ladders, self.lamps, self.lights = [], [], [], []
        self.segments, self.displays, self.branches = [], [], []
        self.transmitter, self.din_told = None, []  # of sockets for music, or to the other part of the device
        self.receiver, self.sent, self.came = None, 0, b""
        self.module_bus, self.modules, self.calling = None, {}, {}  # of a base: what each says when it is asked, and the contact it pulls
        self.caller, self.requests, self.bus_told = None, [], []  # of a module: its line, and what the base wants of it
        self.tones = {}  # net to Hz of the wave on it
        self.wipers = []  # [line, its select nets, channel, part of 65536 of the supply]
        self.ground = None
        self.low = None

    def read_wiring(self, text):
        for line in text.splitlines():
            word, *rest = line.split()
            getattr(self, "add_" + word.replace("-", "_"))(*rest)

    def add_ground(self, net):
        self.ground = net

    def add_pin(self, net, name):
        self.pins[name] = self.pin_on[net] = Pin()
        self.net_of[name] = net

    def add_contact(self, one, other, diode):
        self.conductors.append([one, other, diode == "1", False])

    def add_held(self, net):
        self.held.add(net)

    def add_in_register(self, clock, latch, data, _, *nets):
        self.chains_in.append(InChain(self, clock, latch, data, nets))

    def add_out_register(self, clock, latch, data, enable, *nets):
        self.chains_out.append(OutChain(self, clock, latch, data, enable, len(nets)))

    def add_multiplexer(self, a, b, c, d, data, *nets):
        self.multiplexers.append(([net for net in (a, b, c, d) if net != "-1"], data, nets))

    def add_expander(self, scl, sda, address, *nets):
        self.expanders.append(Expander(self, scl, sda, int(address), nets))

    def add_ladder(self, line, pull_down_ohm, top, *ohms):
        bank = Bank(self, line, float(pull_down_ohm), top, tuple(float(ohm) for ohm in ohms))
        self.ladders.append(bank)
        self.conductors += [[bank, nth, True, False] for nth in range(bank.count)]

    def add_lamp(self, kind, one, other):
        self.lamps.append((chr(int(kind)), one, other))

    def add_wiper(self, line, *rest):
        *selects, channel, level = rest
        self.wipers.append([line, [net for net in selects if net != "-1"], int(channel), int(level)])

    def add_light(self, net):
        self.lights.append(net)

    def add_segments(self, data, clock, select, drivers):
        self.segments.append(SegmentChain(self, data, clock, select, int(drivers)))

    def add_display(self, scl, sda, address, multiplexer, branch):
        before = None
        if multiplexer != "0":
            there = [one for one in self.branches if one.address == int(multiplexer)]
            before = there[0] if there else Branches(scl, sda, int(multiplexer))
            self.branches = self.branches if there else self.branches + [before]
        self.displays.append(Glass(scl, sda, int(address), before, int(branch)))

    def add_transmitter(self, net):
        self.transmitter = net

    def add_receiver(self, net):
        self.receiver = net

    def add_bus(self, scl, sda):
        self.module_bus = (scl, sda)
        self.modules = {number: Module(self, number) for number in range(1, 8)}

    def add_caller(self, net):
        self.caller = net

    def on_bus(self, nets):
        there = [one for one in self.expanders + self.displays + self.branches if (one.scl, one.sda) == nets]
        return there + list(self.modules.values()) if nets == self.module_bus else there

    @staticmethod
    def reached(parts, address):
        """The one part that answers an address, or None."""
        there = [one for one in parts if one.address == address and one.is_reached()]
        if len(there) > 1:
            raise ValueError("two parts answer at once")
        return there[0] if there else None

    # What moves.

    def set_contact(self, number, closed):
        contact = self.conductors[number]
        contact[3] = closed
        if isinstance(contact[0], Bank):
            contact[0].pressed[contact[1]] = closed
        self.low = None

    def pin_changed(self, _):
        self.low = None
        for chain in self.chains_in + self.chains_out + self.segments:
            chain.move()

    # What is read.

    def low_nets(self):
        """Every net that closed contacts and diodes join to ground or to a pin that is driven low."""
        if self.low is not None:
            return self.low
        low = {self.ground} | {net for net, pin in self.pin_on.items() if pin.is_output and not pin.level}
        closed = [one for one in self.conductors if one[3] and not isinstance(one[0], Bank) and one[0] not in self.held]
        again = True
        while again:
            again = False
            for one, other, diode, _ in closed:
                if other in low and one not in low:
                    low.add(one)
                    again = True
                if not diode and one in low and other not in low:
                    low.add(other)
                    again = True
        self.low = low
        return low

    def is_driven_high(self, net):
        pin = self.pin_on.get(net)
        return bool(pin and pin.is_output and pin.level)

    def is_driven_low(self, net):
        pin = self.pin_on.get(net)
        return bool(pin and pin.is_output and not pin.level)

    def level(self, name):
        """What nothing holds or drives floats: it is then taken for low, the worst."""
        pin, net = self.pins[name], self.net_of[name]
        if pin.is_output:
            return pin.level
        for chain in self.chains_in:
            if chain.data == net:
                return chain.bits[0]
        if net in self.held:
            return any(one[0] == net and one[3] for one in self.conductors)
        if pin.pull != PULL_UP:
            return False
        for select, data, nets in self.multiplexers:
            if data == net:
                channel = sum(self.is_driven_high(one) << bit for bit, one in enumerate(select))
                return channel >= len(nets) or nets[channel] not in self.low_nets()
        return net not in self.low_nets()

    def part_of_supply(self, name):
        """The voltage of a ladder's line, as a part of the supply."""
        return line_level([bank for bank in self.ladders if bank.line == self.net_of[name]])

    def wiper_level(self, name):
        """What a wiper on an analog pin gives, as a part of 65536 of the supply; None where there is none."""
        net = self.net_of[name]
        for line, selects, channel, level in self.wipers:
            if line == net and channel == sum(self.is_driven_high(one) << bit for bit, one in enumerate(selects)):
                return level
        return None

    def glows(self, lamp):
        kind, one, other = lamp
        if kind == "p":
            return self.is_driven_high(one)
        if kind == "t":
            return abs(self.tones.get(one, 0) - int(other)) * 100 <= int(other)
        if kind == "r":
            return self.chains_out[int(one)].glows(int(other))
        return self.is_driven_high(one) and self.is_driven_low(other)


class InChain:
    """74HC165: loads while the latch is low; a rising clock brings the next bit, the last input of the first register first."""

    def __init__(self, world, clock, latch, data, nets):
        self.world, self.clock, self.latch, self.data, self.nets = world, clock, latch, data, nets
        self.bits = [True] * len(nets)
        self.was_clock = False

    def move(self):
        clock = self.world.is_driven_high(self.clock)
        if not self.world.is_driven_high(self.latch):
            low = self.world.low_nets()
            levels = [net == "-1" or net not in low for net in self.nets]
            self.bits = [levels[at + bit] for at in range(0, len(levels), 8) for bit in range(7, -1, -1)]
        elif clock and not self.was_clock:
            self.bits = self.bits[1:] + [False]
        self.was_clock = clock


class SegmentChain:
    """Drivers with 16 bits each, the first bit first: a rising clock takes the data while select is low; a rising select shows what they hold."""

    def __init__(self, world, data, clock, select, drivers):
        self.world, self.data, self.clock, self.select = world, data, clock, select
        self.length = 16 * drivers
        self.bits = []
        self.was_clock = self.was_select = False
        self.told = []  # frames that were shown

    def move(self):
        clock, select = self.world.is_driven_high(self.clock), self.world.is_driven_high(self.select)
        if clock and not self.was_clock and not select:
            self.bits.append(self.world.is_driven_high(self.data))
        if select and not self.was_select and self.bits:
            if len(self.bits) != self.length:
                raise ValueError("%d bits through %d of drivers" % (len(self.bits), self.length))
            value = 0
            for bit in self.bits:
                value = value << 1 | bit
            self.told.append(value.to_bytes(self.length // 8, "big"))
            self.bits = []
        self.was_clock, self.was_select = clock, select


class Branches:
    """A bus multiplexer: it joins the branches whose bits it was told last."""

    def __init__(self, scl, sda, address):
        self.scl, self.sda, self.address = scl, sda, address
        self.on = 0

    def write(self, data):
        self.on = data[-1]

    def is_reached(self):
        return True


class Module:
    """One on the bus of a base, as it is heard there. A line is pulled until all that share it were asked."""

    def __init__(self, world, number):
        self.world, self.number, self.address = world, number, 0x30 + number
        self.says = b""

    def is_reached(self):
        return len(self.says) > 0

    def write(self, data):
        self.world.bus_told.append("told %d %s" % (self.number, bytes(data).hex()))

    def calls(self, contact):
        self.world.calling[self.number] = contact
        self.world.set_contact(contact, True)

    def answer(self, count):
        self.world.bus_told.append("asks %d" % self.number)
        contact = self.world.calling.pop(self.number, None)
        if contact is not None and contact not in self.world.calling.values():
            self.world.set_contact(contact, False)
        return self.says[:count] + b"\xff" * (count - len(self.says))


class Glass:
    """A display on a two-wire bus: what it is told."""

    def __init__(self, scl, sda, address, before, branch):
        self.scl, self.sda, self.address = scl, sda, address
        self.before, self.branch = before, branch
        self.told = []

    def is_reached(self):
        return self.before is None or bool(self.before.on & self.branch)

    def write(self, data):
        self.told.append(bytes(data))


class OutChain:
    """74HC595: a rising clock takes the data, a rising latch shows all; nothing is shown while the enable line is high."""

    def __init__(self, world, clock, latch, data, enable, count):
        self.world, self.clock, self.latch, self.data, self.enable = world, clock, latch, data, enable
        self.bits = [True] * count
        self.shown = [False] * count  # what they show at power-on is chance: then all would glow
        self.was_clock = self.was_latch = False

    def move(self):
        clock, latch = self.world.is_driven_high(self.clock), self.world.is_driven_high(self.latch)
        if clock and not self.was_clock:
            self.bits = [self.world.is_driven_high(self.data)] + self.bits[:-1]
        if latch and not self.was_latch:
            self.shown = list(self.bits)
        self.was_clock, self.was_latch = clock, latch

    def glows(self, bit):
        enabled = self.enable == "-1" or self.world.is_driven_low(self.enable)
        return enabled and not self.shown[bit]


class Expander:
    """16-line class: sixteen inputs, each with a pull-up that must be switched on; levels from register 0x12 on."""

    def __init__(self, world, scl, sda, address, nets):
        self.world, self.scl, self.sda, self.address, self.nets = world, scl, sda, 0x20 + address, nets
        self.registers = bytearray(0x16)

    def is_reached(self):
        return True

    def write(self, data):
        self.registers[data[0] : data[0] + len(data) - 1] = data[1:]

    def read(self, register, count):
        pulled = self.registers[0x0C] | self.registers[0x0D] << 8
        low = self.world.low_nets()
        levels = sum(
            1 << bit for bit in range(16) if pulled >> bit & 1 and (bit >= len(self.nets) or self.nets[bit] not in low)
        )
        self.registers[0x12:0x14] = bytes([levels & 0xFF, levels >> 8])
        return self.registers[register : register + count]


class Bank:
    """Resistors from ground up; a pressed key joins its place to the common line."""

    def __init__(self, world, line, pull_down_ohm, top, ohms):
        self.world, self.line, self.pull_down_ohm, self.top, self.ohms = world, line, pull_down_ohm, top, ohms
        self.count = len(ohms)
        self.pressed = [False] * self.count

    def is_powered(self):
        return self.top == "-1" or self.world.is_driven_high(self.top)


known_levels = {}


def line_level(banks):
    key = tuple((bank.is_powered(), bank.ohms, bank.pull_down_ohm, tuple(bank.pressed)) for bank in banks)
    if key not in known_levels:
        known_levels[key] = solve_line(key)
    return known_levels[key]


def solve_line(banks):
    """Kirchhoff's current law at every node: the line, and each place of each bank. Ground is 0, the supply 1."""
    places = [(nth, place) for nth, (_, _, _, pressed) in enumerate(banks) for place in range(1, len(pressed) + 1)]
    joined = {(nth, place) for nth, place in places if banks[nth][3][place - 1]}
    powered = {(nth, len(banks[nth][3])) for nth in range(len(banks)) if banks[nth][0]}
    name = {one: "line" if one in joined else one for one in places}
    fixed = {name[one]: 1.0 for one in powered}
    nodes = sorted({one for one in list(name.values()) + ["line"] if one not in fixed}, key=str)
    index = {one: nth for nth, one in enumerate(nodes)}
    size = len(nodes)
    rows = [[0.0] * (size + 1) for _ in nodes]

    def resistor(one, other, ohm):
        for here, there in ((one, other), (other, one)):
            if here not in index:
                continue
            row = rows[index[here]]
            row[index[here]] += 1 / ohm
            if there in index:
                row[index[there]] -= 1 / ohm
            else:
                row[size] += fixed.get(there, 0.0) / ohm

    resistor("line", "ground", banks[0][2])
    for nth, (_, ohms, _, pressed) in enumerate(banks):
        below = "ground"
        for place in range(1, len(pressed) + 1):
            if name[(nth, place)] != below:
                resistor(name[(nth, place)], below, ohms[place - 1])
            below = name[(nth, place)]
    if "line" in fixed:
        return 1.0
    return eliminate(rows)[index["line"]]


def eliminate(rows):
    """Gauss: the unknowns of a system of linear equations."""
    size = len(rows)
    for at in range(size):
        best = max(range(at, size), key=lambda row: abs(rows[row][at]))
        rows[at], rows[best] = rows[best], rows[at]
        for row in range(size):
            if row != at and rows[row][at] != 0.0:
                share = rows[row][at] / rows[at][at]
                rows[row] = [one - share * other for one, other in zip(rows[row], rows[at])]
    return [rows[at][size] / rows[at][at] for at in range(size)]


world = World()
