import { writeWav } from '@escalier/core/listening';

/** A WAV file of so many seconds of silence. */
export function wavOf(seconds: number, rate = 8000): Uint8Array<ArrayBuffer> {
  return new Uint8Array(writeWav(new Float32Array(Math.round(seconds * rate)), rate));
}

function crc(bytes: readonly number[], width: 8 | 16, polynomial: number): number {
  const top = 1 << (width - 1);
  let value = 0;
  for (const byte of bytes) {
    value ^= byte << (width - 8);
    for (let bit = 0; bit < 8; bit++)
      value = ((value & top) === 0 ? value << 1 : (value << 1) ^ polynomial) & (2 * top - 1);
  }
  return value;
}

const BLOCK = 65_535;
const FLAC_RATE = 44_100;

/** One block of silence: a constant sample for each of 65,535 (RFC 9639). */
function flacFrame(number: number): readonly number[] {
  const coded = number < 0x80 ? [number] : [0xc0 | (number >> 6), 0x80 | (number & 63)];
  const head = [0xff, 0xf8, 0x79, 0x08, ...coded, (BLOCK - 1) >> 8, (BLOCK - 1) & 255];
  const frame = [...head, crc(head, 8, 0x07), 0x00, 0x00, 0x00];
  const sum = crc(frame, 16, 0x8005);
  return [...frame, sum >> 8, sum & 255];
}

/** A few bytes that decode to a long silence. @param said seconds that the file's head says it lasts. */
export function flacBomb(seconds: number, said = seconds): Uint8Array<ArrayBuffer> {
  const samples = Math.round(said * FLAC_RATE);
  const streamInfo = [
    ...[BLOCK >> 8, BLOCK & 255, BLOCK >> 8, BLOCK & 255, 0, 0, 0, 0, 0, 0],
    // 20 bits of rate, 3 of channels, 5 of bits a sample, 36 of samples.
    ...[FLAC_RATE >> 12, (FLAC_RATE >> 4) & 255, (FLAC_RATE & 15) << 4, 0xf0],
    ...[(samples >> 24) & 255, (samples >> 16) & 255, (samples >> 8) & 255, samples & 255],
    ...Array.from({ length: 16 }, () => 0),
  ];
  const frames = Array.from({ length: Math.round((seconds * FLAC_RATE) / BLOCK) }, (_, at) => flacFrame(at)).flat();
  return Uint8Array.from([...new TextEncoder().encode('fLaC'), 0x80, 0, 0, 34, ...streamInfo, ...frames]);
}

const MP3_FRAME = 72;
const MP3_FRAME_SECONDS = 576 / 8000;

/** Layer III of MPEG 2.5 at 8 kbit/s and 8 kHz: a kilobyte a second. */
export function mp3Of(seconds: number): Uint8Array<ArrayBuffer> {
  const frames = Math.round(seconds / MP3_FRAME_SECONDS);
  const file = new Uint8Array(frames * MP3_FRAME);
  for (let frame = 0; frame < frames; frame++) file.set([0xff, 0xe3, 0x18, 0xc4], frame * MP3_FRAME);
  return file;
}

const element = (id: readonly number[], body: readonly number[]): readonly number[] => [
  ...id,
  ...[0x10 | ((body.length >> 24) & 15), (body.length >> 16) & 255, (body.length >> 8) & 255, body.length & 255],
  ...body,
];

/** As browsers record: no length in the head, a block each second. */
export function webmOf(seconds: number): Uint8Array<ArrayBuffer> {
  const clusters = Array.from({ length: seconds }, (_, second) => {
    const time = element([0xe7], [((second * 1000) >> 16) & 255, ((second * 1000) >> 8) & 255, (second * 1000) & 255]);
    return element([0x1f, 0x43, 0xb6, 0x75], [...time, ...element([0xa3], [0x81, 0x03, 0xe8, 0x80, 0xfc])]);
  });
  const head = element([0x1a, 0x45, 0xdf, 0xa3], element([0x42, 0x82], [...new TextEncoder().encode('webm')]));
  return Uint8Array.from([...head, ...element([0x18, 0x53, 0x80, 0x67], clusters.flat())]);
}
