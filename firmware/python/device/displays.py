"""Displays of dots, written by pages of eight rows: texts, values and pictures where the design put them. A scan looks at one display, and sends
it one frame at most."""

from device.contract import (
    AT_DISPLAY_FRAMES,
    AT_DISPLAY_GLYPHS,
    AT_DISPLAY_PAGES,
    AT_DISPLAY_PICTURES,
    AT_DISPLAY_TABLE,
    AT_DISPLAY_TEXTS,
    AT_DISPLAY_THINGS,
    AT_DISPLAY_USE_TABLE,
    AT_DISPLAYS,
    DISPLAY_ADDS_COLUMN,
    DISPLAY_ADDS_HIGH,
    DISPLAY_ADDS_LOW,
    DISPLAY_ADDS_ROW,
    DISPLAY_AT_COLUMNS,
    DISPLAY_AT_PLACE,
    DISPLAY_AT_ROWS,
    DISPLAY_AT_START,
    DISPLAY_BYTES,
    DISPLAY_DO_BAR,
    DISPLAY_DO_DEED,
    DISPLAY_DO_LARGE,
    DISPLAY_DO_LAYER,
    DISPLAY_DO_PICTURE,
    DISPLAY_DO_TEXT,
    DISPLAY_DO_VALUE,
    DISPLAY_PAGE_BYTES,
    DISPLAY_THING_AT_COLUMN,
    DISPLAY_THING_AT_COLUMNS,
    DISPLAY_THING_AT_HIGH,
    DISPLAY_THING_AT_LOW,
    DISPLAY_THING_AT_OF,
    DISPLAY_THING_AT_POINT,
    DISPLAY_THING_AT_ROW,
    DISPLAY_THING_AT_ROWS,
    DISPLAY_THING_AT_TOP,
    DISPLAY_THING_BYTES,
    DISPLAYS_CELL,
    GLYPH_COLUMNS,
    GLYPH_MINUS,
    GLYPH_POINT,
    NONE,
)
from device.numbers import digits_of, number_between, signed
from device.table import word


class Thing:
    def __init__(self, table, at):
        self.does = table[at] & ~DISPLAY_DO_LARGE
        self.is_large = bool(table[at] & DISPLAY_DO_LARGE)
        self.column, self.row = table[at + DISPLAY_THING_AT_COLUMN], table[at + DISPLAY_THING_AT_ROW]
        self.columns, self.rows = table[at + DISPLAY_THING_AT_COLUMNS], table[at + DISPLAY_THING_AT_ROWS]
        self.of, self.low = table[at + DISPLAY_THING_AT_OF], word(table, at + DISPLAY_THING_AT_LOW)
        self.high = word(table, at + DISPLAY_THING_AT_HIGH)
        self.top, self.point = table[at + DISPLAY_THING_AT_TOP], table[at + DISPLAY_THING_AT_POINT]
        self.cells = self.columns // (DISPLAYS_CELL * (2 if self.is_large else 1))


class Display:
    def __init__(self, table, nth):
        at = word(table, AT_DISPLAY_TABLE) + DISPLAY_BYTES * nth
        frames = word(table, AT_DISPLAY_FRAMES)
        self.columns, self.rows = table[at + DISPLAY_AT_COLUMNS], table[at + DISPLAY_AT_ROWS]
        start = frames + word(table, at + DISPLAY_AT_START)
        self.starts = []
        while table[start]:
            self.starts.append(bytes(table[start + 1 : start + 1 + table[start]]))
            start += 1 + table[start]
        place = frames + word(table, at + DISPLAY_AT_PLACE)
        self.before_dots, self.first_column = table[place], table[place + 1]
        self.places = [(table[one], table[one + 1]) for one in range(place + 3, place + 3 + 2 * table[place + 2], 2)]
        self.page, self.thing, self.shown = NONE, 0, {}
        self.draw_all()

    def draw(self, column, columns, row, rows):
        self.first, self.end_column, self.row, self.end_row = column, column + columns, row, row + rows
        self.column = column
        self.is_placed = False

    def draw_all(self):
        self.draw(0, self.columns, 0, self.rows)

    def is_drawn(self):
        return self.row >= self.end_row

    def place(self):
        column = self.first_column + self.column
        added = {
            DISPLAY_ADDS_ROW: self.row,
            DISPLAY_ADDS_COLUMN: column,
            DISPLAY_ADDS_LOW: column & 0xF,
            DISPLAY_ADDS_HIGH: (column & 0xFF) >> 4,
        }
        self.is_placed = True
        return bytes([(byte + added.get(adds, 0)) & 0xFF for byte, adds in self.places])

    def go_on(self, columns):
        self.column += columns
        if self.column >= self.end_column:
            self.column = self.first
            self.row += 1
            self.is_placed = False


