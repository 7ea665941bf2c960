import { readFile } from 'node:fs/promises';
import { readAbc, type ReadTune } from '@escalier/core/formats';
import { describeMove } from '@escalier/core/instruments';
import { pitchName } from '@escalier/core/music';
import { elementWords, NOTHING_KNOWN, readTune, signWords, type Knowledge, type Reading } from '@escalier/core/reading';
import { BadInput, type Command } from './command.ts';
import { instrumentOption, pitchWord, tempoOption } from './options.ts';

export const read: Command = {
  usage: 'read FILE.abc [--instrument ID] [--knows B4,A4,G4] [--tempo 80]',
  about: 'what a tune needs, what is new in it, which moves it makes',
  options: ['instrument', 'knows', 'tempo'],
  async run([file, ...rest], options) {
    if (file === undefined || rest.length > 0) throw new BadInput('Name one file to read.');
    const on = instrumentOption(options.instrument);
    const { tune, leftOut } = await tuneFromFile(file);
    const reading = readTune(tune, on, knownNotes(options.knows), tempoOption(options.tempo, tune.tempo));
    return { text: inWords(reading), json: asJson(reading, tune.bars.length, leftOut) };
  },
};

async function tuneFromFile(file: string): Promise<ReadTune> {
  let text: string;
  try {
    text = await readFile(file, 'utf8');
  } catch {
    throw new BadInput(`The file ${file} cannot be read.`);
  }
  const result = readAbc(text);
  if (!result.ok) throw new BadInput(result.fault.map((fault) => fault.message).join(' '));
  return result.value;
}

function knownNotes(list: string | undefined): Knowledge {
  if (list === undefined) return NOTHING_KNOWN;
  const names = list.split(',').map((name) => pitchName(pitchWord(name)));
  return { ...NOTHING_KNOWN, notes: new Set(names) };
}

function asJson(reading: Reading, bars: number, leftOut: ReadTune['leftOut']): unknown {
  const note = ({ name, count, bars: where }: Reading['notes']['all'][number]) => ({ note: name, count, bars: where });
  return {
    title: reading.title,
    bars,
    tempo: reading.tempo.perMinute,
    notes: { all: reading.notes.all.map((use) => use.name), new: reading.notes.new.map(note) },
    unplayable: reading.unplayable.map((use) => use.name),
    elements: { all: reading.elements.all.map((each) => each.id), new: reading.elements.new.map((each) => each.id) },
    signs: { all: reading.signs.all.map((each) => each.id), new: reading.signs.new.map((each) => each.id) },
    keySignature: reading.keySignature,
    moves: reading.moves.all.map(({ from, to, move, count, costAtTempo }) => ({
      from,
      to,
      kind: move.kind,
      cost: Math.round(costAtTempo * 100) / 100,
      count,
    })),
    left: leftOut,
  };
}

function inWords(reading: Reading): string {
  const { notes, elements, signs, moves, unplayable } = reading;
  const lines = [
    `${reading.title}, ${reading.keySignature.name}, ${reading.tempo.perMinute} beats a minute`,
    `Notes: ${notes.all.map((use) => use.name).join(' ')}`,
    `New notes: ${notes.new.map((use) => `${use.name} (${use.count} times)`).join(', ') || 'none'}`,
    `Rhythm: ${elements.all.map((each) => elementWords(each.id, 'american')).join(', ')}`,
    `Signs: ${signs.all.map((each) => signWords(each.id)).join(', ')}`,
    ...moves.all.slice(0, 3).map((use) => `Move ${use.from} to ${use.to}: ${describeMove(use.move)}`),
  ];
  if (unplayable.length > 0) lines.push(`Not on this instrument: ${unplayable.map((use) => use.name).join(' ')}`);
  return lines.join('\n');
}
