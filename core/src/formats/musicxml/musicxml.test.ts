import { describe, expect, it } from 'vitest';
import { performedNotes, pitchName, toNumber, type Tune } from '../../music/index.ts';
import { readAbc } from '../abc/read-abc.ts';
import type { ReadTune } from '../notice.ts';
import { accidentalsShown } from './accidentals.ts';
import { beamsOf } from './beams.ts';
import { readMusicXml } from './read-musicxml.ts';
import { writeMusicXml } from './write-musicxml.ts';
import { parseXml } from './xml-reader.ts';

const ATTRIBUTES =
  '<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';

function note(step: string, duration: number, more = '', octave = 4): string {
  return `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>${duration}</duration><voice>1</voice>${more}</note>`;
}

const rest = (duration: number): string => `<note><rest/><duration>${duration}</duration><voice>1</voice></note>`;

function score(measures: readonly string[], head = '', more = ''): string {
  const content = measures.map(
    (each, index) => `<measure number="${index + 1}">${index === 0 ? ATTRIBUTES : ''}${each}</measure>`,
  );
  return `<score-partwise>${head}<part-list><score-part id="P1"><part-name>Flute</part-name></score-part></part-list><part id="P1">${content.join('')}</part>${more}</score-partwise>`;
}

function read(measures: readonly string[], head?: string, more?: string): ReadTune {
  const result = readMusicXml(score(measures, head, more));
  if (!result.ok) throw new Error(result.error[0]?.message);
  return result.value;
}

const heard = (tune: Tune): string =>
  performedNotes(tune)
    .map((note) => `${pitchName(note.pitch)}:${toNumber(note.length) * 4}`)
    .join(' ');

