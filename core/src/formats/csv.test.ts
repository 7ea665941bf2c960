import { describe, expect, it } from 'vitest';
import { writeCsv } from './csv.ts';

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

  it('leave their heads out where a piece goes on', () => {
    expect(writeCsv({ columns: null, rows: [['Åse']] })).toBe('Åse\r\n');
  });
});
