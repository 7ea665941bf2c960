import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeMidi } from 'midi-file';
import { ROOT } from './lib/paths.mjs';
import { run, say } from './lib/say.mjs';
import { evenOut } from './lib/tone.mjs';

/**
 * Makes the samples of web/src/sound/voices/ anew: one note each from a free sound font, cut, evened out in tone, brought
 * to one loudness and packed. With `even` it evens out those that are there. Needs Debian's sox and flac, and for new
 * ones fluidsynth and fluidr3mono-gm-soundfont; nobody else does, the samples are kept. The whistle is made when it is
 * played: web/src/sound/whistle.ts.
 */
const SOUND_FONT = '/usr/share/sounds/sf3/FluidR3Mono_GM.sf3';
const PROGRAM = 74;
const MIDI = [58, 62, 66, 70, 78, 82, 86, 90, 94, 98];
const RATE = 22_050;
const SECONDS = 1.7;
/** Root mean square of the steady part, from 0.9 s on. */
const LOUDNESS = 0.16;

function midiFile(note) {
  const events = [
    { deltaTime: 0, type: 'programChange', channel: 0, programNumber: PROGRAM },
    { deltaTime: 0, type: 'noteOn', channel: 0, noteNumber: note, velocity: 90 },
    { deltaTime: 480 * 8, type: 'noteOff', channel: 0, noteNumber: note, velocity: 0 },
    { deltaTime: 0, type: 'endOfTrack' },
  ];
  return Buffer.from(writeMidi({ header: { format: 0, numTracks: 1, ticksPerBeat: 480 }, tracks: [events] }));
}

function loudnessOf(wav) {
  const bytes = readFileSync(wav);
  const samples = new Int16Array(bytes.buffer, bytes.byteOffset + 44, Math.floor((bytes.length - 44) / 2));
  const steady = samples.subarray(Math.round(0.9 * RATE));
  return Math.sqrt(steady.reduce((sum, sample) => sum + (sample / 32_768) ** 2, 0) / steady.length);
}

function rendered(note, at) {
  writeFileSync(at('note.mid'), midiFile(note));
  execFileSync(
    'fluidsynth',
    ['-ni', '-R', '0', '-C', '0', '-g', '1', '-r', '44100', '-F', at('long.wav'), SOUND_FONT, at('note.mid')],
    { stdio: 'ignore' },
  );
  const cut = ['-c', '1', '-b', '16', '-r', String(RATE)];
  execFileSync('sox', [at('long.wav'), ...cut, at('cut.wav'), 'trim', '0', String(SECONDS)]);
}

await run(async () => {
  const work = mkdtempSync(join(tmpdir(), 'escalier-voices-'));
  const at = (name) => join(work, name);
  try {
    for (const note of MIDI) {
      const packed = join(ROOT, 'web/src/sound/voices', `recorder-${note}.flac`);
      if (process.argv[2] === 'even') execFileSync('flac', ['-d', '--silent', '-f', '-o', at('cut.wav'), packed]);
      else rendered(note, at);
      const [second, third] = evenOut(at('cut.wav'), at('toned.wav'), RATE, note);
      const gain = String(LOUDNESS / loudnessOf(at('toned.wav')));
      execFileSync('sox', ['-v', gain, at('toned.wav'), at('even.wav')]);
      execFileSync('flac', ['--best', '--force', '--silent', '-o', packed, at('even.wav')]);
      say(`recorder ${note}: second partial ${second.toFixed(0)} dB, third ${third.toFixed(0)} dB`);
    }
  } finally {
    rmSync(work, { recursive: true });
  }
});
