/** A pencil mark on the sheet, hung on ids of notes and bars. */
export type ScoreMark =
  | { readonly kind: 'ring'; readonly id: string }
  | { readonly kind: 'comma'; readonly id: string; readonly small: boolean }
  | { readonly kind: 'shade'; readonly id: string; readonly group: number }
  /** `own` is one that somebody chose; others are hard spots. */
  | { readonly kind: 'bracket'; readonly from: string; readonly to: string; readonly own?: boolean }
  | { readonly kind: 'chart'; readonly id: string; readonly pitch: string }
  | { readonly kind: 'point'; readonly id: string }
  /** A stretch of notes that comes again, by the ids of its first and last one. */
  | {
      readonly kind: 'figure';
      readonly from: string;
      readonly to: string;
      readonly letter: string;
      readonly look: 'circle' | 'line' | 'dots';
      /** How many others lie inside it: a ring keeps off those. */
      readonly depth: number;
    }
  /** Where something went wrong: at a note, or in a bar. */
  | { readonly kind: 'fault'; readonly id: string; readonly words: string }
  /** What became of a note in a recording: another came, none came, it was not tongued, one too many or a stop came before it. */
  | {
      readonly kind: 'heard';
      readonly id: string;
      readonly how: 'wrong' | 'missed' | 'slurred' | 'extra' | 'stop';
      readonly words: string;
    }
  | { readonly kind: 'now'; readonly id: string };

