import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeMidi } from 'midi-file';
import { ROOT } from './lib/paths.mjs';
import { run, say } from './lib/say.mjs';

/**
 * Makes the samples of web/src/sound/voices/ anew: one note each from a free sound font, cut, brought to one loudness
 * and packed. Needs Debian's fluidsynth, fluidr3mono-gm-soundfont, sox and flac; nobody else does, the samples are kept.
 */
const SOUND_FONT = '/usr/share/sounds/sf3/FluidR3Mono_GM.sf3';
const VOICES = [
  { name: 'recorder', program: 74, midi: [58, 62, 66, 70, 78, 82, 86, 90, 94, 98] },
  { name: 'whistle', program: 78, midi: [70, 74, 78, 82, 86, 90, 94, 98, 102] },
];
const RATE = 22_050;
const SECONDS = 1.7;
/** Root mean square of the steady part, from 0.9 s on. */
const LOUDNESS = 0.16;

function midiFile(program, note) {
  const events = [
    { deltaTime: 0, type: 'programChange', channel: 0, programNumber: program },
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

await run(async () => {
  const work = mkdtempSync(join(tmpdir(), 'escalier-voices-'));
  const at = (name) => join(work, name);
  try {
    for (const { name, program, midi } of VOICES) {
      for (const note of midi) {
        writeFileSync(at('note.mid'), midiFile(program, note));
        execFileSync(
          'fluidsynth',
          ['-ni', '-R', '0', '-C', '0', '-g', '1', '-r', '44100', '-F', at('long.wav'), SOUND_FONT, at('note.mid')],
          { stdio: 'ignore' },
        );
        const cut = ['-c', '1', '-b', '16', '-r', String(RATE)];
        execFileSync('sox', [at('long.wav'), ...cut, at('cut.wav'), 'trim', '0', String(SECONDS)]);
        const gain = String(LOUDNESS / loudnessOf(at('cut.wav')));
        execFileSync('sox', ['-v', gain, at('cut.wav'), at('even.wav')]);
        const packed = join(ROOT, 'web/src/sound/voices', `${name}-${note}.flac`);
        execFileSync('flac', ['--best', '--force', '--silent', '-o', packed, at('even.wav')]);
      }
      say(`${name}: ${midi.length} samples`);
    }
  } finally {
    rmSync(work, { recursive: true });
  }
});
