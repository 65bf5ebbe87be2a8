"""A socket for music: the events that go over USB, as bytes of MIDI 1.0 at 31,250 bit a second, of which three fill a millisecond.

A status that is the same as before is left out (running status), and told again after each rest. Events wait in a row of their own; when
they run over, all are forgotten and the notes are told anew."""

from device.contract import AT_DIN, DIN_BYTES_A_MS, MUSIC_EVENTS, MUSIC_PROGRAM


class Socket:
    def __init__(self, table, send):
        self.there = table[AT_DIN] > 0
        self.send = send
        self.events = []
        self.ran_over = False
        self.at = 0  # bytes of the first event that have left
        self.running = 0  # the status told last; 0: none since the line rested
        self.music = None

    def tell(self, status, one, two):
        if not self.there or self.ran_over:
            return
        if len(self.events) == MUSIC_EVENTS:
            self.ran_over = True
            return
        self.events.append((status, one) if status & 0xF0 == MUSIC_PROGRAM else (status, one, two))

    def has_room(self):
        return not self.ran_over and len(self.events) <= MUSIC_EVENTS // 2

    def next_byte(self):
        event = self.events[0]
        if self.at == 0 and event[0] == self.running:
            self.at = 1
        byte = event[self.at]
        if self.at == 0:
            self.running = byte
        self.at += 1
        if self.at == len(event):
            self.at = 0
            self.events.pop(0)
        return byte

    def play(self, is_crowded):
        """In every scan; one that has much to tell leaves its bytes for the next."""
        if is_crowded:
            return
        if self.ran_over:
            self.ran_over = False
            self.events = []
            self.at = self.running = 0
            self.music.tell_socket()
        told = bytearray()
        while len(told) < DIN_BYTES_A_MS and self.events:
            told.append(self.next_byte())
        if not self.events:
            self.running = 0
        if told:
            self.send(bytes(told))
