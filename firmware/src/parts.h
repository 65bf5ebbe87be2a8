/* What the runtime's files offer each other, from the bottom up: a file uses only what stands above it here. */
#ifndef OV_PARTS_H
#define OV_PARTS_H

#include <stdint.h>

#include "with.h"
#include "tables.h"

/* What is seldom needed is kept out of what calls it, which so stays short and quick. */
#if defined(__GNUC__)
#define OV_RARELY __attribute__((noinline, cold))
/* What runs in a loop of its own has the processor's registers for itself when it is not put into what calls it. */
#define OV_APART __attribute__((noinline))
#else
#define OV_RARELY
#define OV_APART
#endif

/* Which reports the device declares. */
static inline uint8_t ov_report_declared(uint8_t kind) { return (uint8_t)((ov_table_byte((uint16_t)(OV_AT_REPORTS + (kind >> 3))) >> (kind & 7u)) & 1u); }

/* Voltages that are read, and inputs that they press. */
static inline uint8_t ov_axes_there(void) { return (uint8_t)(OV_WITH_AXES ? ov_table_byte(OV_AT_SENSORS) : 0); }
static inline uint8_t ov_beyonds(void) { return (uint8_t)(OV_WITH_AXES ? ov_table_byte(OV_AT_BEYONDS) : 0); }

/* arena.c */
void ov_arena_open(void);
OV_RARELY uint16_t ov_arena_need(void);
OV_RARELY uint8_t *ov_arena_take(uint16_t bytes); /* zeroed; the two-byte things are taken first */

/* crc.c */
#define OV_CRC_START 0xFFFFu
uint16_t ov_crc_add(uint16_t crc, uint8_t byte);

/* check.c */
OV_RARELY uint8_t ov_tables_state(void); /* OV_START_ */
OV_RARELY uint16_t ov_tables_crc(void);

/* actions.c: an action is its four bytes, as in the tables: kind, modifiers, value */
void ov_actions_init(void);
uint8_t ov_input_count(void);
uint32_t ov_loaded_action(uint8_t layer, uint8_t input);
static inline uint8_t ov_action_kind(uint32_t action) { return (uint8_t)action; }
static inline uint8_t ov_action_modifiers(uint32_t action) { return (uint8_t)(action >> 8); }
static inline uint16_t ov_action_value(uint32_t action) { return (uint16_t)(action >> 16); }
/* Whether what it does is told by what comes after its press: it has two jobs, behind it in the pool. */
static inline uint8_t ov_action_waits(uint32_t action) {
  return (uint8_t)(ov_action_kind(action) == OV_DO_TWO_JOBS || ov_action_kind(action) == OV_DO_SECOND_TAP);
}
uint8_t ov_first_back(void);
uint8_t ov_first_together(void);
uint8_t ov_action_reports(uint32_t action);
OV_RARELY uint8_t ov_action_is_sound(uint32_t action); /* whether this device could carry it out */
OV_RARELY uint16_t ov_pool_bytes(void);
uint16_t ov_pool_place(uint16_t value);

/* slots.c: a slot is the place it begins at */
uint16_t ov_slot_at(uint8_t slot);
OV_RARELY uint16_t ov_slot_word(uint16_t at);
OV_RARELY uint32_t ov_kept_long(uint16_t at);
uint16_t ov_change_place(uint16_t slot, uint8_t nth);
OV_RARELY uint8_t ov_slot_is_whole(uint16_t slot);
OV_RARELY void ov_slot_check(uint16_t slot); /* begins a check; then all changes in order, then the CRC that comes of it */
OV_RARELY uint8_t ov_slot_check_change(uint8_t nth);
uint16_t ov_slot_check_crc(void);

/* changes.c: what is in effect */
static inline uint8_t ov_live_declared(void) { return (uint8_t)(OV_WITH_LIVE && ov_report_declared(OV_REPORT_LIVE)); }
OV_RARELY void ov_changes_init(void);
OV_RARELY void ov_changes_take(uint8_t slot);
uint8_t ov_changes_slot(void); /* OV_NONE: all is as it was loaded */
uint8_t ov_changes_count(void);
OV_RARELY uint16_t ov_changes_sequence(void);
OV_RARELY void ov_changes_tell(uint8_t nth, uint8_t *to); /* the set in effect, or its nth change from 1 on: OV_LINK_KEPT_ */
OV_RARELY uint32_t ov_entry(uint8_t layer, uint8_t input); /* a longer action is its place in the pool */
uint32_t ov_action(uint8_t layer, uint8_t input); /* or, longer, the four bytes that it begins with there */

