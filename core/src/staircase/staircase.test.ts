import { describe, expect, it } from 'vitest';
import { readAbc } from '../formats/index.ts';
import { instrument } from '../instruments/index.ts';
import { BELTS, belt, isBeltId, readSteps } from './index.ts';

const recorder = instrument('soprano-recorder-baroque');

function tune(body: string) {
  const read = readAbc(`X:1\nT:Test\nM:4/4\nL:1/4\nK:G\n${body}\n`);
  if (!read.ok) throw new Error(read.error[0]?.message);
  return read.value.tune;
}

describe('readSteps', () => {
  const [first, settle, hands] = readSteps([tune('B A G2|G4|]'), tune('G A B2|G4|]'), tune('B A G2|E4|]')], recorder);

  it('reads each tune for a class that has learned all before it', () => {
    expect(first!.reading.notes.new).toHaveLength(3);
    expect(settle!.reading.notes.new).toHaveLength(0);
    expect(hands!.reading.notes.new.map((use) => use.name)).toEqual(['E4']);
  });

  it('rises by the sum of its parts, and a little for a tune that brings nothing else', () => {
    for (const step of [first!, settle!, hands!]) {
      const sum = step.rise.parts.reduce((total, part) => total + part.points, 0);
      expect(step.rise.total).toBeCloseTo(sum, 5);
    }
    expect(settle!.rise.parts.find((part) => part.of === 'moves')!.count).toBe(3);
    expect(settle!.rise.total).toBeLessThan(hands!.rise.total);
    expect(hands!.rise.total).toBeLessThan(first!.rise.total);
  });
});

describe('belts', () => {
  it('differ in weave as well as in colour', () => {
    expect(new Set(BELTS.map((each) => each.weave)).size).toBe(BELTS.length);
    expect(new Set(BELTS.map((each) => each.ground)).size).toBe(BELTS.length);
    expect(belt('moss').name).toBe('Moss');
    expect(isBeltId('black')).toBe(false);
  });
});
