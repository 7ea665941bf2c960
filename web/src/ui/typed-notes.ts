import { parsePitch, pitchName } from '@escalier/core/music';

const MIDDLE_OCTAVE = 4;

/** "B A G E" or "B4, A4": notes as a teacher types them, each once; `wrong` is the first word that is none. */
export function notesTyped(text: string): { readonly notes: readonly string[]; readonly wrong: string | null } {
  const words = text.split(/[\s,;]+/).filter((word) => word !== '');
  const pitches = words.map((word) => parsePitch(withOctave(word.replaceAll('♯', '#').replaceAll('♭', 'b'))));
  const wrong = words.find((_, index) => pitches[index] === null) ?? null;
  return { notes: [...new Set(pitches.flatMap((pitch) => (pitch === null ? [] : [pitchName(pitch)])))], wrong };
}

/** Without a number a note is in the middle octave; "C′" and "C'" are an octave up. */
function withOctave(word: string): string {
  if (/\d$/.test(word)) return word;
  const [letters, up] = [word.replace(/[′']+$/, ''), /[′']*$/.exec(word)![0].length];
  return `${letters}${MIDDLE_OCTAVE + up}`;
}
