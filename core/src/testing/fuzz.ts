import { strToU8, zipSync } from 'fflate';
import { readHolidays } from '../calendar/index.ts';
import {
  checkRoster,
  guessMapping,
  readOneRosterZip,
  readRoster,
  readTuneFile,
  writeTuneFile,
} from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import { NOTHING_KNOWN, readTune } from '../reading/index.ts';
import { GOOSE_WALK, KITE, LONG_PICKUP, MILLPOND } from './known-tunes.ts';

/** Numbers from 0 up to 1; the same seed gives the same ones. Mulberry32, public domain. */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

type Random = () => number;

/** A kind of file: good ones to begin with, what stands in such files, and what reads them. */
interface FuzzTarget {
  readonly name: string;
  readonly seeds: readonly Uint8Array[];
  readonly tokens: readonly string[];
  /** Has to come back, with a value or a sentence. */
  readonly read: (bytes: Uint8Array) => void;
}

const TUNES = [GOOSE_WALK, KITE, LONG_PICKUP, MILLPOND];
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);

const ICS = `BEGIN:VCALENDAR\r
VERSION:2.0\r
BEGIN:VEVENT\r
UID:1\r
DTSTART;VALUE=DATE:20260316\r
DTEND;VALUE=DATE:20260321\r
RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=3;BYDAY=MO\r
EXDATE;VALUE=DATE:20260330\r
SUMMARY:Break\r
END:VEVENT\r
END:VCALENDAR\r
`;
const CSV = 'Name,First name,Last name,Start step,Joined on\nAda,Ada,Brook,1,2026-01-31\n"Bo ""B""",Bo,,2,\n';
const USERS = 'sourcedId,status,givenName,familyName,role\nu1,active,Ada,Brook,student\nu2,,Bo,Brook,student\n';
const ONE_ROSTER = {
  'users.csv': strToU8(USERS),
  'classes.csv': strToU8('sourcedId,title\nc1,4 Plover\n'),
  'enrollments.csv': strToU8('sourcedId,classSourcedId,userSourcedId,role\ne1,c1,u1,student\ne2,c1,u2,student\n'),
};

/** A tune that reads is read for an instrument, too: that comes next wherever a tune is taken in. */
function readAndUse(bytes: Uint8Array): void {
  const read = readTuneFile(bytes);
  if (read.ok) readTune(read.value.tune, instrument('soprano-recorder-baroque'), NOTHING_KNOWN);
}

const ABC_TOKENS =
  'Z9999999|,CDEF&,V:7\n,V:@\n,(9:8:7,(3,|:,:|,[1-9,[1,2,|2,{abc},[CEG],K:C#dor\n,M:17/16\n,w:a-b_ *|\n,!fine!,!D.S.!,C-,C64,C/256,x8,"x",L:1/256\n,Q:1e9\n,\u0000,\ud800,%%score (1 2)\n,I:x\n,X:2\n,\\,`,y,.,~';
const XML_TOKENS =
  '<ending number="300000000" type="start"/>,<duration>999999999</duration>,<divisions>7919</divisions>,<grace/>,<chord/>,<backup><duration>9</duration></backup>,</measure><measure>,<a>,</a>,<![CDATA[x]]>,<!--,&#x10ffff;,&amp;,<octave>99</octave>,<alter>1e308</alter>,<beats>999999</beats>,<repeat direction="backward" times="1e9"/>,<time-modification><actual-notes>7919</actual-notes><normal-notes>7907</normal-notes></time-modification>,<lyric number="1e9"><text>a</text></lyric>';
const ICS_TOKENS =
  'INTERVAL=2147483648;,FREQ=SECONDLY;,FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30;,COUNT=99999999;,BYSETPOS=-366;,BYDAY=5MO;,UNTIL=99991231;,DTSTART;VALUE=DATE:00010101\r\n,DTSTART:x\r\n,DURATION:-P9999999W\r\n,RDATE;VALUE=DATE:20260401\r\n,BEGIN:VEVENT\r\n,END:VEVENT\r\n,BEGIN:VCALENDAR\r\n,\r\n ,;TZID=Nowhere,RECURRENCE-ID:1\r\n,\u0000';

