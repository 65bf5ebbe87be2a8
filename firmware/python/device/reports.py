"""Sending: each declared report at most once a scan. A state is sent when it differs from the last one taken; sums and
queues for as long as they have something to say."""

from device.contract import (
    CONSUMER_BYTES,
    PLACE_BYTES,
    POINTER_BYTES,
    REPORT_CONSUMER,
    REPORT_KEYBOARD,
    REPORT_MUSIC,
    REPORT_PAD,
    REPORT_PLACE,
    REPORT_POINTER,
    REPORT_SYSTEM,
    SYSTEM_BYTES,
)
from device.table import is_declared


def is_movement(kind, report):
    """Whether a report only moves the pointer: while the computer sleeps it is taken and forgotten, so that it wakes nobody."""
    return kind == REPORT_PLACE or (kind == REPORT_POINTER and report[0] == 0)


class Reports:
    def __init__(self, table, keyboard, consumer, pointer, system, pad, music, place, send):
        """send(kind, bytes) hands a report to the host side and answers whether it was taken."""
        builders = [
            (REPORT_KEYBOARD, keyboard, keyboard.length),
            (REPORT_CONSUMER, consumer, CONSUMER_BYTES),
            (REPORT_POINTER, pointer, POINTER_BYTES),
            (REPORT_SYSTEM, system, SYSTEM_BYTES),
            (REPORT_PAD, pad, pad.length),
            (REPORT_MUSIC, music, music.length),
            (REPORT_PLACE, place, PLACE_BYTES),
        ]
        self.pointer = pointer
        self.music = music
        self.place = place
        self.declared = [one for one in builders if is_declared(table, one[0])]
        self.send = send
        self.forget()
        self.changed = is_declared(table, REPORT_PAD)  # a hat that is not pressed is not all zeros
        self.first = 0
        self.waiting = False  # the host has not taken the last ones

    def forget(self):
        """After a bus reset the host takes everything for released; states that are not so are then told."""
        self.last = [bytes(length) for _, _, length in self.declared]
        self.pointer.forget()
        self.music.forget()
        self.place.forget()
        self.changed = True

    def untold(self):
        """Whatever the host holds: all is told anew."""
        self.last = [b"\xff" * length for _, _, length in self.declared]
        self.changed = True

    def offer(self):
        if not self.changed:
            return
        done = True
        turns = list(enumerate(self.declared))
        # The one that was refused first is offered first, so that those which share an endpoint take turns.
        turns = turns[self.first :] + turns[: self.first]
        self.first = 0
        refused = False
        for nth, (kind, report, _) in turns:
            now = report.build()
            is_sum = kind in (REPORT_POINTER, REPORT_MUSIC, REPORT_PLACE)
            if not report.says(now) if is_sum else now == self.last[nth]:
                continue
            if self.send(kind, now):
                self.last[nth] = now
                if is_sum:
                    report.taken(now)
                if kind == REPORT_MUSIC and report.has_more():
                    done = False
            else:
                done = False
                if not refused:
                    self.first, refused = nth, True
        self.changed = self.waiting = not done
