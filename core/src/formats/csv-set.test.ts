import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { writeCsv, writeCsvSet } from './csv-set.ts';

describe('tables as CSV', () => {
  it('quote what needs it and leave nothing for a spreadsheet to run', () => {
    expect(
      writeCsv({
        columns: ['Name', 'Steps'],
        rows: [
          ['Tell, Bo', 3],
          ['=1+1', null],
        ],
      }),
    ).toBe('Name,Steps\r\n"Tell, Bo",3\r\n"\'=1+1",\r\n');
  });

  it('come as one ZIP file, each under its name', () => {
    const files = unzipSync(writeCsvSet({ pupils: { columns: ['Name'], rows: [['Åse']] } }));
    expect(Object.keys(files)).toEqual(['pupils.csv']);
    // Decoding takes the byte order mark away.
    expect(files['pupils.csv']![0]).toBe(0xef);
    expect(strFromU8(files['pupils.csv']!)).toBe('Name\r\nÅse\r\n');
  });
});
