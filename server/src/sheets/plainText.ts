/** Words of a job as they may stand in a file of lines or of XML: on one line, and of letters that every reader takes. */

/** Control signs, and the two that part lines and paragraphs. */
const BREAKS = /[\p{Cc}\u2028\u2029]+/gu;
/** Half of a letter that takes two, and the two signs that are no letters: XML forbids them (XML 1.0, 2.2), and UTF-8 has no form for the first. */
const NO_LETTERS = /[\p{Surrogate}\uFFFE\uFFFF]/gu;

export const oneLine = (said: string): string => said.replace(BREAKS, ' ').replace(NO_LETTERS, '\uFFFD');
