/**
 * Lengths by the frames of a file, each in seconds, 0 where there are none. Whatever a head says, this is what a decoder
 * would bring to light.
 */

/** CRC-8 of the head of a FLAC frame: x⁸ + x² + x + 1 (RFC 9639, 9.1.8). */
const CRC8 = Uint8Array.from({ length: 256 }, (_, value) => {
  let crc = value;
  for (let bit = 0; bit < 8; bit++) crc = crc & 0x80 ? ((crc << 1) ^ 0x07) & 0xff : (crc << 1) & 0xff;
  return crc;
});

/** RFC 9639, table 14; -1 stands for bytes that follow. */
const FLAC_BLOCKS = [0, 192, 576, 1152, 2304, 4608, -1, -1, 256, 512, 1024, 2048, 4096, 8192, 16_384, 32_768];
const FLAC_SYNC = 0xff;

/** Sums the blocks of all frames, by their heads with a right checksum. */
export function flacSeconds(bytes: Uint8Array): number {
  // STREAMINFO is the first block: the rate stands in 20 bits behind 10 bytes of it.
  const rate = ((bytes[18] ?? 0) << 12) | ((bytes[19] ?? 0) << 4) | ((bytes[20] ?? 0) >> 4);
  if (rate === 0) return 0;
  let samples = 0;
  for (let at = 4; at + 6 < bytes.length; at++)
    if (bytes[at] === FLAC_SYNC && (bytes[at + 1]! & 0xfe) === 0xf8) samples += flacBlock(bytes, at);
  return samples / rate;
}

/** Samples of the frame whose head stands there; 0 where none does. */
function flacBlock(bytes: Uint8Array, start: number): number {
  const [blockCode, rateCode] = [bytes[start + 2]! >> 4, bytes[start + 2]! & 15];
  const first = bytes[start + 4]!;
  // The number of the frame is coded as UTF-8 is: its first byte says how many follow.
  const more = first < 0x80 ? 0 : Math.max(0, Math.clz32(~(first << 24)) - 1);
  let at = start + 5 + more;
  let samples = FLAC_BLOCKS[blockCode]!;
  if (blockCode === 6) samples = (bytes[at++] ?? 0) + 1;
  else if (blockCode === 7) {
    samples = (((bytes[at] ?? 0) << 8) | (bytes[at + 1] ?? 0)) + 1;
    at += 2;
  }
  if (rateCode === 12) at += 1;
  else if (rateCode === 13 || rateCode === 14) at += 2;
  if (at >= bytes.length) return 0;
  let crc = 0;
  for (let each = start; each < at; each++) crc = CRC8[crc ^ bytes[each]!]!;
  return crc === bytes[at] ? samples : 0;
}

/** Kilobits a second of layer III, MPEG 1 and MPEG 2 (ISO 11172-3 and 13818-3). */
const MP3_KILOBITS = {
  one: [0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 0],
  two: [0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160, 0],
} as const;
const MP3_RATES = [44_100, 48_000, 32_000, 0] as const;

/** Sums the frames of layer III one after the other, whatever a Xing head says. */
export function mp3Seconds(bytes: Uint8Array): number {
  let seconds = 0;
  for (let at = 0; at + 4 <= bytes.length;) {
    const frame = mp3Frame(bytes, at);
    if (frame === null) at += 1;
    else {
      seconds += frame.seconds;
      at += frame.bytes;
    }
  }
  return seconds;
}

function mp3Frame(bytes: Uint8Array, at: number): { readonly bytes: number; readonly seconds: number } | null {
  const [sync, second, third] = [bytes[at]!, bytes[at + 1]!, bytes[at + 2]!];
  if (sync !== 0xff || (second & 0xe6) !== 0xe2) return null;
  const version = (second >> 3) & 3;
  if (version === 1) return null;
  const isOne = version === 3;
  const rate = MP3_RATES[(third >> 2) & 3]! / (isOne ? 1 : version === 2 ? 2 : 4);
  const kilobits = MP3_KILOBITS[isOne ? 'one' : 'two'][third >> 4]!;
  if (rate === 0 || kilobits === 0) return null;
  const samples = isOne ? 1152 : 576;
  return {
    bytes: Math.floor((samples / 8) * ((kilobits * 1000) / rate)) + ((third >> 1) & 1),
    seconds: samples / rate,
  };
}

