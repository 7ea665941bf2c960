import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useDrawing } from './use-drawing.ts';

const pick = vi.fn();
const draw = vi.fn();
let isOn = true;

function sheet() {
  document.body.innerHTML =
    '<div><g class="measure" id="b0"><g class="note" id="n0-0-0"><i id="head"></i></g></g><g class="measure" id="b1"></g><g class="measure" id="b2"></g></div>';
  const drawing = useDrawing(() => isOn, pick, draw);
  const at = (id: string, button = 0): PointerEvent =>
    ({ target: document.getElementById(id), button }) as unknown as PointerEvent;
  return { ...drawing, at };
}

beforeEach(() => {
  vi.clearAllMocks();
  isOn = true;
});

describe('a finger on the sheet', () => {
  it('picks the bar, and the note in it', () => {
    const { pointDown, pointUp, at } = sheet();
    pointDown(at('head'));
    pointUp(at('head'));
    expect(pick).toHaveBeenLastCalledWith('b0', 'n0-0-0');
    pointDown(at('b1'));
    pointUp(at('b1'));
    expect(pick).toHaveBeenLastCalledWith('b1', null);
    expect(draw).not.toHaveBeenCalled();
  });

  it('draws over bars, also back to where it began, and picks nothing then', () => {
    const { pointDown, pointOver, pointUp, drawn, at } = sheet();
    pointDown(at('b0'));
    pointOver(at('b1'));
    pointOver(at('b2'));
    expect(drawn.value).toEqual(['b0', 'b2']);
    pointOver(at('b0'));
    pointUp(at('b0'));
    expect(draw).toHaveBeenCalledWith('b0', 'b0');
    expect(pick).not.toHaveBeenCalled();
    expect(drawn.value).toBeNull();
  });

  it('does nothing when it leaves the sheet, with another button, or where nobody may point', () => {
    const { pointDown, pointOver, pointUp, pointCancel, at } = sheet();
    pointDown(at('b0'));
    pointCancel();
    pointUp(at('b0'));
    pointDown(at('b0', 2));
    pointUp(at('b0'));
    isOn = false;
    pointDown(at('b0'));
    pointOver(at('b1'));
    pointUp(at('b1'));
    expect(pick).not.toHaveBeenCalled();
    expect(draw).not.toHaveBeenCalled();
  });
});
