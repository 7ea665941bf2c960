import { strToU8, zipSync } from 'fflate';
import Papa from 'papaparse';

export interface CsvTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly (string | number | null)[])[];
}

/** One table as CSV (RFC 4180, UTF-8); cells that a spreadsheet would run as a formula are quoted. */
export function writeCsv({ columns, rows }: CsvTable): string {
  return `${Papa.unparse([[...columns], ...rows.map((row) => [...row])], { escapeFormulae: true })}\r\n`;
}

/** Tables by their names as one ZIP file of CSV files. */
export function writeCsvSet(tables: Readonly<Record<string, CsvTable>>): Uint8Array {
  // A byte order mark makes spreadsheets read the text as UTF-8.
  const files = Object.entries(tables).map(([name, table]) => [`${name}.csv`, strToU8(`\uFEFF${writeCsv(table)}`)]);
  return zipSync(Object.fromEntries(files) as Record<string, Uint8Array>);
}
