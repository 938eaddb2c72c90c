/**
 * A value as a cell of the open data: nothing is an empty cell, an empty text is a backslash alone, and a backslash stands before a
 * text that begins with one or with what a spreadsheet would carry out (OWASP, CSV injection).
 */
export const cellOf = (value: string | null, isText: boolean): string =>
  value === null ? '' : isText && (value === '' || /^[\\=+\-@\t\r]/.test(value)) ? `\\${value}` : value;

/** What a cell says; the way back of {@link cellOf}. */
export const valueOf = (cell: string, isText: boolean): string | null =>
  cell === '' ? null : isText && cell.startsWith('\\') ? cell.slice(1) : cell;
