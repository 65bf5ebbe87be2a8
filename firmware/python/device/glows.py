"""Glows say what addressable lights show, and when: a colour, one between two by a knob's value, or what moves by itself.

They lie one upon the other, the first lowest; what is seen of each goes at once to all of it and fades to nothing."""

from device.contract import (
    AT_GLOW_TABLE,
    AT_GLOWS,
    AT_LIGHT_TABLE,
    AT_LIGHTS,
    COLOURS,
    GLOW_AT_COLOUR,
    GLOW_AT_FADE,
    GLOW_AT_FROM,
    GLOW_AT_HOW,
    GLOW_AT_OF,
    GLOW_AT_OTHER,
    GLOW_AT_SPEED,
    GLOW_AT_WHEN,
    GLOW_BYTES,
    GLOW_EMBERS,
    GLOW_ROUND,
    GLOW_SWELL,
    GLOW_VALUE,
    GLOW_WAVE,
    LAMP_OWN,
    LIGHT_BYTES,
    NONE,
)
from device.table import word

ALL = 255


def mixed(one, other, level):
    """So much of the other: none at 0, all at 255."""
    of_other = level + (level >> 7)
    return one * (256 - of_other) + other * of_other >> 8


def there_and_back(place):
    return 2 * place if place < 128 else 2 * (255 - place)


def by_chance(light, time):
    """A number that looks like chance, of a light and a time."""
    number = light * 101 + (time & 15) * 59 & 255
    number ^= number >> 4
    number = number * 45 & 255
    return number ^ number >> 3


def ember(phase, light):
    """The upper four bits of where it is are the time; what is beneath lies between this time and the next."""
    time = phase >> 20
    between = phase >> 12 & 255
    return mixed(by_chance(light, time), by_chance(light, time + 1), between)


def colours_of_circle(place, bright):
    """Once round: from red to green, to blue and back, always equally bright."""
    first = min(place // 85, 2)
    more = 3 * (place - 85 * first)
    colours = [0, 0, 0]
    colours[first] = (255 - more) * (bright + 1) >> 8
    colours[(first + 1) % 3] = more * (bright + 1) >> 8
    return colours


class Glow:
    def __init__(self, table, at, lights):
        self.how = table[at + GLOW_AT_HOW]
        self.when = tuple(table[at + GLOW_AT_WHEN : at + GLOW_AT_FROM + 1])
        self.is_own = self.when[0] == LAMP_OWN
        self.of = table[at + GLOW_AT_OF]
        self.speed = word(table, at + GLOW_AT_SPEED)
        self.colour = tuple(table[at + GLOW_AT_COLOUR : at + GLOW_AT_COLOUR + COLOURS])
        self.other = tuple(table[at + GLOW_AT_OTHER : at + GLOW_AT_OTHER + COLOURS])
        self.fade = word(table, at + GLOW_AT_FADE)
        marks = table[at + GLOW_BYTES : at + GLOW_BYTES + (lights + 7) // 8]
        self.shows = [bool(marks[nth >> 3] >> (nth & 7) & 1) for nth in range(lights)]
        self.level = 0  # how much there is of it
        self.phase = 0  # where its effect is in its period, of three bytes

    def faded(self, level, is_on, passed_ms):
        return ALL if is_on else max(0, level - (self.fade * passed_ms >> 8))

    def between(self, light, value_of):
        """How far a light is between its two colours."""
        if self.how == GLOW_VALUE:
            return (value_of(self.of) * self.speed & 0xFFFF) >> 8
        if self.how == GLOW_SWELL:
            return there_and_back(self.phase >> 16)
        if self.how == GLOW_WAVE:
            return there_and_back((self.phase >> 16) + light * self.of & 255)
        return ember(self.phase, light) if self.how == GLOW_EMBERS else 0

    def colours_of(self, light, value_of):
        if self.how == GLOW_ROUND:
            return colours_of_circle((self.phase >> 16) + light * self.of & 255, self.colour[0])
        between = self.between(light, value_of)
        return [mixed(one, other, between) for one, other in zip(self.colour, self.other)]


class Glows:
    def __init__(self, table, actions, lamps, value_of):
        lights = table[AT_LIGHTS]
        at = word(table, AT_GLOW_TABLE)
        size = GLOW_BYTES + (lights + 7) // 8
        self.all = [Glow(table, at + size * nth, lights) for nth in range(table[AT_GLOWS])]
        first = word(table, AT_LIGHT_TABLE)
        self.own_inputs = [table[first + LIGHT_BYTES * nth] for nth in range(lights)]
        self.own = [0] * lights  # how much there is of its own key's glow
        self.actions = actions
        self.lamps = lamps
        self.value_of = value_of
        self.passed_ms = 0

    def begin(self, passed_ms):
        """A picture begins, so long after the one before."""
        self.passed_ms = passed_ms
        for glow in self.all:
            glow.level = glow.faded(glow.level, self.lamps.wanted(*glow.when), passed_ms)
            glow.phase = glow.phase + glow.speed * passed_ms & 0xFFFFFF

    def value_of(self, encoder):
        return self.value_of(encoder)

    def own_key(self, light, glow):
        """The first glow that shows a light its own key says how that fades."""
        entered = self.own_inputs[light]
        is_held = entered != NONE and self.actions.held_on[entered] != NONE
        self.own[light] = glow.faded(self.own[light], is_held, self.passed_ms)

    def mix(self, light):
        colours = [0, 0, 0]
        has_own = False
        for glow in self.all:
            if not glow.shows[light]:
                continue
            level = glow.level
            if glow.is_own:
                if not has_own:
                    self.own_key(light, glow)
                has_own = True
                level = self.own[light]
            if level > 0:
                of_glow = glow.colours_of(light, self.value_of)
                colours = [mixed(one, other, level) for one, other in zip(colours, of_glow)]
        return colours
