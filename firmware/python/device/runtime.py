"""One scan of the device, in order: live changes, switches, encoders, axes, what waits, pulses, macros, the pointer, lamps, displays, lights, reports, the socket, the radio.
A scan in which lights are sent does nothing else.

What it does is specified, in examples, in the design program's docs/device-behaviour.md; the C runtime does the same."""

from device.actions import Actions
from device.awake import Awake
from device.axes import Axes
from device.consumer_report import ConsumerReport
from device.contract import MOST_CHANGES_BEFORE_AXES, START_READY
from device.debounce import Debounce
from device.displays import Displays
from device.encoders import Encoders
from device.effects import Effects
from device.flips import Flips
from device.glows import Glows
from device.jobs import Jobs
from device.keyboard_report import KeyboardReport
from device.keymap import Keymap
from device.lamps import Lamps
from device.layers import Layers
from device.lights import Lights
from device.heard import Heard
from device.lines import Lines
from device.link import FOUND, Link
from device.live import Live
from device.macros import Macros
from device.movers import Movers
from device.music_report import MusicReport
from device.next_key import NextKey
from device.opposites import Opposites
from device.pad_report import PadReport
from device.panel import Panel
from device.place_report import PlaceReport
from device.pointer_report import PointerReport
from device.pulses import Pulses
from device.din import Socket
from device.radio import Radio
from device.reports import Reports
from device.scan import Scan
from device.segments import Segments
from device.system_report import SystemReport
from device.table import state_of
from device.together import Together
from device.waiting import Waiting

START_WORDS = ("ready", "there are no tables", "the tables are of another version", "the tables are torn")
MOST_ELAPSED_MS = 255


