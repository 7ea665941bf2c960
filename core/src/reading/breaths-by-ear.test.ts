import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import type { Tune } from '../music/index.ts';
import { proposeBreaths } from './breaths.ts';

/** Words as they are sung, a slash where one breathes, each put down by ear. */
const SUNG: readonly {
  readonly name: string;
  readonly head: string;
  readonly music: string;
  readonly words: string;
}[] = [
  {
    name: 'a long tied note closes the phrase inside its bar',
    head: 'M:4/4\nL:1/8\nQ:1/4=120\nK:G',
    music: 'z2 G2 B2 c2|d8-|d2 G2 B2 c2|d8-|d2 G2 B2 c2|d4 B4|G4 B4|A8-|A2 z6|]',
    words: 'Oh, when the saints,_ / oh, when the saints,_ / oh, when the saints go march- ing in,',
  },
  {
    name: 'a call stays with its name, a comma before an upbeat',
    head: 'M:3/4\nL:1/8\nQ:1/4=92\nK:G',
    music: 'D|G3/G/ G2 A2|B3/B/ B3 B|AB c2 F2|A2 G2 z D|G3/G/ G2 A2|B3/B/ B3 B|AB c2 F2|A2 G2 z|]',
    words:
      'O Tan- nen- baum, o Tan- nen- baum, / wie treu sind dei- ne Blät- ter! / ' +
      'O Tan- nen- baum, o Tan- nen- baum, / wie treu sind dei- ne Blät- ter!',
  },
  {
    name: 'a word before a rest stays whole, and the rest is breathed in',
    head: 'M:4/4\nL:1/8\nQ:1/4=92\nK:D',
    music: 'D2 F2|A3 F A2 B2|A4 F2 A2|B4 A4|z4 F2 A2|A3 F G2 F2|E4 D2 E2|(F4 E4)|D4|]',
    words:
      'Mi- chael, row the boat a- shore, / hal- le- lu- jah! / Mi- chael, row the boat a- shore, / hal- le- lu- * jah!',
  },
  {
    name: 'a sentence ends off the beat',
    head: 'M:2/4\nL:1/8\nQ:1/4=84\nK:D',
    music: 'd2 c3/B/|A3 G|F2 E2|D3 A|B3 B|c3 c|d4|]',
    words: 'Joy to the world! / The Lord is come! / Let earth re- ceive her King;',
  },
  {
    name: 'letters that are sung are no calls',
    head: 'M:4/4\nL:1/8\nQ:1/4=112\nK:G',
    music: 'B4 B4|c2 c2 c4|A4 A4|B2 B2 B4|]',
    words: 'B I N G O, / B I N G O,',
  },
  {
    name: 'a refrain is breathed alike each time',
    head: 'M:4/4\nL:1/4\nQ:1/4=100\nK:G',
    music: 'd e d c|B c d2|A B c2|B c d2|d e d c|B c d2|A2 d2|B G3|]',
    words:
      'Lon- don Bridge is fal- ling down, / fal- ling down, fal- ling down, / ' +
      'Lon- don Bridge is fal- ling down, / my fair la- dy.',
  },
  {
    name: 'a dog comes with its article',
    head: 'M:2/4\nL:1/8\nQ:1/4=92\nK:G',
    music: 'd2 B2|d4|d2 B2|d4|e2 d2|c2 B2|A2 B2|c2 B c|d2 G2|G G G2|G A B c|d4|]',
    words:
      'This old man, he played one, / he played knick- knack on my thumb. / ' +
      'With a knick- knack, pad- dy whack, give a dog a bone,',
  },
];

/** The words of a tune with a slash where a breath is proposed. */
function breathed(tune: Tune): string {
  const breaths = proposeBreaths(tune, tune.tempo!);
  const said: string[] = [];
  for (const [barIndex, events] of tune.parts[0].bars.entries()) {
    for (const [eventIndex, event] of events.entries()) {
      const syllable = event.kind === 'note' ? event.syllables[0] : undefined;
      if (syllable) said.push(syllable.text + (syllable.end === 'join' ? '-' : ''));
      if (breaths.some((breath) => breath.barIndex === barIndex && breath.eventIndex === eventIndex)) said.push('/');
    }
  }
  return said.join(' ');
}

describe('breaths of songs', () => {
  it.each(SUNG)('$name', ({ head, music, words }) => {
    const read = readAbc(`X:1\nT:T\n${head}\n${music}\nw:${words.replaceAll(' /', '')}`);
    if (!read.ok) throw new Error(JSON.stringify(read));
    expect(breathed(read.value.tune)).toBe(words.replaceAll('_', '').replaceAll(' *', ''));
  });

  it('last longer than a breath where a phrase ends soon after it', () => {
    const read = readAbc(
      'X:1\nT:T\nM:4/4\nL:1/8\nQ:1/4=84\nK:D\nA2|d4 A2 F2|G4 E4|F2 A2 G2 E2|D6 A2|d4 A2 F2|G4 E4|F2 A2 G2 C2|D6|]',
    );
    if (!read.ok) throw new Error(JSON.stringify(read));
    const all = proposeBreaths(read.value.tune, read.value.tune.tempo!).map((breath) => [
      breath.afterBar,
      breath.afterBeat,
    ]);
    expect(all).toContainEqual([4, 3]);
    expect(all.filter(([bar]) => bar === 3 || bar === 7)).toEqual([]);
  });
});
