"""What is left to you where there is a radio: your interpreter's own way to hand it bytes, on its bus and with its select pin.

Call it here; until you do, no packet leaves and all else works. Local rules say which frequencies and powers may be used."""


def send_packet(packet):
    """Hands the radio a packet, framed, and does not wait. Whether it was taken; else it is offered again, as all is then."""
    return True


def answer():
    """What came back on an acknowledgement since the last call, or None."""
    return None