class Runtime:
    """A device. lines reads and drives its contacts and lamps; send(kind, bytes) hands a report to the host side.

    kept has kept(at), keeping() and keep(at, byte), as the C HAL has: what outlasts the power."""

    def __init__(self, table, lines, send, kept, part=0):
        state = state_of(table)
        if state != START_READY:
            raise ValueError("the device stays quiet: " + START_WORDS[state])
        self.given = (table, lines, send, kept)
        self.link = Link(table, part, lines)
        self.start(*self.given)

    def start(self, table, lines, send, kept):
        actions = Actions(table)
        layers = self.layers = Layers(table, actions)
        keyboard = KeyboardReport(table, actions)
        consumer = ConsumerReport(actions)
        pointer = PointerReport()
        system = SystemReport()
        pad = PadReport(table)
        self.socket = Socket(table, lines.din)
        self.music = self.socket.music = music = MusicReport(table, self.socket)
        place = PlaceReport(actions)
        self.reports = Reports(table, keyboard, consumer, pointer, system, pad, music, place, send)
        pointer.reports = system.reports = pad.reports = music.reports = place.reports = self.reports
        self.movers = Movers(table, actions, pointer)
        self.awake = Awake(actions, pointer, self.reports)
        next_key = NextKey(actions, layers)
        self.macros = keyboard.macros = consumer.macros = Macros(table, layers, self.reports)
        effects = Effects(actions, layers, keyboard, consumer, pointer, system, pad, music, place, self.movers, self.awake, next_key, self.macros)
        together = Together(table, actions, layers)
        opposites = Opposites(table, actions, effects)
        keymap = Keymap(actions, layers, effects, next_key, together, opposites, self.macros, self.reports)
        self.waiting = Waiting(table, layers, Jobs(actions), together, keymap, self.reports)
        self.pulses = Pulses(table, actions, layers, keymap, self.waiting, self.reports)
        self.debounce = Debounce(table, self.waiting, Flips(table, actions, layers, self.waiting, self.pulses))
        self.contacts = Scan(table, lines, self.debounce)
        self.encoders = Encoders(table, self.contacts.is_low, self.pulses, music)
        self.axes = pad.axes = music.axes = Axes(table, layers, pointer, music, place, self.waiting, self.reports, lines.sense)
        self.radio = self.debounce.radio = self.encoders.radio = self.axes.radio = Radio(table, lines.radio)
        self.panel = Panel(table)
        self.lines = Lines(table, self.panel)
        self.heard = Heard(table, self.panel)
        self.lamps = Lamps(table, actions, layers, next_key, self.awake, self.value_of, self.panel, lines.lamp)
        self.lights = Lights(table, Glows(table, actions, self.lamps, self.value_of), lines.lights)
        self.segments = Segments(table, layers, self.value_of, lines.segments)
        self.displays = Displays(table, layers, self.value_of, lines.display)
        self.is_displays_turn = False  # this scan works out no axis, so that a display can be written
        self.live = Live(table, actions, self.debounce, self.waiting, self.macros, self.axes, kept, self.link)
        link = self.link
        self.debounce.link = self.waiting.link = self.encoders.link = self.axes.link = self.lamps.link = link
        link.begin(self)
        if link.there:
            self.contacts.keep_to(link.own.groups)
            self.encoders.own = link.own.encoders

    def start_anew(self):
        """It speaks with the computer now, or no longer: all begins anew but for its own contacts, and a computer that was told is told of it."""
        closed = [number for number in self.link.own.switches if self.debounce.closed[number]]
        self.start(*self.given)
        if self.link.configured:
            self.reports.untold()
        self.debounce.begin_scan(0)
        for number in closed:
            self.debounce.told_by_other(number, True, FOUND)
        self.contacts.look_again()

    def scan(self, elapsed_ms):
        """Called every millisecond, or as often as the board can, with the milliseconds since the last call."""
        elapsed_ms = min(elapsed_ms, MOST_ELAPSED_MS)
        if self.link.there and self.link.pass_time(elapsed_ms):
            self.start_anew()
        if self.lights.count:
            elapsed_ms = self.lights.take(elapsed_ms)
            if elapsed_ms == 0:
                return
        self.live.play(elapsed_ms)
        self.debounce.begin_scan(elapsed_ms)
        self.waiting.now_ms += elapsed_ms
        self.contacts.switches()
        if self.link.there:
            self.link.play_others()
            self.link.listen()
        self.encoders.sample(elapsed_ms)
        if self.axes.count:
            self.is_displays_turn = self.displays.waits and not self.is_displays_turn
            if not self.is_displays_turn and self.debounce.told() <= MOST_CHANGES_BEFORE_AXES:
                self.axes.read()
        self.waiting.play()
        self.pulses.play(elapsed_ms)
        self.macros.play(elapsed_ms)
        self.movers.play(elapsed_ms)
        if self.axes.count:
            self.axes.play(elapsed_ms)
        self.awake.play(elapsed_ms)
        if self.link.there:
            self.link.listen()
        self.lamps.play(elapsed_ms)
        self.show()
        if self.lights.count:
            self.lights.play()
        self.reports.offer()
        if self.socket.there:
            self.socket.play(self.debounce.told() > MOST_CHANGES_BEFORE_AXES)
        if self.radio.there:
            self.radio.play(elapsed_ms, self.debounce.told() > MOST_CHANGES_BEFORE_AXES, self.debounce.closed, self.axes.axes, self.encoders.all)
        if self.link.there:
            self.link.listen()
            self.link.play()

    def show(self):
        """Segment displays leave scans that have much to tell, or in which lamps look at all that the computer told. Those of dots, which take
        longer, leave all scans that have anything to tell, and those in which segments are told something."""
        is_fresh, told = self.panel.is_fresh, self.debounce.told()
        self.panel.is_fresh = False
        is_sent = self.segments.count and self.segments.play(is_fresh or told > MOST_CHANGES_BEFORE_AXES)
        if self.displays.count:
            self.displays.play(is_fresh or told > 0 or is_sent, self.axes.count == 0 or self.is_displays_turn)

    def value_of(self, nth):
        """Of an encoder, behind those of an axis, and behind those what the computer tells."""
        encoders = self.encoders.all
        if nth < len(encoders):
            return encoders[nth].value
        nth -= len(encoders)
        return self.axes.axes[nth].value() if nth < self.axes.count else self.panel.value(nth - self.axes.count)

    def radio_answered(self, told):
        """What came back on the acknowledgement of a radio's packet."""
        panel = self.radio.answered(told)
        if panel is not None:
            self.panel.tell(panel)

    def host_locks(self, value):
        """The host's lock lights: bit 0 num, 1 caps, 2 scroll lock."""
        self.lamps.locks = value

    def host_sleeps(self, sleeps):
        """While the computer sleeps nothing is lit, shown, run or sounded."""
        self.link.sleeps = sleeps
        self.sleep(sleeps)

    def sleep(self, sleeps):
        self.lamps.is_dark = self.lights.is_dark = self.segments.is_dark = self.displays.is_dark = sleeps

    def host_reset(self):
        """The host knows nothing any more, so what is held is told again."""
        self.reports.forget()
        self.panel.forget()
