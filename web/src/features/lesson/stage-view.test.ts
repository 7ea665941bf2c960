// @vitest-environment node
import { pitch } from '@escalier/core/music';
import { instrument } from '@escalier/core/instruments';
import { describe, expect, it } from 'vitest';
import { classPage } from '../../testing/class-page.ts';
import { tuneInfo } from '../../testing/tune-info.ts';
import type { NoteLesson } from '../notes/index.ts';
import type { WrittenEcho } from '../../workers/index.ts';
import { stageCards } from './cards.ts';
import { stageView, type StageSources } from './stage-view.ts';

const on = instrument('soprano-recorder-baroque');
const info = tuneInfo('B A G2|B A G2|A B A G|E4|');
const noteLesson = {
  on,
  note: pitch('E4'),
  label: 'E',
  known: [pitch('G4')],
  elements: ['note quarter', 'note half'],
  pairs: [],
  place: null,
  own: null,
  staffPlace: 'on the first line',
  comparison: 'Lower than G.',
  bridge: null,
  name: (each: { letter: string }) => each.letter,
} as unknown as NoteLesson;
const cards = stageCards(['note quarter', 'note half'], 'G4', 3, 1);
const sources: StageSources = {
  scene: 'tune',
  page: classPage(),
  on,
  blockTitle: 'Tune: Goose Walk',
  stepTitle: 'Goose Walk',
  named: true,
  colours: null,
  info,
  way: null,
  marks: [],
  noteLesson,
  pattern: null,
  changed: null,
  cards,
  at: 0,
  cue: null,
  hasAnswered: false,
  now: null,
  move: { from: 'G4', to: 'E4' },
  say: (note) => note[0]!,
};
const view = (more: Partial<StageSources>) => stageView({ ...sources, ...more });

describe('what is drawn for the class', () => {
  it('is the sheet of the tune, with names or without', () => {
    const shown = view({});
    expect(shown.heading).toBe(info.reading.title);
    expect(shown.sheet).toMatchObject({ abc: info.abc, rows: [{ kind: 'letters', fill: 'full' }], plain: false });
    expect(view({ named: false }).sheet!.rows).toEqual([]);
    expect(view({ scene: 'grow' }).heading).toBe('Which tune is it?');
  });

  it('is the fingering that goes with the music, in silence', () => {
    const [first, second] = info.playback.notes;
    const named = { ...info, pitches: { [first!.id]: 'B4', [second!.id]: 'A4' } };
    expect(view({ scene: 'silent', info: named }).finger).toMatchObject({ note: 'B4', from: null });
    expect(view({ scene: 'silent', info: named, now: second!.id }).finger!.note).toBe('A4');
  });

  it('goes back and forth between two notes, marking what moves', () => {
    expect(view({ scene: 'moves' })).toMatchObject({ about: 'G to E and back', finger: { note: 'G4', from: null } });
    expect(view({ scene: 'moves', cue: { turn: 0, beat: 2 } }).finger).toMatchObject({ note: 'E4', from: 'G4' });
    expect(view({ scene: 'moves', cue: { turn: 0, beat: 3 } }).finger).toMatchObject({ note: 'G4', from: 'E4' });
  });

  it('shows a new note as the pupil holds it, and mirrored as they see the teacher', () => {
    expect(view({ scene: 'fingering' }).finger).toMatchObject({ note: 'E4', view: 'pupil', label: 'E' });
    expect(view({ scene: 'facing' }).finger!.view).toBe('facing');
    const staff = view({ scene: 'staff' });
    expect(staff.lines[0]).toBe('E is on the first line.');
    expect(staff.sheet!.plain).toBe(true);
  });

  it('says whose turn an echo is, and has a second card for the other half of the class', () => {
    expect(view({ scene: 'echo', cue: { turn: -1, beat: 1 } }).whose).toBe('count');
    expect(view({ scene: 'echo', cue: { turn: 0, beat: 1 } }).whose).toBe('teacher');
    expect(view({ scene: 'echo', cue: { turn: 1, beat: 4 } })).toMatchObject({ whose: 'class', beat: 4 });
    expect(view({ scene: 'cards', cue: { turn: 0, beat: 1 } }).whose).toBe('read');
    expect(view({ scene: 'cards' }).sheet!.second).toBeNull();
    expect(view({ scene: 'partner' }).sheet!.second).toBe(cards[1]!.abc);
    expect(view({ scene: 'partner', cards: [] }).sheet).toBeNull();
  });

  it('asks which note changes, and tells it only in the answer', () => {
    const changed = { events: [], note: 3, was: 'G4', is: 'A4' };
    const pattern = { abc: 'K:G\nGGGG|]', events: [], grade: 'same', place: 'same 0' } as unknown as WrittenEcho;
    const asks = view({ scene: 'changed', changed, pattern, cue: { turn: 1, beat: 2 } });
    expect(asks).toMatchObject({ lines: [], whose: 'teacher', beat: 2, sheet: { abc: pattern.abc } });
    expect(view({ scene: 'changed-answer', changed, pattern }).lines).toEqual(['Note 3: G became A.']);
  });

  it('says the tonguing of the class on each beat, and low and high for the movement break', () => {
    expect(view({ scene: 'tongue' }).lines).toEqual(Array(4).fill(sources.page.style.teaching.tongue));
    expect(view({ scene: 'stretch' }).lines).toEqual(['Low note: squat', 'High note: stretch']);
    expect(view({ scene: 'check' }).lines[0]).toBe('Left hand on top?');
  });

  it('is the hands at the start, and the title of the step before it', () => {
    const poses = view({ scene: 'posture' }).poses;
    expect(poses.map(({ id }) => id)).toEqual(['playing', 'chin', 'knee']);
    expect(poses[0]!.words).toContain('Left hand on top');
    const { style } = sources.page;
    const page = classPage({ style: { ...style, posture: { ...style.posture, restsAt: 'shoulder' } } });
    expect(view({ scene: 'pose-resting', page }).poses.map(({ id }) => id)).toEqual(['shoulder']);
    expect(view({ scene: 'title' }).heading).toBe('Goose Walk');
    expect(view({ scene: 'metronome', blockTitle: null }).heading).toBe('Beat');
  });
});
