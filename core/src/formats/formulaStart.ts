/** What a cell of a table begins with that a spreadsheet takes for a formula, whatever follows, a second line too. */
export const FORMULA_START = /^[=+\-@\t\r]/;
