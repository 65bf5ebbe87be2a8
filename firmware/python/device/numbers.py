"""Values as numbers, for segment displays and displays of dots."""


def signed(value):
    return value - 0x10000 if value & 0x8000 else value


def number_between(low, high, top, value):
    """From low to high as the value goes from 0 to its top, to the nearest."""
    part = (abs(high - low) * value + top // 2) // top
    return low - part if high < low else low + part


def digits_of(number, point):
    """From the right; at least one before the point."""
    left = abs(number)
    digits = []
    while left or len(digits) <= point:
        digits.append(left % 10)
        left //= 10
    return digits
