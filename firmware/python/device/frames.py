"""How a frame travels between parts of a device: a zero ends it, and none is in it."""


def stuffed(frame):
    """No zero is in it: where one was stands how far it is to the next one, and a zero ends it."""
    out = bytearray([0])
    code = 0
    for byte in frame:
        if byte:
            out.append(byte)
            continue
        out[code] = len(out) - code
        code = len(out)
        out.append(0)
    out[code] = len(out) - code
    out.append(0)
    return bytes(out)


def unstuffed(came):
    """As it was; None where it is none."""
    out = bytearray()
    at = 0
    while at < len(came):
        end = at + came[at]
        if end > len(came):
            return None
        out.extend(came[at + 1 : end])
        if end < len(came):
            out.append(0)
        at = end
    return out