describe('reading MusicXML', () => {
  it('takes lengths from durations where a program leaves the type out', () => {
    expect(heard(read([note('G', 2) + note('A', 3) + note('B', 1) + note('C', 2, '', 5)]).tune)).toBe(
      'G4:1 A4:1.5 B4:0.5 C5:1',
    );
    expect(heard(read([note('G', 5) + rest(3)]).tune)).toBe('G4:2.5');
  });

  it('fills silence without rests, from forward and from other voices', () => {
    const { tune } = read([`${note('G', 2)}<forward><duration>4</duration></forward>${note('A', 2)}`]);
    expect(tune.parts[0].bars[0]!.map((event) => event.kind)).toEqual(['note', 'rest', 'note']);
    const voices = read([
      `${note('G', 8)}<backup><duration>8</duration></backup><note><pitch><step>E</step><octave>4</octave></pitch><duration>8</duration><voice>2</voice></note>`,
    ]);
    expect(heard(voices.tune)).toBe('G4:4');
    expect(voices.leftOut).toEqual([{ bar: 1, message: 'Left out: a second voice.' }]);
  });

  it('keeps both of two notes in one place, the highest of more, and grace notes, skips cue notes, and says so once a bar', () => {
    const found = read([
      `<note><grace/><pitch><step>F</step><octave>4</octave></pitch><voice>1</voice></note>${note('C', 4)}${note('E', 4, '<chord/>')}${note('G', 4)}${note('B', 4, '<chord/>')}${note('D', 4, '<chord/>')}`,
    ]);
    expect(heard(found.tune)).toBe('E4:2 B4:2');
    expect(found.tune.parts[0].bars[0]!.map((event) => event.kind === 'note' && event.or?.letter)).toEqual([
      'C',
      undefined,
    ]);
    expect(found.tune.parts[0].bars[0]![0]).toMatchObject({ grace: [{ letter: 'F', octave: 4 }] });
    expect(found.leftOut.map((notice) => notice.message)).toEqual(['Left out: a chord (its highest note is kept).']);
  });

  it('reads bars that are not full as they are, and names them once', () => {
    const found = read([note('G', 8), note('A', 6), note('B', 8), note('C', 3)]);
    expect(found.tune.bars.map((bar) => bar.number)).toEqual([1, 2, 3, 4]);
    expect(found.leftOut.map((notice) => notice.message)).toEqual([
      'Bars 2 and 4 don’t match their time signature. Kept as they are.',
    ]);
  });

  it('takes the top voice where the file names them the other way round', () => {
    const second = '<note><pitch><step>C</step><octave>5</octave></pitch><duration>8</duration><voice>2</voice></note>';
    expect(heard(read([`${note('E', 8)}<backup><duration>8</duration></backup>${second}`]).tune)).toBe('C5:4');
  });

  it('moves what a clef with an 8, or an instrument in another key, puts elsewhere', () => {
    const clef =
      '<attributes><clef><sign>G</sign><line>2</line><clef-octave-change>1</clef-octave-change></clef></attributes>';
    const high = read([clef + note('G', 8, '', 5)]);
    expect(heard(high.tune)).toBe('G4:4');
    expect(high.leftOut[0]!.message).toContain('The clef has an 8');
    const clarinet =
      '<attributes><key><fifths>2</fifths></key><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>';
    const moved = read([clarinet + note('A', 8)]);
    expect(heard(moved.tune)).toBe('G4:4');
    expect(moved.tune.bars[0]!.key.fifths).toBe(0);
  });

  it('reads scores stored by time, church modes, every kind of chord, and the longest notes', () => {
    const chord = (step: string, kind: string, bass = ''): string =>
      `<harmony><root><root-step>${step}</root-step></root><kind>${kind}</kind>${bass}</harmony>`;
    const bass = '<bass><bass-step>B</bass-step><bass-alter>-1</bass-alter></bass>';
    const events = read([
      chord('G', 'major-seventh') +
        note('G', 2) +
        chord('C', 'suspended-fourth') +
        note('A', 2) +
        chord('G', 'minor', bass) +
        note('B', 4),
    ]).tune.parts[0].bars[0]!;
    expect(events.map((event) => event.chordSymbol)).toEqual(['Gmaj7', 'Csus4', 'Gm/Bb']);
    const mode = '<attributes><key><fifths>0</fifths><mode>aeolian</mode></key></attributes>';
    expect(read([mode + note('A', 8)]).tune.bars[0]!.key.mode).toBe('minor');
    expect(read([note('G', 32, '<type>long</type>')]).tune.parts[0].bars[0]![0]!.value.base).toBe('long');
    expect(read([note('G', 15, '<type>whole</type><dot/><dot/><dot/>')]).tune.parts[0].bars[0]![0]!.value.dots).toBe(3);
    const timewise = readMusicXml(
      `<score-timewise><part-list/><measure number="1"><part id="P1">${ATTRIBUTES}${note('G', 8)}</part></measure><measure number="2"><part id="P1">${note('A', 8)}</part></measure></score-timewise>`,
    );
    expect(timewise.ok && heard(timewise.value.tune)).toBe('G4:4 A4:4');
  });

  it('lists what it leaves out, by bar', () => {
    const words = '<direction><direction-type><words>rit.</words></direction-type></direction>';
    const trill = '<notations><ornaments><trill-mark/></ornaments></notations>';
    expect(read([note('G', 8), words + note('A', 8, trill)]).leftOut).toEqual([
      { bar: 2, message: 'Left out: the words “rit.”.' },
      { bar: 2, message: 'Left out: the sign “trill mark”.' },
    ]);
  });

  it('reads ties, slurs, signs, words and chord symbols', () => {
    const events = read([
      `<harmony><root><root-step>A</root-step></root><kind text="m7">minor-seventh</kind></harmony><direction><direction-type><dynamics><mf/></dynamics></direction-type></direction>` +
        note(
          'G',
          4,
          '<tie type="start"/><notations><slur type="start" number="1"/><articulations><staccato/><breath-mark/></articulations><fermata/></notations><lyric number="1"><syllabic>begin</syllabic><text>Goo</text></lyric><lyric number="2"><text>Wa</text><extend/></lyric>',
        ) +
        note('G', 4, '<tie type="stop"/><notations><slur type="stop" number="1"/></notations>'),
    ]).tune.parts[0].bars[0]!;
    expect(events[0]).toMatchObject({
      tied: true,
      slurStarts: 1,
      articulations: ['staccato'],
      breath: true,
      fermata: true,
      dynamic: 'mf',
      chordSymbol: 'Am7',
      syllables: [
        { text: 'Goo', end: 'join' },
        { text: 'Wa', end: 'hold' },
      ],
    });
    expect(events[1]).toMatchObject({ tied: false, slurEnds: 1 });
  });

  it('reads repeats, endings, jumps, tempo and lines of the sheet', () => {
    const whole = (step: string): string => note(step, 8);
    const { tune } = read(
      [
        `<direction><direction-type><metronome><beat-unit>quarter</beat-unit><beat-unit-dot/><per-minute>66</per-minute></metronome></direction-type></direction><barline location="left"><repeat direction="forward"/></barline>${whole('G')}`,
        `<print new-system="yes"/><barline location="left"><ending number="1" type="start"/></barline>${whole('A')}<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline>`,
        `<barline location="left"><ending number="2" type="start"/></barline>${whole('B')}<barline location="right"><ending number="2" type="discontinue"/></barline>`,
        `${whole('C')}<direction><direction-type><words>D.C. al Fine</words></direction-type><sound dacapo="yes"/></direction>`,
      ].map((measure, index) =>
        index === 0 ? `${measure}<direction><direction-type><words>Fine</words></direction-type></direction>` : measure,
      ),
    );
    expect(tune.tempo).toEqual({ beat: { num: 3, den: 8 }, perMinute: 66 });
    expect(tune.bars.map((bar) => [bar.repeatStart, bar.timesPlayed, bar.ending, bar.jump, bar.lineEnd])).toEqual([
      [true, 1, null, null, true],
      [false, 2, [1], null, false],
      [false, 1, [2], null, false],
      [false, 1, null, 'D.C. al fine', false],
    ]);
    expect(heard(tune)).toBe('G4:4 A4:4 G4:4 B4:4 C4:4 G4:4');
  });

  it('finds a title wherever a program puts it, and text with signs of XML', () => {
    expect(read([note('G', 8)], '<movement-title>Fish &amp; Chips &lt;3</movement-title>').tune.title).toBe(
      'Fish & Chips <3',
    );
    expect(
      read([note('G', 8)], '<credit><credit-type>title</credit-type><credit-words>On the page</credit-words></credit>')
        .tune.title,
    ).toBe('On the page');
    expect(read([note('G', 8)]).tune.title).toBe('Untitled');
  });

  it('offers the parts and takes those that are chosen', () => {
    const second = `<part id="P2"><measure number="1">${ATTRIBUTES}${note('E', 8)}</measure></part><part id="P3"><measure number="1">${ATTRIBUTES}${note('C', 8)}</measure></part>`;
    const three = score([note('G', 8)], '', second);
    const plain = readMusicXml(three);
    expect(plain.ok && plain.value.parts.map((part) => part.name)).toEqual(['Flute', 'Part 2', 'Part 3']);
    expect(plain.ok && plain.value.leftOut.map((notice) => notice.message)).toEqual([
      'Left out: the part "Part 2".',
      'Left out: the part "Part 3".',
    ]);
    const chosen = readMusicXml(three, { take: [2, 1] });
    expect(chosen.ok && chosen.value.tune.parts.map((part) => part.name)).toEqual(['Part 3', 'Part 2']);
    expect(readMusicXml(three, { take: [9] }).ok).toBe(false);
  });

  it('reads an additive metre, and leaves out a key of its own kind', () => {
    const odd =
      '<attributes><key><key-step>B</key-step></key><time><beats>3+2</beats><beat-type>8</beat-type></time></attributes>';
    const found = read([note('G', 8), odd + note('A', 5)]);
    expect(found.leftOut.map((notice) => [notice.bar, notice.message])).toEqual([
      [2, 'Left out: an unusual key signature.'],
    ]);
    expect(found.tune.bars[1]!.metre).toEqual({ count: 5, unit: 8, groups: [3, 2] });
  });
});

