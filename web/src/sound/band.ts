import type * as ToneModule from 'tone';
import type { AlongNote } from './schedule.ts';

type Tone = typeof ToneModule;

/** General MIDI numbers of the drums that are struck on a skin, with the pitch of each. */
const SKINS: Readonly<Record<number, string>> = { 36: 'C2', 64: 'G2', 63: 'D3', 37: 'G4', 76: 'C6', 77: 'G5' };
/** Seconds of those that hiss. */
const HISSES: Readonly<Record<number, number>> = { 38: 0.09, 42: 0.04, 70: 0.05 };

export interface Band {
  play(note: AlongNote, time: number): void;
  dispose(): void;
}

/** Bass, chords and light percussion, made here: nothing is loaded, and the recorder stays in front. */
export function bandOf(Tone: Tone, to: ToneModule.InputNode): Band {
  const bass = new Tone.Synth({
    oscillator: { type: 'triangle' },
    envelope: { attack: 0.01, decay: 0.2, sustain: 0.5, release: 0.12 },
    volume: -14,
  }).connect(to);
  const chords = new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'custom', partials: [1, 0.35, 0.12, 0.05] },
    envelope: { attack: 0.008, decay: 0.25, sustain: 0.35, release: 0.18 },
    volume: -22,
  }).connect(to);
  const skin = new Tone.MembraneSynth({ octaves: 3, pitchDecay: 0.02, volume: -16 }).connect(to);
  const filter = new Tone.Filter(5000, 'highpass').connect(to);
  const hiss = new Tone.NoiseSynth({ envelope: { attack: 0.001, decay: 0.05, sustain: 0 }, volume: -26 }).connect(
    filter,
  );
  const hertz = (midi: number): number => Tone.Frequency(midi, 'midi').toFrequency();
  let lastSkin = 0;
  let lastHiss = 0;
  return {
    play({ voice, midi, seconds, strength }, time) {
      const length = Math.max(0.05, seconds - 0.03);
      if (voice === 'bass') bass.triggerAttackRelease(hertz(midi), length, time, strength);
      else if (voice === 'chord') chords.triggerAttackRelease(hertz(midi), length, time, strength);
      else if (SKINS[midi] !== undefined) {
        // One voice strikes one skin at a time.
        if (time <= lastSkin) return;
        lastSkin = time;
        skin.triggerAttackRelease(SKINS[midi], 0.08, time, strength);
      } else {
        if (time <= lastHiss) return;
        lastHiss = time;
        hiss.triggerAttackRelease(HISSES[midi] ?? 0.05, time, strength);
      }
    },
    dispose() {
      for (const part of [bass, chords, skin, hiss, filter]) part.dispose();
    },
  };
}