#define OV_JOB_FIRST 1
#define OV_JOB_SECOND 2
OV_RARELY uint32_t ov_job_action(uint8_t layer, uint8_t input, uint8_t job); /* of an action that waits */

/* held.c: of an input the layer its press was read from, which of its jobs it does, and more; OV_NONE: it is up */
#define OV_ON_LAYER 0x0Fu
#define OV_ON_JOB 0x30u
#define OV_JOB_SHIFT 4
#define OV_ON_USED 0x40u   /* a key was pressed since */
#define OV_ON_SILENT 0x80u /* it does nothing now; so of all that is up or speaks through keys together */
#define OV_ON_TOGETHER 0xFEu
void ov_held_init(void);
extern uint8_t *ov_pressed_on;
extern uint8_t ov_held;
OV_RARELY uint32_t ov_held_job(uint8_t on, uint8_t input);
/* Put into their callers: they are asked of every key that changes, or is down. */
static inline uint8_t ov_held_count(void) { return ov_held; }
static inline uint8_t ov_held_on(uint8_t input) { return ov_pressed_on[input]; }
static inline const uint8_t *ov_held_all(void) { return ov_pressed_on; } /* the same of all inputs, one after another */
static inline void ov_held_set(uint8_t input, uint8_t on) {
  ov_held = (uint8_t)(ov_held + (on != OV_NONE) - (ov_pressed_on[input] != OV_NONE));
  ov_pressed_on[input] = on;
}
static inline uint32_t ov_held_action(uint8_t on, uint8_t input) {
  return on & OV_ON_JOB ? ov_held_job(on, input) : ov_action(on & OV_ON_LAYER, input);
}

#if OV_WITH_LINK
/* link.c */
#define OV_MOST_OWN_CONTACTS 256u
#define OV_LINK_DIFFERS 0x10u /* beside the flags of a frame: it is not as it was sent */
extern uint8_t ov_is_far;     /* the other part speaks with the computer */
void ov_link_open(void);
void ov_link_init(void);
uint16_t ov_link_need(void);
uint8_t ov_link_is_set_up(void);
void ov_link_sleeps(uint8_t sleeps); /* the computer that this part is in */
uint8_t ov_link_pass(uint8_t elapsed_ms);
void ov_link_keep(uint8_t *closed);        /* its own contacts, before it starts anew */
void ov_link_found(const uint8_t *closed); /* and after that */
void ov_link_take(void);
void ov_link_step(uint8_t encoder, uint8_t back);
uint16_t ov_link_reading(uint8_t sensor, uint16_t reading);
uint8_t ov_link_shown(void); /* what the other part's lamps show */
void ov_link_play(void);
/* This part's own groups, switches, encoders, sensors (OV_PART_AT_). */
uint8_t ov_part_first(uint8_t field);
uint8_t ov_part_end(uint8_t field, uint8_t all);
#else
#define ov_is_far 0u
#define OV_MOST_OWN_CONTACTS 8u
static inline void ov_link_keep(uint8_t *closed) { (void)closed; }
static inline void ov_link_found(const uint8_t *closed) { (void)closed; }
static inline void ov_link_open(void) {}
static inline void ov_link_init(void) {}
static inline uint16_t ov_link_need(void) { return 0; }
static inline uint8_t ov_link_is_set_up(void) { return 0; }
static inline void ov_link_sleeps(uint8_t sleeps) { (void)sleeps; }
static inline uint8_t ov_link_pass(uint8_t elapsed_ms) { (void)elapsed_ms; return 0; }
static inline void ov_link_take(void) {}
static inline void ov_link_step(uint8_t encoder, uint8_t back) { (void)encoder; (void)back; }
static inline uint16_t ov_link_reading(uint8_t sensor, uint16_t reading) { (void)sensor; return reading; }
static inline uint8_t ov_link_shown(void) { return 0; }
static inline void ov_link_play(void) {}
static inline uint8_t ov_part_first(uint8_t field) { (void)field; return 0; }
static inline uint8_t ov_part_end(uint8_t field, uint8_t all) { (void)field; return all; }
#endif