describe('parseXml', () => {
  it('is no place for entities, and says what is broken', () => {
    expect(parseXml('<a><b x="1">t</b></a>')).toMatchObject({
      ok: true,
      value: { name: 'a', children: [{ name: 'b', attributes: { x: '1' }, text: 't' }] },
    });
    expect(parseXml('<!DOCTYPE a [<!entity x "y">]><a/>')).toMatchObject({ ok: false });
    expect(parseXml('')).toMatchObject({ ok: false });
  });
});

function tune(body: string, metre: string, unit = '1/8'): Tune {
  const result = readAbc(`X:1\nT:T\nM:${metre}\nL:${unit}\nK:G\n${body}\n`);
  if (!result.ok) throw new Error(result.error[0]?.message);
  return result.value.tune;
}

describe('beams', () => {
  const beams = (body: string, metre: string, bar = 0): string => {
    const { bars, parts } = tune(body, metre);
    const short = { begin: '[', continue: '-', end: ']', 'forward hook': '>', 'backward hook': '<' } as const;
    return beamsOf(parts[0].bars[bar]!, bars[bar]!.metre)
      .map((list) => list.map((beam) => short[beam]).join('') || '.')
      .join(' ');
  };

  it('join quavers by half bars in 4/4, by beats in 3/4 and in threes in 6/8', () => {
    expect(beams('GABc dcBA|]', '4/4')).toBe('[ - - ] [ - - ]');
    expect(beams('GABcdc|]', '3/4')).toBe('[ ] [ ] [ ]');
    expect(beams('GABcdc|]', '6/8')).toBe('[ - ] [ - ]');
    expect(beams('G2 AB c2 z A|]', '4/4')).toBe('. [ ] . . .');
  });

  it('hook a lone semiquaver to its dotted neighbour', () => {
    expect(beams('G>A B2|]', '2/4')).toBe('[ ]< .');
    expect(beams('G<A B2|]', '2/4')).toBe('[> ] .');
    expect(beams('G/A/B/c/ B2|]', '2/4')).toBe('[[ -- -- ]] .');
  });

  it('count a pickup from the end of its bar', () => {
    expect(beams('GA|B4 A4|G6|]', '4/4')).toBe('[ ]');
    expect(beams('G|ABcdcBAG|A7|]', '4/4')).toBe('.');
  });
});

