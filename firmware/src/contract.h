/* Generated from src/core/contract/contract.ts by scripts/buildFirmware.mjs; do not edit. */
#ifndef OV_CONTRACT_H
#define OV_CONTRACT_H

#define OV_TABLE_VERSION 6
#define OV_MARK_0 0x4F
#define OV_MARK_1 0x56
#define OV_NONE 0xFF
#define OV_BANK_LINES 16

#define OV_MOST_INPUTS 0xFE
#define OV_MOST_LINES 0xFF
#define OV_MOST_BANKS 0x10
#define OV_MOST_GROUPS 0xFF
#define OV_MOST_ENCODERS 0x7F
#define OV_MOST_LAMPS 0xFF
#define OV_MOST_LAYERS 0x10
#define OV_MOST_TOGETHER 0x20
#define OV_MOST_TOGETHER_PARTS 6
#define OV_MOST_OPPOSITES 0x10
#define OV_MOST_MACROS 0x40
#define OV_MOST_NEXT_KEYS 8
#define OV_MOST_CHANGES_A_SCAN 0x0A
#define OV_MOST_WINDOW_MS 0xFA
#define OV_MOST_DEADLINE_MS 0x7D0
#define OV_MOST_TABLE_BYTES 0x7FFF

/* Places in the header. */
#define OV_AT_MARK 0
#define OV_AT_VERSION 2
#define OV_AT_REPORTS 3
#define OV_AT_LENGTH 4
#define OV_AT_SWITCHES 6
#define OV_AT_ENCODERS 7
#define OV_AT_LAMPS 8
#define OV_AT_LAYERS 9
#define OV_AT_GROUPS 0x0A
#define OV_AT_BANKS 0x0B
#define OV_AT_FLIPS 0x0C
#define OV_AT_TOGETHER 0x0D
#define OV_AT_OPPOSITES 0x0E
#define OV_AT_MACROS 0x0F
#define OV_AT_SETTLE_US 0x10
#define OV_AT_PULSE_MS 0x11
#define OV_AT_UNLOCK_FIRST 0x12
#define OV_AT_UNLOCK_SECOND 0x13
#define OV_AT_WAITING 0x14
#define OV_AT_FIXED_CRC 0x15
#define OV_AT_GROUP_TABLE 0x17
#define OV_AT_BANK_TABLE 0x19
#define OV_AT_SWITCH_TABLE 0x1B
#define OV_AT_ENCODER_TABLE 0x1D
#define OV_AT_LAMP_TABLE 0x1F
#define OV_AT_TOGETHER_TABLE 0x21
#define OV_AT_OPPOSITE_TABLE 0x23
#define OV_AT_MACRO_TABLE 0x25
#define OV_AT_ACTION_TABLE 0x27
#define OV_AT_ACTION_POOL 0x29
#define OV_HEADER_BYTES 43

#define OV_GROUP_BYTES 18
#define OV_BANK_BYTES 1
#define OV_SWITCH_BYTES 2
#define OV_ENCODER_BYTES 3
#define OV_LAMP_BYTES 3
#define OV_TOGETHER_BYTES 8
#define OV_OPPOSITE_BYTES 3
#define OV_MACRO_BYTES 2
#define OV_ACTION_BYTES 4

#define OV_SWITCH_EAGER 0x80
#define OV_SWITCH_FLIPS 0x40
#define OV_SWITCH_DEBOUNCE_MS 0x3F

#define OV_DO_PASS 0
#define OV_DO_NOTHING 1
#define OV_DO_KEYBOARD 2
#define OV_DO_CONSUMER 3
#define OV_DO_HOLD_LAYER 4
#define OV_DO_STAY_LAYER 5
#define OV_DO_TWO_JOBS 6
#define OV_DO_SECOND_TAP 7
#define OV_DO_SWITCH_LAYER 8
#define OV_DO_NEXT_MODIFIERS 9
#define OV_DO_NEXT_LAYER 0x0A
#define OV_DO_MACRO 0x0B
#define OV_DO_LONG 0x7F
#define OV_FIRST_MODIFIER 0xE0
#define OV_TWO_JOBS_BYTES 16
#define OV_SECOND_TAP_BYTES 12
#define OV_HOLD_BY_TIME 0
#define OV_HOLD_BY_PRESS 1
#define OV_HOLD_BY_TAP 2

#define OV_TOGETHER_AT_WINDOW 0
#define OV_TOGETHER_AT_SIZE 1
#define OV_TOGETHER_AT_PARTS 2
#define OV_NEITHER_COUNTS 0
#define OV_LAST_COUNTS 1
#define OV_FIRST_COUNTS 2
#define OV_ONE_SIDE_COUNTS 3
#define OV_PART_BYTES(together) ((together) > 0 ? 32u : 0u)

