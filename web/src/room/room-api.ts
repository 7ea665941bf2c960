import type { ErrorBody, RoomFacts } from '@escalier/server/api';
import { PlainError } from '../ui/plain-error.ts';

/** An answer of the school that is no. */
export class RoomError extends PlainError {
  readonly status: number;
  constructor(status: number, message: string) {
    super(message);
    this.status = status;
  }
}

/** The school does not answer: what is kept here goes on. */
export class Unreached extends PlainError {
  constructor() {
    super('No connection just now. Everything that is here goes on.');
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
    const body = (await answer.json().catch(() => null)) as ErrorBody | null;
    const fields = Object.values(body?.error.fields ?? {});
    throw new RoomError(answer.status, fields[0] ?? body?.error.message ?? 'This did not work. Please try again.');
  }
  return answer;
}

export async function tokenFor(words: string): Promise<string> {
  const init = { method: 'POST', body: JSON.stringify({ words }), headers: { 'content-type': 'application/json' } };
  return ((await (await ask('/words', null, init)).json()) as { token: string }).token;
}

export async function askFacts(token: string): Promise<RoomFacts> {
  return (await (await ask('', token)).json()) as RoomFacts;
}

export async function sendRecording(
  token: string,
  {
    id,
    tuneId,
    seconds,
    sound,
  }: { readonly id: string; readonly tuneId: string; readonly seconds: number; readonly sound: Blob },
): Promise<void> {
  const query = new URLSearchParams({ tuneId, seconds: String(seconds) });
  const headers = { 'content-type': 'application/octet-stream' };
  await ask(`/recordings/${id}?${query.toString()}`, token, { method: 'PUT', body: sound, headers });
}

export async function spokenAnswer(token: string, id: string): Promise<Blob> {
  return (await ask(`/answers/${id}`, token)).blob();
}
