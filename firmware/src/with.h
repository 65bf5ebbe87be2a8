/* What the runtime is compiled with. Left alone it has everything; a finished image for a small chip is told with 0 what it leaves
 * out, and stays quiet on tables that want it. */
#ifndef OV_WITH_H
#define OV_WITH_H

#ifndef OV_WITH_LIGHTS
#define OV_WITH_LIGHTS 1 /* chains of addressable lights */
#endif
#ifndef OV_WITH_LIVE
#define OV_WITH_LIVE 1 /* live changes */
#endif
#ifndef OV_WITH_AXES
#define OV_WITH_AXES 1 /* voltages of sticks, pots and levers */
#endif
#ifndef OV_WITH_PAD
#define OV_WITH_PAD 1 /* the game pad's report */
#endif
#ifndef OV_WITH_PANEL
#define OV_WITH_PANEL 1 /* what the computer tells a panel */
#endif
#ifndef OV_WITH_MUSIC
#define OV_WITH_MUSIC 1 /* notes, controllers, programs */
#endif
#ifndef OV_WITH_DIN
#define OV_WITH_DIN 1 /* a socket for music; wants OV_WITH_MUSIC */
#endif
#ifndef OV_WITH_SEGMENTS
#define OV_WITH_SEGMENTS 1 /* segment displays */
#endif
#ifndef OV_WITH_DISPLAYS
#define OV_WITH_DISPLAYS 1 /* displays of dots */
#endif
#ifndef OV_WITH_TONE
#define OV_WITH_TONE 1 /* the square wave of a sounder */
#endif
#ifndef OV_WITH_PLACE
#define OV_WITH_PLACE 1 /* places on the screen */
#endif
#ifndef OV_WITH_RADIO
#define OV_WITH_RADIO 1 /* a radio's packet */
#endif
#ifndef OV_WITH_PLUG
#define OV_WITH_PLUG 1 /* a serial pad port */
#endif
#ifndef OV_WITH_LINES
#define OV_WITH_LINES 1 /* lines of text that tell a panel; want OV_WITH_PANEL */
#endif
#ifndef OV_WITH_HEARD
#define OV_WITH_HEARD 1 /* notes that the computer plays to a panel; want OV_WITH_PANEL */
#endif
#ifndef OV_WITH_LINK
#define OV_WITH_LINK 1 /* parts with a controller each that tell each other */
#endif
#ifndef OV_WITH_BUS
#define OV_WITH_BUS OV_WITH_LINK /* modules on a bus that one of them asks; want OV_WITH_LINK */
#endif
#ifndef OV_WITH_POINTER
#define OV_WITH_POINTER 1 /* the pointer's report, what moves it, and keeping awake */
#endif

#endif