#define OV_STEP_END 0
#define OV_STEP_PRESS 1
#define OV_STEP_RELEASE 2
#define OV_STEP_TAP 3
#define OV_STEP_TEXT 4
#define OV_STEP_WAIT 5
#define OV_STEP_UNTIL_LET_GO 6
#define OV_STEP_CONSUMER 7
#define OV_STEP_STAY_LAYER 8
#define OV_STEP_SWITCH_LAYER 9
#define OV_STEP_BYTES 3
#define OV_STROKE_SHIFT 0x80
#define OV_STROKE_LONG 0x7F
#define OV_LEFT_SHIFT 2
#define OV_MACRO_ENDS 1
#define OV_MACRO_KEYS 6

#define OV_LAMP_NEVER 0
#define OV_LAMP_ALWAYS 1
#define OV_LAMP_LAYER 2
#define OV_LAMP_LOCK 3
#define OV_LAMP_NEXT 4
#define OV_LAMP_HELD 5

#define OV_SEND_STATE 0
#define OV_SEND_SUM 1
#define OV_SEND_QUEUE 2

#define OV_REPORT_KEYBOARD 0
#define OV_KEYBOARD_BYTES 8
#define OV_KEYBOARD_SENDING 0
#define OV_REPORT_CONSUMER 1
#define OV_CONSUMER_BYTES 2
#define OV_CONSUMER_SENDING 0
#define OV_REPORT_LIVE 2
#define OV_LIVE_BYTES 0
#define OV_LIVE_SENDING 2
#define OV_REPORT_KINDS 3
#define OV_LONGEST_REPORT 8
#define OV_REPORT_NAMES {"keyboard", "consumer", "live"}

#define OV_START_READY 0
#define OV_START_NO_TABLES 1
#define OV_START_OTHER_VERSION 2
#define OV_START_TORN 3
#define OV_START_NO_ROOM 4

#define OV_STEP_RUNS 3
#define OV_EDGE_STEPS 16

/* Live changes: see src/core/contract/live.ts. */
#define OV_LIVE_VERSION 1
#define OV_KEPT_BYTES 1024
#define OV_KEPT_SLOTS 2
#define OV_KEPT_KEYMAP 0
#define OV_KEPT_CALIBRATION 0x380
#define OV_SLOT_BYTES_KEYMAP 0x1C0
#define OV_SLOT_BYTES_CALIBRATION 0x40
#define OV_SEAL 0x5A
#define OV_NO_SEAL 0xFF
#define OV_SLOT_AT_SEAL 0
#define OV_SLOT_AT_SEQUENCE 1
#define OV_SLOT_AT_TABLES_CRC 3
#define OV_SLOT_AT_COUNT 5
#define OV_SLOT_AT_CRC 6
#define OV_SLOT_AT_CHANGES 8
#define OV_CHANGE_BYTES 6
#define OV_MOST_CHANGES 73
#define OV_FRAME_BYTES 64
#define OV_PACKED_FRAME_BYTES 63
#define OV_FRAME_AT_COMMAND 0
#define OV_FRAME_AT_TOKEN 1
#define OV_FRAME_AT_STATUS 2
#define OV_FRAME_AT_FIRST 3
#define OV_FRAME_AT_COUNT 4
#define OV_FRAME_AT_PAYLOAD 5
#define OV_COMMAND_HELLO 1
#define OV_COMMAND_READ_ACTIVE 2
#define OV_COMMAND_READ_LOADED 3
#define OV_COMMAND_READ_POOL 4
#define OV_COMMAND_BEGIN 5
#define OV_COMMAND_WRITE 6
#define OV_COMMAND_FINISH 7
#define OV_STATUS_OK 1
#define OV_STATUS_WORKING 2
#define OV_STATUS_LOCKED 3
#define OV_STATUS_UNKNOWN 4
#define OV_STATUS_TOO_MANY 5
#define OV_STATUS_UNSOUND 6
#define OV_STATUS_OUT_OF_TURN 7
#define OV_STATUS_TORN 8
#define OV_STATUS_WAITING 9
#define OV_HELLO_AT_LIVE_VERSION 3
#define OV_HELLO_AT_TABLE_VERSION 4
#define OV_HELLO_AT_TABLES_CRC 5
#define OV_HELLO_AT_FIXED_CRC 7
#define OV_HELLO_AT_LAYERS 9
#define OV_HELLO_AT_INPUTS 0x0A
#define OV_HELLO_AT_POOL_BYTES 0x0B
#define OV_HELLO_AT_MOST_CHANGES 0x0D
#define OV_HELLO_AT_CHANGES 0x0E
#define OV_HELLO_AT_SEQUENCE 0x0F
#define OV_HELLO_AT_STATE 0x11
#define OV_HELLO_AT_UNLOCK_FIRST 0x12
#define OV_HELLO_AT_UNLOCK_SECOND 0x13
#define OV_HELLO_AT_UNLOCK_TENTHS 0x14
#define OV_HELLO_AT_OPEN_SECONDS 0x15
#define OV_LIVE_STATE_UNLOCKED 1
#define OV_LIVE_STATE_WAITING 2
#define OV_LIVE_STATE_FORGETS 4
#define OV_MOST_READ 14
#define OV_MOST_WRITTEN 9
#define OV_MOST_POOL_READ 56
#define OV_UNLOCK_TENTHS 20
#define OV_OPEN_SECONDS 120
#define OV_KEEP_TAKEN 1
#define OV_KEEP_UNTIL_OFF 2
#define OV_LIVE_NEED(inputs, layers) (((inputs) * (layers) + 7u) / 8u + OV_FRAME_BYTES)