/* How a switch of the other part is told: as it is; as it was found; or open, because nobody tells it. */
#define OV_TOLD 0
#define OV_TOLD_FIRST 1
#define OV_TOLD_LOST 2

/* Who looks at every press and release, a bit for each: nearly always nobody. */
extern uint8_t ov_cares;
#define OV_CARES_NEXT 1u      /* such a key is held, or something stays for the next key */
#define OV_CARES_MACRO 2u     /* a macro plays that any press ends */
#define OV_CARES_OPPOSITES 4u /* there are opposite directions */

/* axes.c: what layers and reports ask of it: what an axis does on a layer; adds to the pad's axes the places of what moves them */
#if OV_WITH_AXES
void ov_axes_add(int32_t *sums);
uint8_t ov_axis_does(uint8_t layer, uint8_t n);
OV_RARELY void ov_axes_untold(void); /* what they told as music is not known any more */
#else
static inline void ov_axes_untold(void) {}
static inline uint8_t ov_axis_does(uint8_t layer, uint8_t n) { (void)layer; (void)n; return OV_AXIS_DO_PASS; }
static inline void ov_axes_add(int32_t *sums) { (void)sums; }
#endif

/* segments.c: what layers ask of it */
#if OV_WITH_SEGMENTS
uint8_t ov_segments_do(uint8_t layer, uint8_t display);
#else
static inline uint8_t ov_segments_do(uint8_t layer, uint8_t display) { (void)layer; (void)display; return OV_SEGMENT_DO_PASS; }
#endif

/* displays.c: what layers ask of it: the page that a display shows on a layer, OV_NONE: what the one beneath says */
#if OV_WITH_DISPLAYS
uint8_t ov_displays_page(uint8_t layer, uint8_t display);
#else
static inline uint8_t ov_displays_page(uint8_t layer, uint8_t display) { (void)layer; (void)display; return OV_NONE; }
#endif

/* layers.c */
#define OV_OF_INPUT 0
#define OV_OF_AXIS 1
#define OV_OF_SEGMENTS 2
#define OV_OF_DISPLAYS 3
#define OV_OF_NAME 4 /* the one that speaks first, whatever it says */
void ov_layers_init(void);
uint16_t ov_layers_there(void); /* held, a bit each */
uint8_t ov_layer_default(void);
void ov_layers_told(uint16_t there, uint8_t is_default); /* as the other part has them */
void ov_layer_hold(uint8_t layer);
void ov_layer_let_go(uint8_t layer);
void ov_layer_stay(uint8_t layer);
OV_RARELY void ov_layer_switch(uint8_t layer); /* on until it is switched off */
OV_RARELY uint8_t ov_layer_found(uint8_t nth, uint8_t of); /* of an input, or what an axis does, or a display: OV_OF_ */
extern uint8_t ov_layers_off_base; /* some layer but the base is there: else nobody looks for one */
static inline uint8_t ov_layer_for(uint8_t input) { return ov_layers_off_base ? ov_layer_found(input, OV_OF_INPUT) : 0; }
uint8_t ov_layers_changed(void); /* since it was asked last */

/* next.c: for the next key only */
void ov_next_init(void);
OV_RARELY void ov_next_pressed(uint8_t input, uint32_t action);
OV_RARELY void ov_next_released(uint8_t input, uint32_t action);
OV_RARELY uint8_t ov_next_modifiers(void);
OV_RARELY void ov_next_used(void); /* the next key has been pressed */
uint8_t ov_next_waits(void);
uint8_t ov_next_changed(void); /* since it was asked last */

/* macros.c: what reports look at while one plays */
extern uint8_t ov_macro_plays;
extern uint8_t ov_macro_types;
extern uint16_t ov_macro_usage;
extern uint8_t ov_macro_down[OV_MACRO_KEYS];
extern uint8_t ov_macro_with[OV_MACRO_KEYS];
void ov_macros_init(void);
OV_RARELY void ov_macro_start(uint8_t input, uint8_t macro);
OV_RARELY void ov_macro_let_go(uint8_t input);
OV_RARELY void ov_macro_end(void);
void ov_macros_play(uint8_t elapsed_ms);