const FUZZ_TARGETS: readonly FuzzTarget[] = [
  { name: 'abc', seeds: TUNES.map((tune) => writeTuneFile(tune, 'abc')), tokens: listed(ABC_TOKENS), read: readAndUse },
  {
    name: 'musicxml',
    seeds: TUNES.map((tune) => writeTuneFile(tune, 'musicxml')),
    tokens: listed(XML_TOKENS),
    read: readAndUse,
  },
  {
    name: 'mxl',
    seeds: TUNES.map((tune) => writeTuneFile(tune, 'mxl')),
    tokens: ['PK\u0003\u0004', 'PK\u0001\u0002'],
    read: readAndUse,
  },
  {
    name: 'midi',
    seeds: TUNES.map((tune) => writeTuneFile(tune, 'mid')),
    tokens: ['MTrk', '\u007f\u007f\u007f\u007f', '\u0000\u0000\u0000\u0000'],
    read: readAndUse,
  },
  {
    name: 'icalendar',
    seeds: [strToU8(ICS)],
    tokens: listed(ICS_TOKENS),
    read: (bytes) => void readHolidays(text(bytes), '2026-03-01', '2026-07-31'),
  },
  {
    name: 'csv',
    seeds: [strToU8(CSV)],
    tokens: ['"', ',', ';', '\t', '\n', '=HYPERLINK()', '\ufeff', '9999-99-99', '\u0000', ','.repeat(100)],
    read: (bytes) => {
      const table = readRoster(text(bytes));
      if (table.ok)
        checkRoster(table.value, guessMapping(table.value), { there: ['Ada'], steps: 5, today: '2026-03-03' });
    },
  },
  {
    name: 'oneroster',
    seeds: [zipSync(ONE_ROSTER), zipSync(ONE_ROSTER, { level: 0 })],
    tokens: ['c1', 'u1', ',', '"', '\n', 'student'],
    read: (bytes) => void readOneRosterZip(bytes),
  },
];

/** Commas part the tokens. */
function listed(tokens: string): readonly string[] {
  return tokens.split(',');
}

const MOST_BYTES = 400_000;

/** A good file with a few things done to it: cut, doubled up to thousands of times, numbers swollen, tokens put in. */
function mutated(seed: Uint8Array, tokens: readonly string[], random: Random): Uint8Array {
  const below = (count: number): number => Math.floor(random() * count);
  let bytes: Uint8Array = seed;
  for (let change = below(4); change >= 0; change--) {
    const at = below(bytes.length + 1);
    const length = below(1 + Math.min(bytes.length - at, 10 ** below(4)));
    const piece = bytes.subarray(at, at + length);
    const [head, tail] = [bytes.subarray(0, at), bytes.subarray(at + length)];
    const times = 10 ** below(5);
    const token = strToU8(tokens[below(tokens.length)]!);
    switch (below(6)) {
      case 0:
        bytes = joined(head, tail);
        break;
      case 1:
        bytes = joined(head, repeated(piece, times), tail);
        break;
      case 2:
        bytes = joined(head, token, bytes.subarray(at));
        break;
      case 3:
        bytes = joined(head, repeated(token, times), bytes.subarray(at));
        break;
      case 4:
        bytes = joined(head, Uint8Array.of(below(256)), bytes.subarray(at + 1));
        break;
      default:
        bytes = joined(head, strToU8(String(10 ** below(12))), tail);
    }
  }
  return bytes.subarray(0, MOST_BYTES);
}

function joined(...parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.length;
  }
  return whole;
}

function repeated(piece: Uint8Array, times: number): Uint8Array {
  const fits = piece.length === 0 ? 0 : Math.min(times, Math.floor(MOST_BYTES / piece.length));
  return joined(...Array.from({ length: fits }, () => piece));
}

/** What a run found. An input is known again by its number and the seed. */
export interface FuzzReport {
  readonly name: string;
  readonly runs: number;
  /** Inputs that threw, with what was thrown. */
  readonly thrown: readonly { readonly run: number; readonly error: unknown; readonly input: Uint8Array }[];
  readonly slowest: { readonly milliseconds: number; readonly run: number; readonly input: Uint8Array };
}

export const FUZZ_NAMES: readonly string[] = FUZZ_TARGETS.map((target) => target.name);

/** Reads `runs` spoilt files of one kind. @param now milliseconds, for the slowest one. */
export function fuzz(name: string, runs: number, seed: number, now: () => number): FuzzReport {
  const target = FUZZ_TARGETS.find((target) => target.name === name)!;
  const random = seededRandom(seed);
  const thrown: FuzzReport['thrown'][number][] = [];
  let slowest: FuzzReport['slowest'] = { milliseconds: 0, run: 0, input: new Uint8Array() };
  for (let run = 0; run < runs; run++) {
    const input = mutated(target.seeds[run % target.seeds.length]!, target.tokens, random);
    const start = now();
    try {
      target.read(input);
    } catch (error) {
      thrown.push({ run, error, input });
    }
    const milliseconds = now() - start;
    if (milliseconds > slowest.milliseconds) slowest = { milliseconds, run, input };
  }
  return { name, runs, thrown, slowest };
}