it('accidentals are shown where the signature or the bar does not give them, octave by octave', () => {
  const { bars, parts } = tune('F =F f =f|F4|]', '4/4', '1/4');
  const shown = (bar: number) => accidentalsShown(parts[0].bars[bar]!, bars[bar]!.key).map(({ note }) => note);
  expect(shown(0)).toEqual([null, 'natural', null, 'natural']);
  expect(shown(1)).toEqual([null]);
});

describe('writing MusicXML', () => {
  it('closes endings, marks triplets and numbers a pickup 0', () => {
    const xml = writeMusicXml(tune('D2|:(3GAB c6|[1 A8:|[2 G6|]', '4/4'));
    expect(xml).toContain('<measure number="0" implicit="yes" id="b0">');
    expect(xml).toContain('<ending number="1" type="stop">');
    expect(xml).toContain('<ending number="2" type="discontinue">');
    expect(xml.match(/<tuplet type="start">/g)).toHaveLength(1);
    expect(xml.match(/<actual-notes>3</g)).toHaveLength(3);
  });

  it('leaves the metronome mark to the page when it is engraved', () => {
    const withTempo = { ...tune('G8|]', '4/4'), tempo: { beat: { num: 3, den: 8 }, perMinute: 66 } };
    expect(writeMusicXml(withTempo)).toContain('<beat-unit-dot>');
    expect(writeMusicXml(withTempo)).toContain('tempo="99"');
    expect(writeMusicXml(withTempo, { forEngraving: true })).not.toContain('metronome');
  });

  it('joins the syllables of a word', () => {
    const xml = writeMusicXml(tune('G2 A2 B2 c2|]\nw:Goo-se-ber-ry', '4/4'));
    expect([...xml.matchAll(/<syllabic>(\w+)</g)].map((match) => match[1])).toEqual([
      'begin',
      'middle',
      'middle',
      'end',
    ]);
  });
});
