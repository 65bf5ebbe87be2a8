"""A pseudo-terminal whose other end is this program's standard input and output. Its name is the first line of standard error."""

import os
import pty
import select
import sys
import tty

near, far = pty.openpty()
tty.setraw(far)
print(os.ttyname(far), file=sys.stderr, flush=True)
while True:
    ready, _, _ = select.select([near, 0], [], [])
    if near in ready:
        os.write(1, os.read(near, 4096))
    if 0 in ready:
        answer = os.read(0, 4096)
        if not answer:
            break
        os.write(near, answer)