/* lines.c */
#if OV_WITH_LINES && OV_WITH_PANEL
static inline uint8_t ov_lines_there(void) { return ov_table_byte(OV_AT_LISTENS) & OV_LISTENS_TO_LINES; }
OV_RARELY void ov_lines_init(void);
#else
static inline uint8_t ov_lines_there(void) { return 0; }
static inline void ov_lines_init(void) {}
#endif

/* heard.c: the channel, counted from 1, or 0 */
#if OV_WITH_HEARD && OV_WITH_PANEL
static inline uint8_t ov_heard_there(void) { return ov_table_byte(OV_AT_LISTENS) & OV_LISTENS_TO_CHANNEL; }
#else
static inline uint8_t ov_heard_there(void) { return 0; }
#endif

#if OV_WITH_PANEL
/* panel.c */
void ov_panel_set_flag(uint8_t flag, uint8_t on); /* of a device that has a panel, within its flags and values */
void ov_panel_set_value(uint8_t nth, uint8_t to);
OV_RARELY uint8_t ov_panel_bytes(void);
void ov_panel_init(void);
uint8_t *ov_panel_told(void); /* to read */
OV_RARELY void ov_panel_forget(void);
uint8_t ov_panel_changed(void); /* since it was asked last, by lamps; and by displays */
uint8_t ov_panel_fresh(void);
OV_RARELY uint8_t ov_panel_flag(uint8_t flag);
OV_RARELY uint8_t ov_panel_value(uint8_t nth);
#else
static inline uint8_t ov_panel_bytes(void) { return 0; }
static inline void ov_panel_init(void) {}
static inline uint8_t *ov_panel_told(void) { return 0; }
static inline void ov_panel_forget(void) {}
static inline uint8_t ov_panel_changed(void) { return 0; }
static inline uint8_t ov_panel_fresh(void) { return 0; }
static inline uint8_t ov_panel_flag(uint8_t flag) { (void)flag; return 0; }
static inline uint8_t ov_panel_value(uint8_t nth) { (void)nth; return 0; }
#endif

/* report_keyboard.c and others: one file a report */
void ov_keyboard_init(void);
void ov_keyboard_pressed(uint8_t input, uint8_t usage, uint8_t modifiers);
void ov_keyboard_released(uint8_t input, uint8_t usage);
void ov_keyboard_build(uint8_t *bytes);
uint8_t ov_keyboard_length(void); /* with the bytes behind the boot layout */
void ov_consumer_init(void);
void ov_consumer_pressed(uint8_t input);
void ov_consumer_released(uint8_t input);
void ov_consumer_build(uint8_t *bytes);
#define OV_SYSTEM_USAGES 3
void ov_system_init(void);
OV_RARELY void ov_system_changed(uint8_t usage, uint8_t pressed);
void ov_system_build(uint8_t *bytes);

#define OV_POINTER_X 0
#define OV_POINTER_Y 1
#define OV_POINTER_WHEEL_UP 2
#define OV_POINTER_WHEEL_RIGHT 3

#if OV_WITH_PAD
/* report_pad.c */
void ov_pad_init(void);
OV_RARELY void ov_pad_button(uint8_t button, uint8_t pressed);
OV_RARELY void ov_pad_hat(uint8_t direction, uint8_t pressed); /* OV_DIRECTION_ */
uint8_t ov_pad_length(void);
OV_APART void ov_pad_build(uint8_t *bytes);
#else
static inline void ov_pad_init(void) {}
static inline void ov_pad_button(uint8_t button, uint8_t pressed) { (void)button; (void)pressed; }
static inline void ov_pad_hat(uint8_t direction, uint8_t pressed) { (void)direction; (void)pressed; }
static inline uint8_t ov_pad_length(void) { return 0; }
static inline void ov_pad_build(uint8_t *bytes) { (void)bytes; }
#endif

