import { afterEach, describe, expect, it, vi } from 'vitest';
import { effectScope } from 'vue';
import * as z from 'zod/mini';
import { useKeptList } from './kept-list.ts';

const scope = effectScope();
const listIn = () => scope.run(() => useKeptList('kept-test', z.number()))!;
afterEach(() => {
  localStorage.clear();
  vi.restoreAllMocks();
});

describe('a list that is kept on the device', () => {
  it('is there after a reload', () => {
    listIn().change((now) => [...now, 1]);
    expect(listIn().list.value).toEqual([1]);
  });

  it('loses nothing when two tabs write one after the other', () => {
    const [one, other] = [listIn(), listIn()];
    one.change((now) => [...now, 1]);
    // This tab has not heard of it yet.
    other.change((now) => [...now, 2]);
    expect(other.list.value).toEqual([1, 2]);
    window.dispatchEvent(new StorageEvent('storage', { key: 'kept-test' }));
    expect(one.list.value).toEqual([1, 2]);
  });

  it('shows what it can read, and keeps what another version has written', () => {
    localStorage.setItem('kept-test', '[1, {"of": "another version"}]');
    const list = listIn();
    expect(list.list.value).toEqual([1]);
    list.change((now) => [...now, 2]);
    expect(JSON.parse(localStorage.getItem('kept-test')!)).toEqual([{ of: 'another version' }, 1, 2]);
  });

  it('starts anew where something else lies there, and lives without a disk', () => {
    localStorage.setItem('kept-test', '{"not": "a list"}');
    expect(listIn().list.value).toEqual([]);
    localStorage.setItem('kept-test', 'no JSON');
    expect(listIn().list.value).toEqual([]);
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const list = listIn();
    list.change((now) => [...now, 3]);
    expect(list.list.value).toEqual([3]);
    list.change((now) => [...now, 4]);
    expect(list.list.value).toEqual([3, 4]);
  });
});
