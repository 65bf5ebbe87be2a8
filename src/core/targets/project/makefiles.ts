const name = (isInParts: boolean) => (isInParts ? "device-$(PART)" : "device");

/** What the device wants of memory, what it is compiled without, and which part it is. */
const flags = (arenaBytes: number, without: string[], isInParts: boolean) =>
  [`-DOV_DEVICE_ARENA_BYTES=${arenaBytes}`, ...(isInParts ? ["-DOV_PART=$(PART)"] : []), ...without].join(" ");

/** The processor of the 8-bit USB class among those that the compiler knows: 32 KiB, USB, a converter, ports from B on. */
export const processorScript = `#!/bin/sh
# Prints the name under which the installed avr-gcc knows the 8-bit USB class.
for name in $(avr-gcc --target-help | grep -oE '\\b[a-z]+32u[0-9]\\b' | sort -u); do
  header=$(echo | avr-gcc -mmcu="$name" -E -dM -include avr/io.h -x c - 2>/dev/null)
  if echo "$header" | grep -q '\\bADMUX\\b' && echo "$header" | grep -q '\\bPORTF\\b' && ! echo "$header" | grep -q '\\bPORTA\\b'; then
    echo "$name"
    exit 0
  fi
done
echo "avr-gcc knows no processor of this class" >&2
exit 1
`;

/** Of a device of parts each has a program of its own. */
const PART = `# Which part is built, from 0: make PART=1 for the other one.
PART ?= 0
`;

/** A finished device for the 8-bit USB classes. */
export const usb8Makefile = (
  arenaBytes: number,
  without: string[],
  isInParts: boolean,
) => `# make: builds ${name(isInParts)}.hex, to be written through the board's loader.
${isInParts ? PART : ""}MCU ?= $(shell sh processor.sh)
CFLAGS ?= -std=c99 -O2 -flto -fno-jump-tables -Wall -Wextra -Wpedantic
# What the device wants of memory, and what it is compiled without.
DEVICE = ${flags(arenaBytes, without, isInParts)}
SOURCES = $(wildcard src/*.c lines/*.c chip/*.c) tables.c board_block.c

${name(isInParts)}.hex: ${name(isInParts)}.elf
	avr-objcopy -O ihex -R .eeprom $< $@

${name(isInParts)}.elf: $(SOURCES) $(wildcard src/*.h lines/*.h chip/*.h)
	avr-gcc -mmcu=$(MCU) $(CFLAGS) $(DEVICE) -Isrc -Ilines -Ichip -o $@ $(SOURCES)
	avr-size $@

clean:
	rm -f device*.elf device*.hex

.PHONY: clean
`;

/** A device for any controller, whose compiler and flags are the person's. */
export const portMakefile = (
  arenaBytes: number,
  without: string[],
  isInParts: boolean,
) => `# make: compiles the device, port.h as it is. Set CC, CFLAGS and LDFLAGS to those of your controller.
${isInParts ? PART : ""}CC ?= cc
CFLAGS ?= -std=c99 -O2 -Wall -Wextra -Wpedantic
# What the device wants of memory, and what it is compiled without.
DEVICE = ${flags(arenaBytes, without, isInParts)}
SOURCES = $(wildcard src/*.c lines/*.c port/*.c) tables.c board_block.c

${name(isInParts)}: $(SOURCES) $(wildcard src/*.h lines/*.h port/*.h) port.h
	$(CC) $(CFLAGS) $(DEVICE) -I. -Isrc -Ilines -Iport -o $@ $(SOURCES) $(LDFLAGS)

clean:
	rm -f device device-*

.PHONY: clean
`;