#if OV_WITH_DIN
/* din.c */
static inline uint8_t ov_din_there(void) { return ov_table_byte(OV_AT_DIN); }
OV_RARELY void ov_din_init(void);
OV_APART void ov_din_tell(uint8_t status, uint8_t first, uint8_t second);
uint8_t ov_din_has_room(void);
void ov_din_play(uint8_t is_crowded);
void ov_music_tell_din(void); /* report_music.c: that no note sounds but those that do */
#else
static inline uint8_t ov_din_there(void) { return 0; }
static inline void ov_din_init(void) {}
static inline void ov_din_tell(uint8_t status, uint8_t first, uint8_t second) { (void)status; (void)first; (void)second; }
static inline uint8_t ov_din_has_room(void) { return 0; }
static inline void ov_din_play(uint8_t is_crowded) { (void)is_crowded; }
#endif

#if OV_WITH_MUSIC
/* report_music.c */
static inline uint8_t ov_music_declared(void) { return ov_report_declared(OV_REPORT_MUSIC); }
static inline uint8_t ov_music_plays(void) { return (uint8_t)(ov_music_declared() || ov_din_there()); } /* to somebody */
void ov_music_init(void);
OV_RARELY void ov_music_note(uint8_t channel, uint16_t value, uint8_t pressed); /* the note and, above it, how hard */
OV_RARELY void ov_music_tell(uint8_t status, uint8_t first, uint8_t second);
uint8_t ov_music_has_room(void); /* for what comes again by itself */
uint8_t ov_music_build(uint8_t *bytes);
OV_RARELY void ov_music_taken(void);
uint8_t ov_music_waits(void); /* events that wait */
void ov_music_forget(void);
#else
static inline uint8_t ov_music_declared(void) { return 0; }
static inline uint8_t ov_music_plays(void) { return 0; }
static inline void ov_music_init(void) {}
static inline void ov_music_note(uint8_t channel, uint16_t value, uint8_t pressed) { (void)channel; (void)value; (void)pressed; }
static inline void ov_music_tell(uint8_t status, uint8_t first, uint8_t second) { (void)status; (void)first; (void)second; }
static inline uint8_t ov_music_has_room(void) { return 0; }
static inline uint8_t ov_music_build(uint8_t *bytes) { (void)bytes; return 0; }
static inline void ov_music_taken(void) {}
static inline uint8_t ov_music_waits(void) { return 0; }
static inline void ov_music_forget(void) {}
#endif

#if OV_WITH_PLACE
/* report_place.c */
void ov_place_init(void);
OV_RARELY void ov_place_put(uint8_t axis, uint16_t place, uint8_t tells); /* 0: across, of OV_PLACE_MOST; 1: down */
OV_RARELY void ov_place_point(uint32_t action);
uint8_t ov_place_build(uint8_t *bytes);
void ov_place_forget(void);
#else
static inline void ov_place_init(void) {}
static inline void ov_place_put(uint8_t axis, uint16_t place, uint8_t tells) { (void)axis; (void)place; (void)tells; }
static inline void ov_place_point(uint32_t action) { (void)action; }
static inline uint8_t ov_place_build(uint8_t *bytes) { (void)bytes; return 0; }
static inline void ov_place_forget(void) {}
#endif

#if OV_WITH_POINTER
/* report_pointer.c */
void ov_pointer_init(void);
OV_RARELY void ov_pointer_button(uint8_t button, uint8_t pressed);
void ov_pointer_add(uint8_t axis, int8_t counts); /* right and down, up and right are more than 0 */
uint8_t ov_pointer_build(uint8_t *bytes);
void ov_pointer_taken(void);
void ov_pointer_forget(void);

/* movers.c: inputs that move the pointer or turn its wheel */
void ov_movers_times_init(void);
void ov_movers_init(void);
OV_RARELY void ov_mover_pressed(uint8_t input, uint32_t action);
OV_RARELY void ov_mover_released(uint8_t input);
void ov_movers_play(uint8_t elapsed_ms);

