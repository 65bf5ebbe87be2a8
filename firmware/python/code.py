"""Runs for as long as the board has power: scans the device whenever a millisecond has passed, or as often as it can."""

import hardware
from device.runtime import Runtime
from tables import TABLES

host = hardware.Host()
lines = hardware.Lines()
runtime = Runtime(TABLES, lines, host.send, hardware.Kept(), hardware.plan.PART)
in_parts = runtime.link.there
has_panel = runtime.panel.is_declared
has_lines = runtime.lines.there
hears = runtime.heard.there
has_radio = runtime.radio.there
told_ms = hardware.now_ms()
is_asleep = False

while True:
    now_ms = hardware.now_ms()
    elapsed_ms = hardware.ms_between(told_ms, now_ms)
    if elapsed_ms == 0:
        if in_parts:
            lines.listen()
        continue
    told_ms = now_ms
    if host.came_anew():
        runtime.host_reset()
    if in_parts:
        runtime.link.set_up(host.is_set_up)
        runtime.link.take(lines.from_others())
        lines.listen()
    if host.is_asleep != is_asleep:
        is_asleep = host.is_asleep
        runtime.host_sleeps(is_asleep)
    locks = host.locks()
    if locks is not None:
        runtime.host_locks(locks)
    if has_panel:
        told = host.told()
        if told is not None:
            runtime.panel.tell(told)
    if has_lines:
        runtime.lines.take(host.line_bytes())
    if hears:
        runtime.heard.take(host.played_bytes())
    if has_radio:
        answer = lines.radio_answer()
        if answer is not None:
            runtime.radio_answered(answer)
    question = None if runtime.live.is_working else host.question()
    if question:
        runtime.live.ask(question)
    runtime.scan(elapsed_ms)
    live = runtime.live
    if live.is_answered and host.answer(live.frame):
        live.is_answered = False
    lines.show()
