import type { Family } from '@escalier/core/instruments';
import type { Seconds } from '@escalier/core/units';
import type * as ToneModule from 'tone';
import { bandOf } from './band.ts';
import type { Schedule } from './schedule.ts';
import { voiceSamples, type Samples } from './voices.ts';

/** What of a schedule is to be heard, and by which instrument. */
export interface Voices {
  readonly family: Family;
  readonly melody: boolean;
  /** Without it only the count-in clicks. */
  readonly click: boolean;
  readonly drone: boolean;
  /** Of a duet: the part that is not heard, 0 for the first; null for both. */
  readonly silentPart?: number | null;
  /** Bass, chords and percussion, where the schedule has them. */
  readonly backing?: boolean;
}

type Tone = typeof ToneModule;

let loading: Promise<Tone> | null = null;

/** Tone.js loads when something is to be heard for the first time. */
function tone(): Promise<Tone> {
  loading ??= import('tone');
  return loading;
}

function pipe(Tone: Tone, to: ToneModule.InputNode, samples: Samples): ToneModule.Sampler {
  const urls = Object.fromEntries([...samples].map(([midi, buffer]) => [midi, new Tone.ToneAudioBuffer(buffer)]));
  return new Tone.Sampler({ urls, attack: 0, release: 0.08, volume: -5 }).connect(to);
}

function clicker(Tone: Tone, to: ToneModule.InputNode): ToneModule.Synth {
  const synth = new Tone.Synth({
    oscillator: { type: 'square' },
    envelope: { attack: 0.001, decay: 0.04, sustain: 0, release: 0.01 },
    volume: -16,
  });
  return synth.connect(to);
}

/** A low, even tone with few overtones: something to tune by, that covers nothing. */
function droner(Tone: Tone, to: ToneModule.InputNode): ToneModule.Synth {
  const synth = new Tone.Synth({
    oscillator: { type: 'custom', partials: [1, 0.5, 0.25, 0.12] },
    envelope: { attack: 0.15, decay: 0, sustain: 1, release: 0.3 },
    volume: -24,
  });
  return synth.connect(to);
}

/** Puts a schedule on the transport in force, for hearing it and for writing it to a file alike. */
function arrange(
  Tone: Tone,
  to: ToneModule.InputNode,
  schedule: Schedule,
  voices: Voices,
  samples: Samples,
): () => void {
  const melody = pipe(Tone, to, samples);
  const click = clicker(Tone, to);
  const drone = droner(Tone, to);
  const transport = Tone.getTransport();
  const hertz = (midi: number): number => Tone.Frequency(midi, 'midi').toFrequency();
  for (const note of voices.melody ? schedule.notes : []) {
    if (note.part === voices.silentPart) continue;
    transport.schedule((time) => {
      melody.triggerAttackRelease(hertz(note.midi), note.seconds, time, note.part === 0 ? 1 : 0.7);
    }, note.at);
  }
  const along = voices.backing === true ? (schedule.along ?? []) : [];
  const band = along.length > 0 ? bandOf(Tone, to) : null;
  for (const note of along) transport.schedule((time) => band!.play(note, time), note.at);
  for (const beat of schedule.clicks) {
    if (!voices.click && (beat.at >= schedule.lead || band !== null)) continue;
    transport.schedule((time) => click.triggerAttackRelease(beat.strong ? 1760 : 1320, 0.03, time), beat.at);
  }
  const { drone: low } = schedule;
  if (voices.drone && low !== null) {
    const seconds = Math.max(0.1, schedule.length - schedule.lead - 0.05);
    transport.schedule((time) => drone.triggerAttackRelease(hertz(low), seconds, time), schedule.lead);
  }
  return () => {
    melody.dispose();
    click.dispose();
    drone.dispose();
    band?.dispose();
  };
}

export interface Playing {
  stop(): void;
  /** Where it is, by the audio clock. */
  seconds(): Seconds;
}

export interface Heard {
  /** With the picture of the moment at which a cue is due. */
  onCue(id: string): void;
  /** Once, when it is over; a loop has no end but `stop`. */
  onEnd(): void;
}

/**
 * Plays on the audio clock; only one thing plays at a time.
 * @throws Error when the device gives no audio clock or the samples do not come.
 */
export async function play(schedule: Schedule, voices: Voices, loop: boolean, heard: Heard): Promise<Playing> {
  const [Tone, samples] = await Promise.all([tone(), voiceSamples(voices.family)]);
  await Tone.start();
  const transport = Tone.getTransport();
  transport.stop();
  transport.cancel();
  transport.position = 0;
  const dispose = arrange(Tone, Tone.getDestination(), schedule, voices, samples);
  const draw = Tone.getDraw();
  for (const cue of schedule.cues) {
    transport.schedule((time) => draw.schedule(() => heard.onCue(cue.id), time), cue.at);
  }
  let over = false;
  const stop = (): void => {
    if (over) return;
    over = true;
    transport.stop();
    transport.cancel();
    draw.cancel();
    transport.loop = false;
    dispose();
  };
  transport.loop = loop;
  if (loop) transport.setLoopPoints(schedule.lead, schedule.length);
  else {
    transport.schedule((time) => {
      draw.schedule(() => {
        stop();
        heard.onEnd();
      }, time);
    }, schedule.length + 0.1);
  }
  transport.start('+0.1');
  return { stop, seconds: () => transport.seconds };
}

/** How loud all of it is: decibels, or nothing at all. */
export async function setLoudness(decibels: number, muted: boolean): Promise<void> {
  const { getDestination } = await tone();
  getDestination().volume.value = decibels;
  getDestination().mute = muted;
}

/** The same sound as samples, one channel: for a file to play along with where there is no Escalier. */
export async function render(
  schedule: Schedule,
  voices: Voices,
): Promise<{ readonly samples: Float32Array; readonly rate: number }> {
  const [Tone, samples] = await Promise.all([tone(), voiceSamples(voices.family)]);
  const buffer = await Tone.Offline(
    ({ transport }) => {
      arrange(Tone, Tone.getDestination(), schedule, voices, samples);
      transport.start(0);
    },
    schedule.length + 0.3,
    1,
  );
  return { samples: buffer.getChannelData(0), rate: buffer.sampleRate };
}