/* awake.c */
void ov_awake_init(void);
OV_RARELY void ov_awake_pressed(uint32_t action);
OV_RARELY void ov_awake_released(uint32_t action);
uint8_t ov_awake_is_on(void);
void ov_awake_play(uint8_t elapsed_ms);
#else
static inline void ov_pointer_init(void) {}
static inline void ov_pointer_button(uint8_t button, uint8_t pressed) { (void)button; (void)pressed; }
static inline uint8_t ov_pointer_build(uint8_t *bytes) { (void)bytes; return 0; }
static inline void ov_pointer_add(uint8_t axis, int8_t counts) { (void)axis; (void)counts; }
static inline void ov_pointer_taken(void) {}
static inline void ov_pointer_forget(void) {}
static inline void ov_movers_times_init(void) {}
static inline void ov_movers_init(void) {}
static inline void ov_mover_pressed(uint8_t input, uint32_t action) { (void)input; (void)action; }
static inline void ov_mover_released(uint8_t input) { (void)input; }
static inline void ov_movers_play(uint8_t elapsed_ms) { (void)elapsed_ms; }
static inline void ov_awake_init(void) {}
static inline void ov_awake_pressed(uint32_t action) { (void)action; }
static inline void ov_awake_released(uint32_t action) { (void)action; }
static inline uint8_t ov_awake_is_on(void) { return 0; }
static inline void ov_awake_play(uint8_t elapsed_ms) { (void)elapsed_ms; }
#endif

/* report_kinds.c: the registry of reports */
uint8_t ov_report_length(uint8_t kind);
uint8_t ov_report_sending(uint8_t kind);
uint8_t ov_report_build(uint8_t kind, uint8_t *bytes); /* its length; 0: nothing to say (of sums and queues) */
void ov_report_taken(uint8_t kind);
uint8_t ov_report_has_more(uint8_t kind);
void ov_report_forget(uint8_t kind); /* the host knows nothing of it any more */

/* reports.c */
void ov_reports_init(void);
void ov_reports_changed(void);
void ov_reports_untold(void); /* whatever the host took last, it is told how all is now */
uint8_t ov_reports_waiting(void); /* 1: the host has not taken the last ones */
void ov_reports_send(void);

/* effects.c */
OV_RARELY void ov_effect_start(uint8_t input, uint32_t action);
OV_RARELY void ov_effect_finish(uint8_t input, uint32_t action);
OV_RARELY void ov_silence(uint8_t input, uint8_t silent); /* of a held input */

/* opposites.c */
void ov_opposites_init(void);
uint8_t ov_opposes(uint8_t input); /* asked only where there are any */
OV_RARELY void ov_opposites_changed(uint8_t input); /* it was pressed last, or let go */

/* waiting.c: changes that wait, the oldest being number 0 */
void ov_waiting_times_init(void);
void ov_waiting_init(void);
void ov_waiting_pass(uint8_t elapsed_ms);
uint8_t ov_waiting_most(void); /* 0: nothing ever waits */
uint8_t ov_waiting_count(void);
uint8_t ov_waiting_input(uint8_t nth);
uint8_t ov_waiting_pressed(uint8_t nth);
uint16_t ov_waiting_age(uint8_t nth); /* ms that it came after the oldest */
uint16_t ov_waiting_now(void);        /* ms since the oldest came */
uint8_t ov_waiting_pulsed(void);      /* how many changes had come when a knob was turned or a lever flipped; 0: neither */
void ov_waiting_pulse(void);
uint8_t ov_waiting_gap(void);         /* ms from the press of another key to the oldest, OV_NONE for many */
void ov_waiting_add(uint8_t input, uint8_t pressed);
void ov_waiting_note(uint8_t input); /* it is pressed */
OV_RARELY void ov_waiting_drop(uint8_t oldest);

/* together.c: keys together by their number in the tables, or as the inputs that they are */
#define OV_UNDECIDED 0xFE
OV_RARELY void ov_together_init(void);
uint8_t ov_together_size(uint8_t nth);
uint8_t ov_together_part(uint8_t nth, uint8_t part);
uint8_t ov_together_may_be(uint8_t input); /* a part of some */
uint8_t ov_together_of_oldest(uint8_t is_over); /* the input, OV_NONE or OV_UNDECIDED */
OV_APART uint8_t ov_together_of_part(uint8_t part);      /* the input that is held, or OV_NONE */

/* jobs.c */
OV_RARELY uint8_t ov_job_of_oldest(uint8_t layer, uint32_t action, uint8_t is_over); /* 0 where there is one only, or OV_UNDECIDED */
OV_RARELY uint8_t ov_job_changes(uint32_t action, uint8_t job);     /* how many changes have told it */