/** A mark with its place in pixels of the sheet: a bracket over a line's end has a place in each line. */
export interface PlacedMark {
  readonly key: string;
  readonly mark: ScoreMark;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface Box {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Where the marks stand. Scoped to the host: the same tune may stand twice on a page. */
export function placeMarks(host: HTMLElement, marks: readonly ScoreMark[]): readonly PlacedMark[] {
  const origin = host.getBoundingClientRect();
  const boxOf = (element: Element | null): Box | null => {
    if (element === null) return null;
    const { left, top, right, bottom } = element.getBoundingClientRect();
    return { left: left - origin.left, top: top - origin.top, right: right - origin.left, bottom: bottom - origin.top };
  };
  const byId = (id: string): Element | null => host.querySelector(`[id="${id}"]`);
  const head = (id: string): Box | null => boxOf(byId(id)?.querySelector('.notehead') ?? byId(id));
  const staff = (id: string): Box | null => boxOf(staffLines(byId(id)));
  const measure = (id: string): Box | null => boxOf(byId(id));
  return marks.flatMap((mark, index): PlacedMark[] => {
    const at = (box: Box | null, part = ''): PlacedMark[] =>
      box === null
        ? []
        : [
            {
              key: `${mark.kind}${index}${part}`,
              mark,
              x: box.left,
              y: box.top,
              width: box.right - box.left,
              height: box.bottom - box.top,
            },
          ];
    switch (mark.kind) {
      case 'ring':
      case 'heard':
      case 'now':
        return at(head(mark.id));
      case 'comma':
        return at(commaBox(head(mark.id), staffOf(byId(mark.id), boxOf), nextX(host, mark.id, head)));
      case 'shade':
        return at(staff(mark.id));
      case 'point':
        return at(measure(mark.id));
      case 'bracket':
        return bracketBoxes(host, mark.from, mark.to, measure, staff).flatMap((box, part) => at(box, `-${part}`));
      case 'figure':
        return stretchBoxes(host, mark, head, boxOf).flatMap((box, part) => at(box, `-${part}`));
      case 'fault':
        return at(mark.id.startsWith('n') ? overStaff(head(mark.id), staffOf(byId(mark.id), boxOf)) : staff(mark.id));
      case 'chart':
        return at(chartBox(head(mark.id), boxOf(byId(mark.id)?.closest('.system') ?? null)));
    }
  });
}

/** Verovio draws the five lines as paths that are children of the staff. */
function staffLines(measure: Element | null): Element | null {
  return measure?.querySelector('.staff') ?? null;
}

function staffOf(note: Element | null, boxOf: (element: Element | null) => Box | null): Box | null {
  const lines = [...(note?.closest('.staff')?.children ?? [])].filter((child) => child.tagName === 'path').map(boxOf);
  const [first, last] = [lines[0], lines.at(-1)];
  if (first === undefined || first === null || last === undefined || last === null) return null;
  return { ...first, bottom: last.bottom };
}

/** The next notehead of the same line, where a comma stands before it. */
function nextX(host: HTMLElement, id: string, head: (id: string) => Box | null): number | null {
  const notes = [...host.querySelectorAll('.note, .rest')].filter((note) => note.id.startsWith(id.split('-')[0]!));
  const at = notes.findIndex((note) => note.id === id);
  const next = notes[at + 1];
  return next === undefined ? null : (head(next.id)?.left ?? null);
}

/** A cross at a note stands over the staff, or over the note where that is higher. */
function overStaff(head: Box | null, staff: Box | null): Box | null {
  return head === null || staff === null ? head : { ...head, top: Math.min(head.top, staff.top) };
}

function commaBox(head: Box | null, staff: Box | null, next: number | null): Box | null {
  if (head === null || staff === null) return null;
  const x =
    next !== null && next > head.right
      ? Math.min(next - 10, head.right + (next - head.right) * 0.6)
      : Math.min(staff.right - 4, head.right + 16);
  return { left: x, right: x + 1, top: staff.top, bottom: staff.top + 1 };
}

function chartBox(head: Box | null, system: Box | null): Box | null {
  if (head === null || system === null) return null;
  const middle = (head.left + head.right) / 2;
  return { left: middle, right: middle, top: system.bottom + 2, bottom: system.bottom + 2 };
}

/** The boxes of notes from one to another, one for each line of the sheet. */
function stretchBoxes(
  host: HTMLElement,
  { from, to, look }: Extract<ScoreMark, { kind: 'figure' }>,
  head: (id: string) => Box | null,
  boxOf: (element: Element | null) => Box | null,
): readonly Box[] {
  const part = from.split('-')[0]!;
  const events = [...host.querySelectorAll('.note, .rest')].filter((each) => each.id.startsWith(`${part}-`));
  const indexOf = (id: string): number => events.findIndex((event) => event.id === id);
  const lines = new Map<Element | null, Box>();
  for (const event of events.slice(indexOf(from), indexOf(to) + 1)) {
    const headBox = head(event.id);
    if (headBox === null) continue;
    // A ring goes around the heads; a line stands over the staff.
    const top = look === 'circle' ? headBox.top : Math.min(headBox.top, staffOf(event, boxOf)?.top ?? headBox.top);
    const box = { ...headBox, top };
    const system = event.closest('.system');
    const before = lines.get(system) ?? box;
    lines.set(system, {
      left: Math.min(before.left, box.left),
      right: Math.max(before.right, box.right),
      top: Math.min(before.top, box.top),
      bottom: Math.max(before.bottom, box.bottom),
    });
  }
  return [...lines.values()];
}

/** One box for each line of the sheet that the stretch crosses. */
function bracketBoxes(
  host: HTMLElement,
  from: string,
  to: string,
  measure: (id: string) => Box | null,
  staff: (id: string) => Box | null,
): readonly Box[] {
  const ids = [...host.querySelectorAll('.measure')].map((each) => each.id);
  const stretch = ids.slice(ids.indexOf(from), ids.indexOf(to) + 1);
  const lines = new Map<Element | null, Box>();
  for (const id of stretch) {
    const box = measure(id);
    if (box === null) continue;
    const system = host.querySelector(`[id="${id}"]`)?.closest('.system') ?? null;
    const before = lines.get(system);
    const top = Math.min(box.top, staff(id)?.top ?? box.top);
    lines.set(
      system,
      before === undefined ? { ...box, top } : { ...before, right: box.right, top: Math.min(before.top, top) },
    );
  }
  return [...lines.values()];
}
