/** What the line between two parts does to what is sent over it. */
export interface LineTrouble {
  /** Nothing comes through. */
  isCut: boolean;
  /** Of so many bytes one is damaged, by chance; 0: none. */
  oneDamagedOf: number;
}

export const GOOD_LINE: LineTrouble = { isCut: false, oneDamagedOf: 0 };
