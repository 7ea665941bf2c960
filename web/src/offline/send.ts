import { recordedAll } from '@escalier/contract/results';
import { api, ApiError, ask } from '../api.ts';
import { SendProblem, type Send } from './outbox.ts';

/** A poor network may never answer: then it is tried anew. */
const LONGEST_MS = 15_000;

/** Sends events to the school, with the device's time of sending. */
export const sendToSchool: Send = async (events) => {
  const sent = events.map(({ receipt: _receipt, ...event }) => event);
  try {
    const json = { sentAt: new Date().toISOString(), events: sent };
    const init = { signal: AbortSignal.timeout(LONGEST_MS) };
    const { results } = await ask(api.hearing.events.$post({ json }, { init }), recordedAll);
    return results;
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    if (problem.code === 'signed-out') throw new SendProblem('signed-out', problem.message);
    throw new SendProblem(kindOf(problem), Object.values(problem.fields)[0] ?? problem.message);
  }
};

/** 502 to 504 come from a proxy or a server without its database: they say nothing about what was sent. */
function kindOf({ status }: ApiError): SendProblem['kind'] {
  if (status === 500) return 'broken';
  return status >= 400 && status < 500 && status !== 408 && status !== 429 ? 'unreadable' : 'offline';
}
