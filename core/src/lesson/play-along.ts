import type { PlayAlong } from '../formats/index.ts';
import type { Backing, BackingVoice } from './backing.ts';

/** General MIDI, counted from 0: a bowed or plucked bass, and what plays the chords of each feel. */
const BASS = 32;
const CHORDS: Readonly<Record<Backing['feel'], number>> = {
  march: 21,
  waltz: 21,
  jig: 25,
  lullaby: 46,
  'off-beat': 27,
  ballad: 0,
  drone: 19,
};

/** A backing as tracks of a MIDI file beside the melody. */
export function playAlong({ feel, notes, countIn }: Backing): PlayAlong {
  const all = [...countIn.notes, ...notes];
  const track = (name: string, voice: BackingVoice, program: number | null) => ({
    name,
    program,
    notes: all.filter((note) => note.voice === voice),
  });
  return {
    countIn: countIn.length,
    tracks: [track('Bass', 'bass', BASS), track('Chords', 'chord', CHORDS[feel]), track('Percussion', 'drum', null)],
  };
}
