/* What the runtime's files offer each other, from the bottom up: a file uses only what stands above it here. */
#ifndef OV_PARTS_H
#define OV_PARTS_H

#include <stdint.h>

/* arena.c */
void ov_arena_open(void);
uint16_t ov_arena_need(void);
uint8_t *ov_arena_take(uint16_t bytes); /* zeroed; the two-byte things are taken first */

/* check.c */
uint8_t ov_tables_state(void); /* OV_START_ */

/* actions.c */
void ov_actions_init(void);
uint8_t ov_input_count(void);
uint16_t ov_action_at(uint8_t layer, uint8_t input); /* where its kind, modifiers and value stand */
uint8_t ov_action_reports(uint16_t action);

/* held.c */
void ov_held_init(void);
uint8_t ov_held_on(uint8_t input); /* the layer its press was read from, or OV_NONE */
void ov_held_set(uint8_t input, uint8_t layer);

/* layers.c */
void ov_layers_init(void);
void ov_layer_hold(uint8_t layer);
void ov_layer_let_go(uint8_t layer);
void ov_layer_stay(uint8_t layer);
uint8_t ov_layer_for(uint8_t input);

/* report_keyboard.c, report_consumer.c: one file a report */
void ov_keyboard_init(void);
void ov_keyboard_pressed(uint8_t input, uint16_t action);
void ov_keyboard_released(uint8_t input, uint16_t action);
void ov_keyboard_build(uint8_t *bytes);
void ov_consumer_init(void);
void ov_consumer_pressed(uint8_t input);
void ov_consumer_released(uint8_t input);
void ov_consumer_build(uint8_t *bytes);

/* report_kinds.c: the registry of reports */
uint8_t ov_report_length(uint8_t kind);
uint8_t ov_report_sending(uint8_t kind);
uint8_t ov_report_build(uint8_t kind, uint8_t *bytes); /* 0: nothing to say (of sums and queues) */
void ov_report_taken(uint8_t kind);

/* reports.c */
void ov_reports_init(void);
void ov_reports_changed(void);
uint8_t ov_reports_waiting(void); /* 1: the host has not taken the last ones */
void ov_reports_send(void);

/* keymap.c */
void ov_input_changed(uint8_t input, uint8_t pressed);

/* pulses.c: presses that the device makes and ends by itself */
void ov_pulses_init(void);
void ov_pulse(uint8_t pulser, uint8_t second);
void ov_pulse_input(uint8_t pulser, uint8_t input); /* of a switch that tells its change: always the same input */
uint8_t ov_pulse_idle(uint8_t pulser);
void ov_pulses_play(uint8_t elapsed_ms);

/* flips.c: switches that tell their change */
void ov_switch_flipped(uint8_t sw, uint8_t closed);
void ov_switch_found_closed(uint8_t sw); /* at the start: nobody has flipped it */

/* debounce.c */
void ov_debounce_init(void);
void ov_debounce(uint8_t sw, uint8_t closed);
void ov_debounce_pass(uint8_t elapsed_ms); /* before the switches are read */
uint8_t ov_debounce_busy(void);

/* scan.c */
void ov_scan_init(void);
void ov_scan_switches(void);
uint8_t ov_sense_low(uint8_t line); /* from the words read with no strobe */

/* encoder.c */
void ov_encoders_init(void);
void ov_encoders_sample(void);

/* lamp.c */
void ov_lamps_init(void);
void ov_lamps_show(void);

#endif