/** Seconds of one frame by the five highest bits of a packet's first byte (RFC 6716, table 2). */
function opusFrame(code: number): number {
  if (code < 12) return [0.01, 0.02, 0.04, 0.06][code & 3]!;
  if (code < 16) return [0.01, 0.02][code & 1]!;
  return [0.0025, 0.005, 0.01, 0.02][code & 3]!;
}

function opusPacket(first: number, second: number): number {
  const frames = [1, 2, 2, second & 63][first & 3]!;
  return opusFrame(first >> 3) * frames;
}

const PAGE_HEAD = 27;
const isPage = (bytes: Uint8Array, at: number): boolean =>
  bytes[at] === 0x4f && bytes[at + 1] === 0x67 && bytes[at + 2] === 0x67 && bytes[at + 3] === 0x53;

/** Sums the packets of an Ogg file that holds Opus; 0 for one that holds something else. */
export function opusSeconds(bytes: Uint8Array): number {
  const isOpus = new TextDecoder('latin1').decode(bytes.subarray(0, 64)).includes('OpusHead');
  if (!isOpus) return 0;
  let [seconds, packets] = [0, 0];
  for (let at = 0; at + PAGE_HEAD < bytes.length && isPage(bytes, at);) {
    const segments = bytes[at + PAGE_HEAD - 1]!;
    let [data, isStart] = [at + PAGE_HEAD + segments, (bytes[at + 5]! & 1) === 0];
    for (let segment = 0; segment < segments; segment++) {
      const length = bytes[at + PAGE_HEAD + segment]!;
      // The first two packets are the head and the comments.
      if (isStart && length > 0 && ++packets > 2) seconds += opusPacket(bytes[data] ?? 0, bytes[data + 1] ?? 0);
      isStart = length < 255;
      data += length;
    }
    at = data;
  }
  return seconds;
}

/** Elements of Matroska that hold others, and those that are read (RFC 9559). */
const SEGMENT = 0x18538067;
const INFO = 0x1549a966;
const CLUSTER = 0x1f43b675;
const BLOCK_GROUP = 0xa0;
const SCALE = 0x2ad7b1;
const TIMESTAMP = 0xe7;
const SIMPLE_BLOCK = 0xa3;
const BLOCK = 0xa1;
const HOLDERS = new Set([SEGMENT, INFO, CLUSTER, BLOCK_GROUP]);
/** A browser's last block lasts at most so long. */
const LAST_BLOCK = 0.06;

/** The time of the last block: browsers write their recordings without a length in the head. */
export function webmSeconds(bytes: Uint8Array): number {
  let [scale, cluster, last] = [1_000_000, 0, -1];
  for (let at = 0; at < bytes.length;) {
    const id = vint(bytes, at, false);
    const size = id === null ? null : vint(bytes, at + id.length, true);
    if (id === null || size === null) break;
    const data = at + id.length + size.length;
    if (id.value === SCALE) scale = unsigned(bytes, data, size.value);
    else if (id.value === TIMESTAMP) cluster = unsigned(bytes, data, size.value);
    else if (id.value === SIMPLE_BLOCK || id.value === BLOCK) last = Math.max(last, cluster + blockTime(bytes, data));
    at = HOLDERS.has(id.value) ? data : data + size.value;
  }
  return last < 0 ? 0 : (last * scale) / 1e9 + LAST_BLOCK;
}

/** A number of 1 to 8 bytes, whose first bits say how many. @param bare without those bits. */
function vint(
  bytes: Uint8Array,
  at: number,
  bare: boolean,
): { readonly value: number; readonly length: number } | null {
  const first = bytes[at];
  if (first === undefined || first === 0) return null;
  const length = Math.clz32(first) - 23;
  if (at + length > bytes.length) return null;
  const value = bare ? first & (0xff >> length) : first;
  return { value: value * 256 ** (length - 1) + unsigned(bytes, at + 1, length - 1), length };
}

function unsigned(bytes: Uint8Array, at: number, length: number): number {
  let value = 0;
  for (let index = 0; index < Math.min(length, 8); index++) value = value * 256 + (bytes[at + index] ?? 0);
  return value;
}

/** Behind the number of the track, signed, counted from the cluster. */
function blockTime(bytes: Uint8Array, at: number): number {
  const track = vint(bytes, at, true)?.length ?? 1;
  const time = unsigned(bytes, at + track, 2);
  return time >= 0x8000 ? time - 0x10000 : time;
}
