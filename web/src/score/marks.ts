/** A pencil mark on the sheet, hung on the id of a note. */
export interface ScoreMark {
  readonly id: string;
  readonly kind: 'ring';
}

export interface Ring {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly rx: number;
  readonly ry: number;
}

const RING_SPACE = 5;

/** Where the rings stand, in pixels of the host. Scoped to the host: the same tune may stand twice on a page. */
export function placeRings(host: HTMLElement, marks: readonly ScoreMark[]): readonly Ring[] {
  const origin = host.getBoundingClientRect();
  return marks.flatMap((mark) => {
    const head = host.querySelector(`[id="${mark.id}"] .notehead`) ?? host.querySelector(`[id="${mark.id}"]`);
    if (head === null) return [];
    const box = head.getBoundingClientRect();
    return [
      {
        id: mark.id,
        x: box.left - origin.left + box.width / 2,
        y: box.top - origin.top + box.height / 2,
        rx: box.width / 2 + RING_SPACE,
        ry: box.height / 2 + RING_SPACE,
      },
    ];
  });
}
