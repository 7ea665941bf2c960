import { describe, expect, it } from 'vitest';
import { mayAsk } from './roles.ts';

describe('what a role may ask for', () => {
  it.each([
    ['GET', '/api/classes/1', true],
    ['GET', '/api/classes/1/steps/2', true],
    ['POST', '/api/hearing/events', true],
    ['GET', '/api/hearing/live', true],
    ['PUT', '/api/pupils/p/absence', true],
    ['GET', '/api/classes/c/records', true],
    ['GET', '/api/classes/1/pupils', false],
    ['GET', '/api/classes/1/settings', false],
    ['PUT', '/api/pupils/1', false],
    ['PUT', '/api/classes/1/tunes/2', false],
    ['GET', '/api/instruments', false],
    // What nobody has thought of is closed.
    ['GET', '/api/something-new', false],
    ['POST', '/api/session', false],
  ] as const)('an assistant, %s %s: %s', (method, path, may) => {
    expect(mayAsk('assistant', method, path)).toBe(may);
  });

  it.each([
    ['GET', '/api/people', false],
    ['POST', '/api/people/1/password-link', false],
    ['GET', '/api/archive/tables.zip', false],
    ['GET', '/api/changes', false],
    ['POST', '/api/pupils/1/erase', false],
    ['PUT', '/api/school', false],
    ['PUT', '/api/school/cautions', true],
    ['PUT', '/api/pupils/1', true],
    ['POST', '/api/instruments/lend', true],
  ] as const)('a teacher, %s %s: %s', (method, path, may) => {
    expect(mayAsk('teacher', method, path)).toBe(may);
    expect(mayAsk('owner', method, path)).toBe(true);
  });
});
