import type * as ToneModule from 'tone';
import type { Schedule } from './schedule.ts';

export interface Voices {
  readonly melody: boolean;
  readonly click: boolean;
}

type Tone = typeof ToneModule;

let loading: Promise<Tone> | null = null;

/** Tone.js loads when something is to be heard for the first time. */
function tone(): Promise<Tone> {
  loading ??= import('tone');
  return loading;
}

/** A recorder-like voice: nearly a sine, with a little of the third harmonic and a soft start. */
function pipe(Tone: Tone, to: ToneModule.InputNode): ToneModule.PolySynth {
  const synth = new Tone.PolySynth(Tone.Synth, {
    oscillator: { type: 'custom', partials: [1, 0.08, 0.22, 0.03, 0.06] },
    envelope: { attack: 0.025, decay: 0.05, sustain: 0.85, release: 0.06 },
    volume: -10,
  });
  return synth.connect(to);
}

function clicker(Tone: Tone, to: ToneModule.InputNode): ToneModule.Synth {
  const synth = new Tone.Synth({
    oscillator: { type: 'square' },
    envelope: { attack: 0.001, decay: 0.04, sustain: 0, release: 0.01 },
    volume: -16,
  });
  return synth.connect(to);
}

/** Puts a schedule on the transport in force, for hearing it and for writing it to a file alike. */
function arrange(Tone: Tone, to: ToneModule.InputNode, schedule: Schedule, voices: Voices): () => void {
  const melody = pipe(Tone, to);
  const click = clicker(Tone, to);
  const transport = Tone.getTransport();
  for (const note of voices.melody ? schedule.notes : []) {
    transport.schedule((time) => {
      melody.triggerAttackRelease(
        Tone.Frequency(note.midi, 'midi').toFrequency(),
        note.seconds,
        time,
        note.part === 0 ? 0.9 : 0.6,
      );
    }, note.at);
  }
  for (const beat of schedule.clicks) {
    if (!voices.click && beat.at >= schedule.lead) continue;
    transport.schedule((time) => click.triggerAttackRelease(beat.strong ? 1760 : 1320, 0.03, time), beat.at);
  }
  return () => {
    melody.dispose();
    click.dispose();
  };
}

export interface Playing {
  stop(): void;
}

/**
 * Plays on the audio clock. `onNote` comes with the picture of the moment at which a note is heard, and `onEnd` once
 * when it is over; a loop has no end but `stop`.
 */
export async function play(
  schedule: Schedule,
  voices: Voices,
  loop: boolean,
  onNote: (id: string) => void,
  onEnd: () => void,
): Promise<Playing> {
  const Tone = await tone();
  await Tone.start();
  const transport = Tone.getTransport();
  transport.stop();
  transport.cancel();
  transport.position = 0;
  const dispose = arrange(Tone, Tone.getDestination(), schedule, voices);
  const draw = Tone.getDraw();
  for (const note of schedule.notes) {
    if (note.part === 0) transport.schedule((time) => draw.schedule(() => onNote(note.id), time), note.at);
  }
  let over = false;
  const stop = (): void => {
    if (over) return;
    over = true;
    transport.stop();
    transport.cancel();
    transport.loop = false;
    dispose();
  };
  transport.loop = loop;
  if (loop) transport.setLoopPoints(schedule.lead, schedule.length);
  else {
    transport.schedule((time) => {
      draw.schedule(() => {
        stop();
        onEnd();
      }, time);
    }, schedule.length + 0.1);
  }
  transport.start('+0.1');
  return { stop };
}

/** The same sound as samples, one channel: for a file to play along with where there is no Escalier. */
export async function render(
  schedule: Schedule,
  voices: Voices,
): Promise<{ readonly samples: Float32Array; readonly rate: number }> {
  const Tone = await tone();
  const buffer = await Tone.Offline(
    ({ transport }) => {
      arrange(Tone, Tone.getDestination(), schedule, voices);
      transport.start(0);
    },
    schedule.length + 0.3,
    1,
  );
  return { samples: buffer.getChannelData(0), rate: buffer.sampleRate };
}
