import Papa from 'papaparse';

/** A line of the journal as it is written to CSV. */
export interface JournalLine {
  date: string;
  bed: string;
  what: string;
  detail: string;
}

/** How a cell, or a line within it, begins that some spreadsheet takes for a formula, a field or a command. */
const COMMAND = /(^|[\r\n])[\s\uFEFF\u200B]*[=+\-@|%\t\uFF1D\uFF0B\uFF0D\uFF20]/;

/** Cells that a spreadsheet would take for a formula are opened with an apostrophe. */
const tame = (cell: string): string => (COMMAND.test(cell) ? `'${cell}` : cell);

export const journalCsv = (lines: JournalLine[]): string =>
  Papa.unparse(
    lines.map((l) => ({ date: tame(l.date), bed: tame(l.bed), what: tame(l.what), detail: tame(l.detail) })),
    { newline: '\n' },
  );