/* The board block of a finished image: see src/core/contract/board.ts. */
#define OV_BOARD_VERSION 3
#define OV_BOARD_MARK_0 0x4F
#define OV_BOARD_MARK_1 0x42
#define OV_FLASH_CODE 0
#define OV_FLASH_BOARD 0x5800
#define OV_FLASH_TABLES 0x5E00
#define OV_FLASH_LOADER 0x7000
#define OV_BOARD_AT_MARK 0
#define OV_BOARD_AT_VERSION 2
#define OV_BOARD_AT_REMOTE_BYTES 3
#define OV_BOARD_AT_LENGTH 4
#define OV_BOARD_AT_TABLES_CRC 6
#define OV_BOARD_AT_STROBES 8
#define OV_BOARD_AT_BANKS 9
#define OV_BOARD_AT_LAMPS 0x0A
#define OV_BOARD_AT_PAIRS 0x0B
#define OV_BOARD_AT_PAIRS_FIRST 0x0C
#define OV_BOARD_AT_ENDPOINTS 0x0D
#define OV_BOARD_AT_DESCRIPTORS 0x0E
#define OV_BOARD_AT_EDGE_ENCODERS 0x0F
#define OV_BOARD_AT_START_TABLE 0x10
#define OV_BOARD_AT_STROBE_TABLE 0x12
#define OV_BOARD_AT_BANK_TABLE 0x14
#define OV_BOARD_AT_LAMP_TABLE 0x16
#define OV_BOARD_AT_PART_TABLE 0x18
#define OV_BOARD_AT_ENDPOINT_TABLE 0x1A
#define OV_BOARD_AT_EDGE_TABLE 0x1C
#define OV_BOARD_AT_DESCRIPTOR_TABLE 0x1E
#define OV_BOARD_HEADER_BYTES 32
#define OV_BOARD_START_BYTES 3
#define OV_BOARD_STROBE_BYTES 3
#define OV_BOARD_BANK_BYTES 33
#define OV_BOARD_LAMP_BYTES 5
#define OV_BOARD_ENDPOINT_BYTES 5
#define OV_BOARD_EDGE_BYTES 5
#define OV_BOARD_DESCRIPTOR_BYTES 7
#define OV_START_MODE_FLOAT 0
#define OV_START_MODE_PULL_UP 1
#define OV_START_MODE_LOW 2
#define OV_START_MODE_HIGH 3
#define OV_STROBE_PULL_UP 1
#define OV_BANK_WHOLE_BYTES 0x80
#define OV_LEVEL_PORTS 5
#define OV_LEVEL_ALWAYS_HIGH 5
#define OV_LEVEL_REMOTE 6
#define OV_LEVEL_INVERTED 0x80
#define OV_LAMP_ON_NOTHING 0
#define OV_LAMP_ON_PIN_HIGH 1
#define OV_LAMP_ON_REMOTE_LOW 2
#define OV_LAMP_ON_PAIR 3
#define OV_PART_END 0
#define OV_PART_IN_REGISTERS 1
#define OV_PART_OUT_REGISTERS 2
#define OV_PART_MULTIPLEXERS 3
#define OV_PART_EXPANDERS 4
#define OV_PART_LADDER 5

/* Bytes of the arena: resting words, last words, waiting steps, when each change came that waits, whether a switch of it settles, debounce, what each input was pressed for, quadrature state and travel, input of a switch that tells its change, holders, input that waits, and time before its press, parts of keys together, inputs with an opposite, lit, last reports taken, changed bindings and a frame. */
#define OV_ARENA_BYTES(banks, groups, switches, inputs, encoders, pulsers, layers, waiting, partBytes, lamps, reportBytes, liveBytes) (2u * (banks) + 2u * (groups) + 6u * (pulsers) + 2u * (waiting) + 1u * (groups) + 1u * (switches) + 1u * (inputs) + 2u * (encoders) + 1u * (pulsers) + 1u * (layers) + 2u * (waiting) + 1u * (partBytes) + 1u * (lamps) + 1u * (reportBytes) + 1u * (liveBytes))

#endif
