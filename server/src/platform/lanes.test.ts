import { expect, it } from 'vitest';
import { Lanes } from './lanes.ts';

it('lets a crowd of one kind wait behind the first of another', () => {
  const lanes = new Lanes<string>();
  for (const item of ['a1', 'a2', 'a3']) lanes.push('a', item);
  lanes.push('b', 'b1');
  expect([lanes.size, lanes.sizeOf('a'), lanes.sizeOf('c')]).toEqual([4, 3, 0]);
  expect(Array.from({ length: 5 }, () => lanes.shift())).toEqual(['a1', 'b1', 'a2', 'a3', null]);
  expect(lanes.size).toBe(0);
});
