"""Music: notes, controllers, programs and the pitch, as events of MIDI 1.0 in the packets of its USB class.

Events wait in a row until the host takes them. When they run over, all are forgotten; then all notes are let go of on the channels
that were used, and those that are held are told anew."""

from device.contract import (
    MUSIC_ALL_OFF,
    MUSIC_CHANNELS,
    MUSIC_CONTROL,
    MUSIC_EVENTS,
    MUSIC_IN_REPORT,
    MUSIC_NOTES,
    MUSIC_OFF,
    MUSIC_OFF_VELOCITY,
    MUSIC_ON,
    REPORT_MUSIC,
)
from device.table import is_declared


class MusicReport:
    length = 0  # as long as it has to say

    def __init__(self, table, socket):
        self.is_declared = is_declared(table, REPORT_MUSIC)
        self.socket = socket
        self.plays = self.is_declared or socket.there
        self.events = []
        self.notes = []  # that sound, the one pressed first ahead: channel, note, velocity, inputs that hold it
        self.used = 0  # channels that had a note
        self.used_ever = 0  # the same for the socket, which no host resets
        self.ran_over = False
        self.reports = self.axes = None

    def tell(self, status, one, two):
        self.socket.tell(status, one, two)
        self.tell_host(status, one, two)

    def tell_host(self, status, one, two):
        self.reports.changed = True
        if not self.is_declared or self.ran_over:
            return
        if len(self.events) == MUSIC_EVENTS:
            self.ran_over = True
            return
        self.events.append((status >> 4, status, one, two))

    def has_room(self):
        """A socket is slower than a host that listens; one that does not shall not hold it up."""
        if self.socket.there:
            return self.socket.has_room()
        return self.is_declared and not self.ran_over and len(self.events) <= MUSIC_EVENTS // 2

    def switch_on(self, note):
        self.used |= 1 << note[0]
        self.used_ever |= self.used
        self.tell(MUSIC_ON | note[0], note[1], note[2])

    def switch_off(self, note):
        self.tell(MUSIC_OFF | note[0], note[1], MUSIC_OFF_VELOCITY)

    def end(self, note):
        self.notes.remove(note)
        self.switch_off(note)

    def found(self, channel, number):
        for note in self.notes:
            if note[0] == channel and note[1] == number:
                return note
        return None

    def press(self, channel, number, velocity):
        """One that sounds already is struck anew; it ends with the last key that holds it."""
        if not self.plays:
            return
        note = self.found(channel, number)
        if note:
            self.switch_off(note)
        else:
            if len(self.notes) == MUSIC_NOTES:
                self.end(self.notes[0])
            note = [channel, number, velocity, 0]
            self.notes.append(note)
        note[2] = velocity
        note[3] += 1
        self.switch_on(note)

    def release(self, channel, number):
        note = self.found(channel, number)
        if note:
            note[3] -= 1
            if note[3] == 0:
                self.end(note)

    def tell_all(self, channels, tell):
        for channel in range(MUSIC_CHANNELS):
            if channels >> channel & 1:
                tell(MUSIC_CONTROL | channel, MUSIC_ALL_OFF, 0)
        for note in self.notes:
            tell(MUSIC_ON | note[0], note[1], note[2])
        self.axes.untold()

    def tell_anew(self):
        self.ran_over = False
        self.events = []
        self.tell_all(self.used, self.tell_host)
        for note in self.notes:
            self.used |= 1 << note[0]

    def tell_socket(self):
        self.tell_all(self.used_ever, self.socket.tell)

    def build(self):
        if self.ran_over:
            self.tell_anew()
        told = bytearray()
        for event in self.events[:MUSIC_IN_REPORT]:
            told.extend(event)
        return bytes(told)

    def says(self, now):
        return len(now) > 0

    def taken(self, _):
        self.events = self.events[MUSIC_IN_REPORT:]

    def has_more(self):
        return len(self.events) > 0

    def forget(self):
        """Who comes anew hears nothing yet."""
        self.used = 0
        self.ran_over = True
