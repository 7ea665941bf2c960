import type { Extent } from '@escalier/core/records';
import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { mountInApp } from '../../testing/mount.ts';
import { clearPage } from '../../testing/page.ts';
import { tuneInfo } from '../../testing/tune-info.ts';
import { extentOf, linesOf } from './extent.ts';
import FaultTools from './FaultTools.vue';

const GOOSE = tuneInfo('B A G2|B A G2|A B A G|E4|\nB A G2|B A G2|A G E E|G4|]');
const UPBEAT = tuneInfo('D|G2 B2|A3 D|\nG2 A2|G3|]');

beforeEach(() => setActivePinia(createPinia()));
afterEach(clearPage);

describe('a part of a tune', () => {
  it('goes from the first bar named to the last, either way', () => {
    expect(extentOf(GOOSE, 2, 5, false)).toEqual({ bars: [3, 6], indices: [2, 5], slowly: false });
    expect(extentOf(GOOSE, 5, 2, true)).toEqual({ bars: [3, 6], indices: [2, 5], slowly: true });
  });

  it('has the pickup with bar 1, and never says bar 0', () => {
    expect(extentOf(UPBEAT, 1, 2, false)).toEqual({ bars: [1, 2], indices: [0, 2], slowly: false });
    expect(extentOf(UPBEAT, 0, 0, false).bars).toEqual([1, 1]);
  });

  it('is each line, and all lines together are the whole', () => {
    expect(linesOf(GOOSE).map(({ bars }) => bars)).toEqual([
      [1, 4],
      [5, 8],
    ]);
    const covered = linesOf(UPBEAT).flatMap(({ indices: [first, last] }) =>
      Array.from({ length: last - first + 1 }, (_, step) => first + step),
    );
    expect(covered).toEqual(UPBEAT.barNumbers.map((_, index) => index));
    expect(linesOf(tuneInfo('B A G2|G4|]'))).toEqual([]);
  });
});

describe('the tools beside the sheet', () => {
  const shown = (extent: Extent | null) => {
    const faults = [{ bar: 3, barIndex: 2, remark: 'stopped' }];
    return mountInApp(FaultTools, { info: GOOSE, faults, extent });
  };

  it('choose a line, keep a drawn part among the choices, and take a fault away', async () => {
    const { wrapper } = shown(extentOf(GOOSE, 1, 2, true));
    const field = wrapper.get('[aria-label="What is heard"]');
    expect(field.findAll('option').map((element) => element.text())).toEqual([
      'All of it',
      'Line 1, bars 1 to 4',
      'Line 2, bars 5 to 8',
      'bars 2 to 3',
    ]);
    expect((field.element as HTMLSelectElement).value).toBe('3');
    await field.setValue('2');
    expect(wrapper.emitted('update:extent')!.at(-1)).toEqual([{ bars: [5, 8], indices: [4, 7], slowly: false }]);
    await wrapper.get('[aria-label="Remove: bar 3: stopped"]').trigger('click');
    expect(wrapper.emitted('unmark')).toHaveLength(1);
  });

  it('mark a bar without the sheet, and ask for slowly only where a part is heard', async () => {
    const { wrapper } = shown(null);
    expect(wrapper.find('input[type=checkbox]').exists()).toBe(false);
    await wrapper.get('[aria-label="Mark a bar"]').setValue('4');
    expect(wrapper.emitted('mark')).toEqual([[4]]);
  });
});
