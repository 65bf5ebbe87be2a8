/* Added parts that are read over a bus or as a voltage; what is read goes where the board block says, pressed is low. */
#ifndef OV_LINES_H
#define OV_LINES_H

#include <stdint.h>

/* expanders.c: their entry in the board block, behind its length */
void ov_expanders_open(const uint8_t *entry);
void ov_expanders_catch(const uint8_t *entry, uint8_t *remote);

/* ladder.c */
void ov_ladder_catch(const uint8_t *entry, uint8_t *remote);

#endif
