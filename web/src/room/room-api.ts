import { RoomFacts, roomKey } from '@escalier/contract/practice-rooms';
import { PlainRefusal } from '@escalier/contract/field-problems';
import { PlainError, refusalWords } from '../refusals/index.ts';
import { t } from './messages.ts';

/** An answer of the school that is no. */
export class RoomError extends PlainError {
  readonly status: number;
  readonly code: string;

  constructor(status: number, code: string, message: string) {
    super(message);
    this.code = code;
    this.status = status;
  }

  /** The slip opens nothing any more. */
  get isClosed(): boolean {
    return this.code === 'slip-void' || this.code === 'no-slip';
  }

  /** It will never be taken. Other refusals pass: a new slip, enough for today, no room just now, a mishap of the server. */
  get isFinal(): boolean {
    return !this.isClosed && this.status >= 400 && this.status < 500 && ![408, 409, 429].includes(this.status);
  }
}

/** The school does not answer: what is kept here goes on. */
export class Unreached extends PlainError {
  constructor() {
    super(t('room-api.youre-offline-everything-here-still-works'));
  }
}

async function ask(path: string, token: string | null, init: RequestInit = {}): Promise<Response> {
  const headers = { ...init.headers, ...(token === null ? {} : { authorization: `Bearer ${token}` }) };
  let answer: Response;
  try {
    // Whoever else is signed in on this device has nothing to do with the room.
    answer = await fetch(`/api/room${path}`, { ...init, headers, credentials: 'omit' });
  } catch {
    throw new Unreached();
  }
  if (answer.status >= 502) throw new Unreached();
  if (!answer.ok) {
    const read = PlainRefusal.safeParse(await answer.json().catch(() => null));
    const words = read.success ? refusalWords(read.data.error) : t('room-api.that-didnt-work-please-try-again');
    throw new RoomError(answer.status, read.data?.error.code ?? '', words);
  }
  return answer;
}

export async function tokenFor(words: string): Promise<string> {
  const init = { method: 'POST', body: JSON.stringify({ words }), headers: { 'content-type': 'application/json' } };
  return roomKey.parse(await (await ask('/words', null, init)).json()).token;
}

export async function askFacts(token: string): Promise<RoomFacts> {
  return RoomFacts.parse(await (await ask('', token)).json());
}

/** What is handed in. */
export interface Recording {
  /** UUID: sending it twice stores it once. */
  readonly id: string;
  readonly tuneId: string;
  readonly seconds: number;
  /** WAV of `RECORDED_RATE`, one channel of 16 bits. */
  readonly sound: Blob;
}

/** Samples a second of what a room records. */
export const RECORDED_RATE = 16_000;
const WAV_HEAD = 44;
const SAMPLE_BYTES = 2;

/** Seconds of a recording, by its size. */
export function secondsOf(sound: Blob): number {
  return Math.round((10 * (sound.size - WAV_HEAD)) / SAMPLE_BYTES / RECORDED_RATE) / 10;
}

export async function sendRecording(token: string, { id, tuneId, seconds, sound }: Recording): Promise<void> {
  const query = new URLSearchParams({ tuneId, seconds: String(seconds) });
  const headers = { 'content-type': 'application/octet-stream' };
  await ask(`/recordings/${id}?${query.toString()}`, token, { method: 'PUT', body: sound, headers });
}

export async function spokenAnswer(token: string, id: string): Promise<Blob> {
  return (await ask(`/answers/${id}`, token)).blob();
}
