"""What is left to you where there are addressable lights: your interpreter's own way to send them bytes.

Interpreters of such boards have a module for it, which takes an output pin and bytes. Call it here; until you do, the lights
stay dark and all else works."""


def send_lights(pin, told):
    """pin is a digital output, told the bytes of all lights of its chain, the first light's first, their colours in order."""
