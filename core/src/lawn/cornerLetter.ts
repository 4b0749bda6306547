/** Letter of a corner, as it is named in a question: A, B … Z, then A2. */
export const cornerLetter = (index: number): string =>
  `${String.fromCharCode(65 + (index % 26))}${index < 26 ? '' : Math.floor(index / 26) + 1}`;
