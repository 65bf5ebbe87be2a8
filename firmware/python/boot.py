"""Runs once, before USB starts: tells the interpreter who the device is and which reports it has."""

import hardware

hardware.announce()
