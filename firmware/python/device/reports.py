"""Sending: each declared report at most once a scan. A state is sent when it differs from the last one taken; sums and
queues for as long as they have something to say."""

from device.contract import (
    AT_REPORTS,
    CONSUMER_BYTES,
    KEYBOARD_BYTES,
    POINTER_BYTES,
    REPORT_CONSUMER,
    REPORT_KEYBOARD,
    REPORT_MUSIC,
    REPORT_PAD,
    REPORT_POINTER,
    REPORT_SYSTEM,
    SYSTEM_BYTES,
)


class Reports:
    def __init__(self, table, keyboard, consumer, pointer, system, pad, music, send):
        """send(kind, bytes) hands a report to the host side and answers whether it was taken."""
        builders = [
            (REPORT_KEYBOARD, keyboard, KEYBOARD_BYTES),
            (REPORT_CONSUMER, consumer, CONSUMER_BYTES),
            (REPORT_POINTER, pointer, POINTER_BYTES),
            (REPORT_SYSTEM, system, SYSTEM_BYTES),
            (REPORT_PAD, pad, pad.length),
            (REPORT_MUSIC, music, music.length),
        ]
        self.pointer = pointer
        self.music = music
        self.declared = [one for one in builders if table[AT_REPORTS] >> one[0] & 1]
        self.send = send
        self.forget()
        self.changed = bool(table[AT_REPORTS] >> REPORT_PAD & 1)  # a hat that is not pressed is not all zeros
        self.waiting = False  # the host has not taken the last ones

    def forget(self):
        """After a bus reset the host takes everything for released; states that are not so are then told."""
        self.last = [bytes(length) for _, _, length in self.declared]
        self.pointer.forget()
        self.music.forget()
        self.changed = True

    def offer(self):
        if not self.changed:
            return
        done = True
        for nth, (kind, report, _) in enumerate(self.declared):
            now = report.build()
            is_sum = kind in (REPORT_POINTER, REPORT_MUSIC)
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
        self.changed = self.waiting = not done
