import Papa from 'papaparse';

/** A line of the journal as it is written to CSV. */
export interface JournalLine {
  date: string;
  bed: string;
  what: string;
  detail: string;
}

/** Cells that a spreadsheet would take for a formula are opened with an apostrophe. */
export const journalCsv = (lines: JournalLine[]): string =>
  Papa.unparse(
    lines.map((l) => ({ date: l.date, bed: l.bed, what: l.what, detail: l.detail })),
    { escapeFormulae: true, newline: '\n' },
  );
