/* What the runtime's files offer each other. */
#ifndef OV_PARTS_H
#define OV_PARTS_H

#include <stdint.h>

void ov_scan_init(void);
void ov_scan_switches(void);
uint8_t ov_sense_low(uint8_t line); /* from the words read with no strobe */

void ov_debounce_init(void);
void ov_debounce(uint8_t sw, uint8_t closed);
uint8_t ov_debounce_busy(void);

void ov_encoders_init(void);
void ov_encoders_sample(void);
void ov_encoders_play(void);

void ov_layers_init(void);
void ov_layer_hold(uint8_t layer);
void ov_layer_let_go(uint8_t layer);
void ov_layer_stay(uint8_t layer);
uint8_t ov_layer_for(uint8_t input);

void ov_keymap_init(void);
void ov_input_changed(uint8_t input, uint8_t pressed);
uint8_t ov_input_layer(uint8_t input); /* the layer its press was read from, or OV_NONE */
uint8_t ov_input_count(void);
uint16_t ov_action_at(uint8_t layer, uint8_t input);
uint16_t ov_consumer_usage(void);
uint8_t ov_modifying_inputs(void);
uint8_t ov_reports_modifiers(uint16_t action);

void ov_lamps_init(void);
void ov_lamps_show(void);

void ov_reports_init(void);
void ov_reports_changed(void);
void ov_reports_send(void);

#endif