class Displays:
    def __init__(self, table, layers, value_of, send):
        """send(display, frame) writes it over the bus."""
        self.table, self.layers, self.value_of, self.send = table, layers, value_of, send
        self.count = table[AT_DISPLAYS]
        self.displays = [Display(table, nth) for nth in range(self.count)]
        self.texts, self.glyphs = word(table, AT_DISPLAY_TEXTS), word(table, AT_DISPLAY_GLYPHS)
        self.pictures, self.uses = word(table, AT_DISPLAY_PICTURES), word(table, AT_DISPLAY_USE_TABLE)
        self.turn = 0
        self.is_dark = False  # the computer sleeps
        self.waits = self.count > 0  # some has something to be sent

    def page_on(self, layer):
        return self.table[self.uses + layer * self.count + self.turn]

    def things_on(self, page):
        if page == NONE:
            return []
        at = word(self.table, AT_DISPLAY_PAGES) + DISPLAY_PAGE_BYTES * page
        first = word(self.table, AT_DISPLAY_THINGS) + DISPLAY_THING_BYTES * word(self.table, at + 1)
        return [Thing(self.table, first + DISPLAY_THING_BYTES * nth) for nth in range(self.table[at])]

    def play(self, is_crowded, may_send):
        """Turns go by the scans that are theirs."""
        if is_crowded or (self.waits and not may_send):
            return
        self.turn = (self.turn + 1) % self.count
        one = self.displays[self.turn]
        page = NONE if self.is_dark else self.page_on(self.layers.found(lambda layer: self.page_on(layer) != NONE))
        if page != one.page:
            one.page, one.things = page, self.things_on(page)
            one.draw_all()
        elif page != NONE and one.is_drawn():
            self.look(one)
        if may_send:
            self.send_next(one)
        self.waits = any([one.starts or not one.is_drawn() for one in self.displays])

    def send_next(self, one):
        if one.starts:
            self.send(self.turn, one.starts.pop(0))
        elif one.is_drawn():
            return
        elif one.is_placed:
            self.send_cell(one)
        else:
            self.send(self.turn, one.place())

    def look(self, one):
        """Whether the next thing of the page is drawn as it is now."""
        one.thing = one.thing + 1 if one.thing + 1 < len(one.things) else 0
        if not one.things:
            return
        thing = one.things[one.thing]
        content = self.content_of(thing)
        if content != one.shown.get(one.thing, 0):
            one.shown[one.thing] = content  # also where it lies beneath another and is never drawn
            one.draw(thing.column, thing.columns, thing.row, thing.rows)

    def content_of(self, thing):
        if thing.does == DISPLAY_DO_LAYER:
            return self.layers.found(lambda layer: True)
        if thing.does == DISPLAY_DO_DEED:
            return self.layers.layer_for(thing.of)
        if thing.does in (DISPLAY_DO_VALUE, DISPLAY_DO_BAR):
            return self.value_of(thing.of)
        return 0

    def send_cell(self, one):
        columns = min(DISPLAYS_CELL, one.end_column - one.column)
        drawn = None
        for nth, thing in enumerate(one.things if one.page != NONE else []):
            if not thing.row <= one.row < thing.row + thing.rows:
                continue
            if thing.column <= one.column < thing.column + thing.columns:
                drawn = nth
                in_cell = (one.column - thing.column) % DISPLAYS_CELL
                columns = min(columns, thing.column + thing.columns - one.column, DISPLAYS_CELL - in_cell)
                break
            if thing.column > one.column:
                columns = min(columns, thing.column - one.column)
        dots = bytes(columns) if drawn is None else self.dots(one, drawn, columns)
        self.send(self.turn, bytes([one.before_dots]) + dots)
        one.go_on(columns)

    def dots(self, one, nth, columns):
        thing = one.things[nth]
        row, at = one.row - thing.row, one.column - thing.column
        if row == 0 and at == 0:
            one.shown[nth] = self.content_of(thing)
        content = one.shown.get(nth, 0)
        if thing.does == DISPLAY_DO_PICTURE:
            first = self.pictures + thing.low + row * thing.columns + at
            return bytes(self.table[first : first + columns])
        if thing.does == DISPLAY_DO_BAR:
            return bytes([self.bar(thing, content, at + nth) for nth in range(columns)])
        cell, first = divmod(at, DISPLAYS_CELL)
        return bytes(self.sign(thing, content, cell, row, range(first, first + columns)))

    def bar(self, thing, content, at):
        """A frame with rounded corners, filled as far as the value goes."""
        last = thing.columns - 1
        if at in (0, last):
            return 0x3C
        return 0x7E if at * thing.top <= content * (last - 1) else 0x42

    def sign(self, thing, content, cell, row, columns):
        """columns: those of the cell, which may be covered in part."""
        first = 0
        if thing.is_large:
            first = DISPLAYS_CELL // 2 if cell & 1 else 0
            cell >>= 1
        sign = NONE
        if cell < thing.cells:
            of = self.sign_of_number if thing.does == DISPLAY_DO_VALUE else self.sign_of_text
            sign = of(thing, content, cell)
        if not thing.is_large:
            return [self.glyph_column(sign, nth) for nth in columns]
        half = [self.glyph_column(sign, first + nth // 2) for nth in columns]
        return [self.doubled(dots >> 4 if row else dots & 0xF) for dots in half]

    @staticmethod
    def doubled(dots):
        return sum(3 << 2 * bit for bit in range(4) if dots >> bit & 1)

    def glyph_column(self, sign, column):
        if sign == NONE or column >= GLYPH_COLUMNS:
            return 0
        return self.table[self.glyphs + sign * GLYPH_COLUMNS + column]

    def sign_of_text(self, thing, content, cell):
        place = thing.low
        if thing.does != DISPLAY_DO_TEXT:
            place = word(self.table, self.texts + place + 2 * content)
        text = self.texts + place
        return self.table[text + 1 + cell] if cell < self.table[text] else NONE

    def sign_of_number(self, thing, content, cell):
        number = number_between(signed(thing.low), signed(thing.high), thing.top, content)
        signs = digits_of(number, thing.point)
        if thing.point > 0:
            signs.insert(thing.point, GLYPH_POINT)
        if number < 0:
            signs.append(GLYPH_MINUS)
        if len(signs) > thing.cells:
            return GLYPH_MINUS
        at = thing.cells - 1 - cell
        return signs[at] if at < len(signs) else NONE