/* keymap.c */
OV_RARELY void ov_press_do(uint8_t input, uint8_t on);
void ov_press_at_once(uint8_t input, uint8_t layer, uint32_t action);
void ov_input_do(uint8_t input, uint8_t pressed);
OV_RARELY void ov_together_do(uint8_t together);

/* inputs.c */
void ov_input_changed(uint8_t input, uint8_t pressed);
void ov_waiting_play(void);

/* pulses.c: presses that the device makes and ends by itself */
void ov_pulses_init(void);
OV_RARELY void ov_pulse(uint8_t pulser, uint8_t second, uint8_t times);
void ov_pulse_flip(uint8_t pulser, uint8_t sw, uint8_t is_back); /* of a switch that tells its change */
uint8_t ov_pulse_has_back(uint8_t pulser); /* its way back does something of its own */
uint8_t ov_pulse_idle(uint8_t pulser);
void ov_pulses_play(uint8_t elapsed_ms);

/* flips.c: switches that tell their change */
void ov_switch_flipped(uint8_t sw, uint8_t closed);
void ov_switch_found_closed(uint8_t sw); /* at the start: nobody has flipped it */

/* debounce.c */
void ov_debounce_init(void);
uint8_t ov_switch_told(uint8_t sw, uint8_t closed, uint8_t how); /* OV_TOLD; 0: in the next scan */
uint8_t ov_debounce(uint8_t sw, uint8_t closed); /* other than 0 while its time runs */
void ov_debounce_pass(uint8_t elapsed_ms); /* before the switches are read */
uint8_t ov_debounce_busy(void);
uint8_t ov_debounce_told(void); /* changes that this scan has told */

/* scan.c */
extern const uint8_t ov_bits[8]; /* in flash: the bits of a byte, looked up where shifting by a number would take its time */
void ov_scan_init(void);
void ov_scan_look_again(void); /* at every switch, also where no line changes */
void ov_settling_init(void);
void ov_scan_switches(void);
uint8_t ov_sense_low(uint8_t line); /* from the words read with no strobe */

/* encoder.c */
void ov_encoders_init(void);
void ov_encoders_sample(uint8_t elapsed_ms);
uint8_t ov_encoder_value(uint8_t encoder);
void ov_encoder_show(uint8_t encoder, uint8_t value);
void ov_encoder_told(uint8_t encoder, uint8_t back);

#if OV_WITH_AXES
/* axes.c */
void ov_axes_init(void);
OV_APART void ov_axes_sense(void);
void ov_axes_play(uint8_t elapsed_ms);
uint8_t ov_axis_value(uint8_t n);
uint16_t ov_axis_reading(uint8_t n); /* smoothed, as parts of 65536 of the supply */
uint16_t ov_axis_fine(uint8_t n);    /* of 14 bits: what goes to both sides rests at 8192 */
#else
static inline void ov_axes_init(void) {}
static inline void ov_axes_sense(void) {}
static inline void ov_axes_play(uint8_t elapsed_ms) { (void)elapsed_ms; }
static inline uint8_t ov_axis_value(uint8_t n) { (void)n; return 0; }
static inline uint16_t ov_axis_reading(uint8_t n) { (void)n; return 0; }
static inline uint16_t ov_axis_fine(uint8_t n) { (void)n; return 0; }
#endif

/* writing.c: a new set of changes; the answers are OV_STATUS_, OV_STATUS_WORKING while there is more to do */
void ov_writing_init(void);
OV_RARELY uint8_t ov_writing_begin(uint8_t changes, uint16_t sequence);
OV_RARELY uint8_t ov_writing_changes(uint8_t first, uint8_t changes, const uint8_t *bytes); /* they stay where they lie until written */
OV_RARELY uint8_t ov_writing_finish(uint16_t announced);
OV_RARELY uint8_t ov_writing_pass(void);
void ov_writing_take_over(void);
uint8_t ov_writing_waits(void);
uint8_t ov_writing_forgets(void);

/* unlock.c */
OV_RARELY void ov_unlock_init(void);
void ov_unlock_pass(uint8_t elapsed_ms);
void ov_unlock_use(void); /* it stays unlocked for a while from now on */
OV_RARELY uint8_t ov_unlock_seconds(void); /* 0: locked */

