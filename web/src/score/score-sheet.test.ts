import { afterEach, describe, expect, it, vi } from 'vitest';
import { mountInApp } from '../testing/mount.ts';
import type { ScoreMark } from './marks.ts';
import ScoreSheet from './ScoreSheet.vue';
import { eventually } from '../testing/eventually.ts';

/** Two systems of one bar with two notes each, as Verovio nests them; `data-box` says where things are, in pixels. */
function sheet(): string {
  const note = (id: string, x: number, y: number): string =>
    `<g class="note" id="${id}"><g class="notehead" data-box="${x} ${y} 10 8"></g></g>`;
  const lines = (y: number): string => [0, 40].map((off) => `<path data-box="0 ${y + off} 300 0"></path>`).join('');
  const system = (bar: string, y: number, notes: string): string =>
    `<g class="system" data-box="0 ${y} 300 90"><g class="measure" id="${bar}" data-box="0 ${y} 300 80">` +
    `<g class="staff" data-box="0 ${y + 10} 300 40">${lines(y + 10)}${notes}</g></g></g>`;
  return (
    system('b0', 0, note('p0-b0-e0', 50, 20) + note('p0-b0-e1', 150, 25)) +
    system('b1', 100, note('p0-b1-e0', 50, 120) + note('p0-b1-e1', 150, 125))
  );
}

const engrave = vi.hoisted(() => vi.fn());
const inWords = vi.hoisted(() => vi.fn(() => Promise.resolve(['4/4 time, 2 bars.', 'Bar 1: B crotchet.'])));
vi.mock('../workers/index.ts', () => ({ tuneWorker: () => ({ engrave, inWords }) }));

function boxesFromData(): void {
  vi.spyOn(Element.prototype, 'getBoundingClientRect').mockImplementation(function (this: Element) {
    const [x = 0, y = 0, width = 0, height = 0] = (this.getAttribute('data-box') ?? '').split(' ').map(Number);
    return { left: x, top: y, width, height, right: x + width, bottom: y + height } as DOMRect;
  });
}
afterEach(() => vi.restoreAllMocks());

async function shown(marks: readonly ScoreMark[]) {
  boxesFromData();
  engrave.mockResolvedValue({ ok: true, value: { svg: `<svg>${sheet()}</svg>` } });
  const { wrapper, setProps } = mountInApp(ScoreSheet, {
    abc: 'X:1',
    title: 'Goose Walk',
    instrumentId: 'soprano-recorder-baroque',
    naming: 'letters',
    marks,
  });
  await eventually(() => wrapper.get('.engraving svg'));
  return { wrapper, setProps };
}

it('is there in words for who cannot see it, as the class names notes and lengths; a question stays one', async () => {
  const { wrapper, setProps } = await shown([]);
  await eventually(() => expect(wrapper.get('ol[aria-label="Goose Walk in words"]').text()).toContain('B crotchet'));
  expect(inWords.mock.calls.at(-1)).toMatchObject([{ abc: 'X:1' }, { naming: 'letters', lengths: 'british' }]);
  await setProps({ lengths: 'american', namesAloud: 'fixed-do' });
  await eventually(() =>
    expect(inWords.mock.calls.at(-1)).toMatchObject([{}, { naming: 'fixed-do', lengths: 'american' }]),
  );
  await setProps({ plain: true, abc: 'X:2' });
  await eventually(() => expect(wrapper.find('ol').exists()).toBe(false));
});

describe('pencil marks on the sheet', () => {
  it('stand round noteheads, over bars and in each line that they cross', async () => {
    const { wrapper } = await shown([
      { kind: 'ring', id: 'p0-b0-e1' },
      { kind: 'shade', id: 'b1', group: 1 },
      { kind: 'bracket', from: 'b0', to: 'b1' },
    ]);
    const ring = await eventually(() => wrapper.get('ellipse'));
    expect([ring.attributes('cx'), ring.attributes('cy')]).toEqual(['155', '29']);
    expect(wrapper.get('.shade-1').attributes()).toMatchObject({ x: '-2', y: '102', width: '302' });
    expect(wrapper.get('.shade-letter').text()).toBe('b');
    expect(wrapper.findAll('.bracket').map((element) => element.attributes('d'))).toEqual([
      'M3 -8v-8h294v8',
      'M3 92v-8h294v8',
    ]);
  });

  it('put a breath between a note and the next, and at the end of a line before its edge', async () => {
    const { wrapper } = await shown([
      { kind: 'comma', id: 'p0-b0-e0', small: false },
      { kind: 'comma', id: 'p0-b1-e1', small: true },
    ]);
    await eventually(() => wrapper.get('.comma'));
    const [between, last] = wrapper.findAll('.comma');
    expect(between!.attributes('x')).toBe('114');
    expect(between!.attributes('y')).toBe('18');
    expect(last!.classes()).toContain('small');
    expect(last!.attributes('x')).toBe('176');
  });

  it('hang charts of fingerings below their line, and follow when the marks change', async () => {
    const { wrapper, setProps } = await shown([{ kind: 'chart', id: 'p0-b0-e0', pitch: 'B4' }]);
    await eventually(() => expect(wrapper.findComponent({ name: 'FingerDots' }).exists()).toBe(true));
    await setProps({ marks: [{ kind: 'now', id: 'p0-b1-e0' }] });
    expect(wrapper.findComponent({ name: 'FingerDots' }).exists()).toBe(false);
    expect(wrapper.get('.now').attributes()).toMatchObject({ x: '43', y: '80' });
  });

  it('are left out where the sheet has no such note, and a tune that cannot be read says why', async () => {
    const { wrapper } = await shown([{ kind: 'ring', id: 'p0-b9-e9' }]);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(wrapper.find('ellipse').exists()).toBe(false);
    engrave.mockResolvedValue({ ok: false, error: [{ message: 'Bar 2 is too long.' }] });
    const other = mountInApp(ScoreSheet, {
      abc: '?',
      title: 'Broken',
      instrumentId: 'soprano-recorder-baroque',
      naming: null,
      marks: [],
    });
    await eventually(() => expect(other.wrapper.get('[role=alert]').text()).toBe('Bar 2 is too long.'));
  });
});
