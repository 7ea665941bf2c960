import { api, ApiError, ask } from '../api.ts';
import { SendFault, type Send } from './outbox.ts';

/** Sends events to the school, with the device's time of sending. */
export const sendToSchool: Send = async (events) => {
  const sent = events.map((event) => {
    const { receipt: _receipt, ...rest } = event;
    return rest.kind === 'heard' ? { ...rest, remarks: [...rest.remarks] } : rest;
  });
  try {
    const { results } = await ask(
      api.hearing.events.$post({ json: { sentAt: new Date().toISOString(), events: sent } }),
    );
    return results;
  } catch (problem) {
    if (!(problem instanceof ApiError)) throw problem;
    if (problem.code === 'signed-out') throw new SendFault('signed-out', problem.message);
    const unreadable = problem.code === 'wrong-input' || problem.code === 'unreadable';
    throw new SendFault(unreadable ? 'unreadable' : 'offline', Object.values(problem.fields)[0] ?? problem.message);
  }
};
