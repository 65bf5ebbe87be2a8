#ifndef OV_EDGES_H
#define OV_EDGES_H

/* edges.c: from then on knobs are told as they turn; before the first scan */
void ov_edges_open(void);

/* While lights are sent edges are only noted; then they are told. */
void ov_edges_note(void);
void ov_edges_tell(void);

#endif
