/* Chains of segment drivers on the simulated chip. */
#ifndef OV_SEGMENTS_H
#define OV_SEGMENTS_H

/* Data, clock and select net, and how many drivers. */
void segments_add(const int *numbers);
void segments_look(void);
void segments_start_afresh(void);
/* Tells each frame that was shown. @returns 0 when one was torn */
int segments_tell(void (*tell)(int chain, const unsigned char *bytes, int length));

#endif
