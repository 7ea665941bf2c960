import Papa from 'papaparse';

export interface CsvTable {
  /** Null leaves the heads out: for a piece of a table whose heads stand already. */
  readonly columns: readonly string[] | null;
  readonly rows: readonly (readonly (string | number | null)[])[];
}

/** One table as CSV (RFC 4180, UTF-8); cells that a spreadsheet would run as a formula are quoted. */
export function writeCsv({ columns, rows }: CsvTable): string {
  const lines = [...(columns === null ? [] : [[...columns]]), ...rows.map((row) => [...row])];
  return `${Papa.unparse(lines, { escapeFormulae: true })}\r\n`;
}
