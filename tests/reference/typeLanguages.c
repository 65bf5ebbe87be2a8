/* Types keystrokes under a keyboard language with libxkbcommon, and says what came of them.
 * In: "L layout variant" (variant may be "-"), then "T caps code:modifiers …"; out: a line of UTF-8 in hexadecimal for each T. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <xkbcommon/xkbcommon-compose.h>
#include <xkbcommon/xkbcommon.h>

#define LEFT_SHIFT 50
#define RIGHT_ALT 108
#define CAPS_LOCK 66

static struct xkb_keymap *keymap;
static struct xkb_compose_table *table;

static void tap(struct xkb_state *state, xkb_keycode_t key) {
  xkb_state_update_key(state, key, XKB_KEY_DOWN);
  xkb_state_update_key(state, key, XKB_KEY_UP);
}

static void say(const char *text) {
  while (*text) printf("%02x", (unsigned char)*text++);
}

static void press(struct xkb_state *state, struct xkb_compose_state *compose, unsigned code, unsigned modifiers) {
  char text[64] = "";
  if (modifiers & 0x02) xkb_state_update_key(state, LEFT_SHIFT, XKB_KEY_DOWN);
  if (modifiers & 0x40) xkb_state_update_key(state, RIGHT_ALT, XKB_KEY_DOWN);
  xkb_compose_state_feed(compose, xkb_state_key_get_one_sym(state, code));
  switch (xkb_compose_state_get_status(compose)) {
    case XKB_COMPOSE_NOTHING: xkb_state_key_get_utf8(state, code, text, sizeof text); break;
    case XKB_COMPOSE_COMPOSED: xkb_compose_state_get_utf8(compose, text, sizeof text); break;
    default: break;
  }
  say(text);
  tap(state, code);
  if (modifiers & 0x40) xkb_state_update_key(state, RIGHT_ALT, XKB_KEY_UP);
  if (modifiers & 0x02) xkb_state_update_key(state, LEFT_SHIFT, XKB_KEY_UP);
}

static void type(char *line) {
  struct xkb_state *state = xkb_state_new(keymap);
  struct xkb_compose_state *compose = xkb_compose_state_new(table, XKB_COMPOSE_STATE_NO_FLAGS);
  char *word = strtok(line, " \n");
  if (atoi(word)) tap(state, CAPS_LOCK);
  while ((word = strtok(NULL, " \n"))) press(state, compose, (unsigned)atoi(word), (unsigned)atoi(strchr(word, ':') + 1));
  printf("\n");
  xkb_compose_state_unref(compose);
  xkb_state_unref(state);
}

int main(void) {
  struct xkb_context *context = xkb_context_new(XKB_CONTEXT_NO_FLAGS);
  char line[256], layout[64], variant[64];
  table = xkb_compose_table_new_from_locale(context, "en_US.UTF-8", XKB_COMPOSE_COMPILE_NO_FLAGS);
  if (!table) return 2;
  while (fgets(line, sizeof line, stdin)) {
    if (line[0] == 'L') {
      struct xkb_rule_names names = {"evdev", "pc105", layout, variant, ""};
      sscanf(line + 2, "%63s %63s", layout, variant);
      if (variant[0] == '-') variant[0] = 0;
      xkb_keymap_unref(keymap);
      keymap = xkb_keymap_new_from_names(context, &names, XKB_KEYMAP_COMPILE_NO_FLAGS);
      if (!keymap) return 3;
    } else type(line + 2);
  }
  return 0;
}
