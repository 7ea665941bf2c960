import type { Handout } from '@escalier/core/handouts';
import { t } from './messages.ts';

/** The answers of a handout as a sheet of its own. */
export function keyHandout({ title, key }: Handout): Handout {
  const name = `Answers: ${title}`;
  return {
    kind: 'key',
    title: name,
    key: [],
    wide: false,
    sections: [
      {
        title: name,
        nameLine: false,
        bare: false,
        blocks: [
          {
            kind: 'table',
            columns: [
              { label: t('key-handout.no'), share: 0.5 },
              { label: t('key-handout.question'), share: 3 },
              { label: t('key-handout.answer'), share: 4 },
            ],
            rows: key.map(({ number, question, answer }) => [String(number), question, answer]),
            rowHeight: 18,
          },
        ],
      },
    ],
  };
}
