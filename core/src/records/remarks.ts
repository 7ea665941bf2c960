/** What a teacher hears go wrong, in few words, with what to try first. */
export interface Remark {
  readonly id: string;
  readonly words: string;
  readonly remedy: string;
}

export const REMARKS = [
  { id: 'hands', words: 'Hands', remedy: 'Left hand on top: look for the mark.' },
  { id: 'leak', words: 'Leak', remedy: 'Flat pads, thumb first; look for complete rings on the pads.' },
  { id: 'breath', words: 'Too much breath', remedy: 'Warm, slow breath, as if misting a window.' },
  { id: 'airy', words: 'Too little breath', remedy: 'A little more breath, kept steady; keep the window clear.' },
  { id: 'tongue', words: 'Tongue', remedy: 'Start each note with the tongue, not a puff.' },
  { id: 'note', words: 'Wrong note', remedy: 'Finger it silently and name the notes.' },
  { id: 'signature', words: 'Key signature', remedy: 'Before playing, say which notes the key signature changes.' },
  { id: 'stopped', words: 'Stopped', remedy: 'Play just the hard spot, slowly, a few times.' },
  { id: 'beat', words: 'Beat', remedy: 'Clap and count, then play with the click.' },
  { id: 'slow', words: 'Too slow', remedy: 'Move up the tempo ladder one rung at a time.' },
] as const satisfies readonly Remark[];

export type RemarkId = (typeof REMARKS)[number]['id'];
export const REMARK_IDS = REMARKS.map((remark) => remark.id);
