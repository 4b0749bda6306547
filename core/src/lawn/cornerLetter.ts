/** Letter of a corner, as it is named in a question: A, B … Z, then A2. */
export const cornerLetter = (index: number): string =>
  `${String.fromCharCode(65 + (index % 26))}${index < 26 ? '' : Math.floor(index / 26) + 1}`;

/** Name of the edge that leaves a corner, as the plan letters the corners: `A–B`. */
export const sideName = (edge: number, corners: number): string =>
  `${cornerLetter(edge)}–${cornerLetter((edge + 1) % corners)}`;
