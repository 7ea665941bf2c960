import { Worker } from 'node:worker_threads';
import type { Figures } from './harness.ts';
import { postMark, startSchool, type School } from './running-school.ts';

/** What a teacher does at once, how often, and how many rounds of it are measured. */
const EACH_MS = 40;
const ROUNDS = 250;

/**
 * A teacher's 99th percentile over the list of classes, a mark and a page, while 100 strangers sign in wrongly and 40 guess
 * at three words, all at one moment and again and again, from addresses of their own; against the same at rest.
 */
export async function measureUnderGuessing(databaseUrl: string): Promise<Figures> {
  const school = await startSchool(databaseUrl, {
    ESCALIER_TRUSTED_PROXIES: 'loopback',
    ESCALIER_WEB: '.escalier/web',
  });
  try {
    await teach(school, ROUNDS / 5);
    const peerValue = await teach(school, ROUNDS);
    const guessers = new Worker(GUESSERS, { eval: true, workerData: { address: school.address } });
    await new Promise((resolve) => guessers.once('message', resolve));
    const value = await teach(school, ROUNDS);
    await guessers.terminate();
    return { value, peerValue };
  } finally {
    await school.stop();
  }
}

/** Milliseconds within which 99 of 100 of the teacher's requests are answered. */
async function teach(school: School, rounds: number): Promise<number> {
  const { address, cookie } = school;
  const times: number[] = [];
  const asked: readonly ((round: number) => Promise<unknown>)[] = [
    () => fetch(`${address}/api/classes`, { headers: { cookie } }).then((answer) => answer.text()),
    (round) => postMark(school, round),
    () => fetch(`${address}/`, { headers: { cookie } }).then((answer) => answer.text()),
  ];
  for (let round = 0; round < rounds; round++) {
    const start = performance.now();
    await asked[round % asked.length]!(round);
    times.push(performance.now() - start);
    const left = EACH_MS - (performance.now() - start);
    if (left > 0) await new Promise((resolve) => setTimeout(resolve, left));
  }
  return times.toSorted((a, b) => a - b)[Math.floor(0.99 * rounds)]!;
}

/** Plain JavaScript, for a thread of its own: its work is not the server's. */
const GUESSERS = `
const { workerData, parentPort } = require('node:worker_threads');
const { setPriority } = require('node:os');
setPriority(15);
const { address } = workerData;
let number = 0;
const post = (path, body) => {
  number += 1;
  const from = '198.' + (18 + (number >> 16) % 2) + '.' + ((number >> 8) & 255) + '.' + (number & 255);
  const headers = { 'content-type': 'application/json', 'x-forwarded-for': from };
  return fetch(address + path, { method: 'POST', headers, body: JSON.stringify(body) }).then((answer) => answer.text(), () => '');
};
const crowd = () => Promise.all([
  ...Array.from({ length: 100 }, () => post('/api/sign-in', { email: 'stranger' + number + '@b.example', password: 'guess' })),
  ...Array.from({ length: 40 }, () => post('/api/room/words', { words: 'otter lamp river' })),
]);
(async () => {
  await crowd();
  parentPort.postMessage('begun');
  for (;;) await crowd();
})();
`;