#if OV_WITH_LINK && OV_WITH_LIVE
/* passed.c */
extern uint8_t ov_passed_tells; /* this part, for which another one speaks, has the newer set */
void ov_passed_init(void);
OV_RARELY void ov_passed_pass(void);
const uint8_t *ov_link_kept(void); /* what the other part tells of its live changes, OV_LINK_KEPT_; 0: nothing */
#else
static inline void ov_passed_init(void) {}
static inline void ov_passed_pass(void) {}
static inline const uint8_t *ov_link_kept(void) { return 0; }
#endif

/* live.c */
OV_RARELY void ov_live_init(void);
void ov_live_pass(uint8_t elapsed_ms);

/* lamp.c */
void ov_lamps_init(void);
void ov_lamps_sleep(uint8_t sleeps);
uint8_t ov_lamps_shown(void); /* locks, and whether it sleeps: OV_LINK_SHOWN_ */
void ov_lamps_pass(uint8_t elapsed_ms);
void ov_lamps_show(void);
extern uint8_t ov_asleep; /* the computer sleeps: a port gives 2.5 mA by then (USB 2.0, section 7.2.3) */
uint8_t ov_value_of(uint8_t nth); /* of an encoder, or behind those of an axis */
uint8_t ov_shows(uint16_t entry); /* whether it is so, what the entry of a lamp, or of a glow, tells */

/* glows.c: what lights show, the first glow lowest */
void ov_glows_init(void);
OV_RARELY void ov_glows_pass(uint8_t elapsed_ms); /* a picture begins, so long after the one before */
OV_APART void ov_glows_mix(uint8_t light, uint8_t *colours);

/* numbers.c */
int16_t ov_number_between(int16_t low, int16_t high, uint8_t top, uint8_t value);
uint8_t ov_digits_of(uint16_t left, uint8_t point);
uint8_t ov_digit_of(uint16_t left, uint8_t nth); /* from the right */

#if OV_WITH_SEGMENTS
/* segments.c */
uint16_t ov_segments_need(void);
void ov_segments_init(void);
OV_APART uint8_t ov_segments_play(uint8_t is_crowded); /* whether a frame was sent */
#else
static inline uint16_t ov_segments_need(void) { return 0; }
static inline void ov_segments_init(void) {}
static inline uint8_t ov_segments_play(uint8_t is_crowded) { (void)is_crowded; return 0; }
#endif

#if OV_WITH_DISPLAYS
/* displays.c */
uint16_t ov_displays_need(void);
void ov_displays_init(void);
uint8_t ov_displays_wait(void); /* some has something to be sent */
OV_APART void ov_displays_play(uint8_t is_crowded, uint8_t may_send);
#else
static inline uint16_t ov_displays_need(void) { return 0; }
static inline void ov_displays_init(void) {}
static inline uint8_t ov_displays_wait(void) { return 0; }
static inline void ov_displays_play(uint8_t is_crowded, uint8_t may_send) { (void)is_crowded; (void)may_send; }
#endif

#if OV_WITH_RADIO
/* radio.c */
extern uint8_t ov_radio_is_changed;
static inline void ov_radio_changed(void) { ov_radio_is_changed = 1; } /* something that its packet tells */
void ov_radio_init(void);
OV_APART void ov_radio_play(uint8_t elapsed_ms, uint8_t is_crowded);
#else
static inline void ov_radio_changed(void) {}
static inline void ov_radio_init(void) {}
static inline void ov_radio_play(uint8_t elapsed_ms, uint8_t is_crowded) { (void)elapsed_ms; (void)is_crowded; }
#endif

#if OV_WITH_PLUG
/* plug.c */
extern uint8_t ov_plug_is_changed;
static inline void ov_plug_changed(void) { ov_plug_is_changed = 1; } /* a switch */
void ov_plug_init(void);
OV_APART void ov_plug_play(void);
#else
static inline void ov_plug_changed(void) {}
static inline void ov_plug_init(void) {}
static inline void ov_plug_play(void) {}
#endif

/* lights.c */
static inline uint8_t ov_lights(void) { return (uint8_t)(OV_WITH_LIGHTS ? ov_table_byte(OV_AT_LIGHTS) : 0); }
void ov_lights_init(void);
uint8_t ov_lights_pass(uint8_t elapsed_ms); /* ms that the scan is told of; 0: this scan is the lights' */
void ov_lights_play(void);

#endif
