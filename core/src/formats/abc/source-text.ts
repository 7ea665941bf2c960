import type { TextPlace } from '../notice.ts';

/** The text of a tune, asked for the places of its letters. */
export class SourceText {
  readonly source: string;
  /** Lines of the file that stand above the tune. */
  readonly linesBefore: number;
  readonly #starts: readonly number[];

  constructor(source: string, linesBefore = 0) {
    this.source = source;
    this.linesBefore = linesBefore;
    let at = 0;
    this.#starts = source.split('\n').map((line) => {
      const start = at;
      at += line.length + 1;
      return start;
    });
  }

  /** The line that a letter is in, counted from 0. */
  lineIndex(index: number): number {
    let [low, high] = [0, this.#starts.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.#starts[middle]! <= index) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  placeOf(index: number): TextPlace {
    const line = this.lineIndex(index);
    return { line: this.linesBefore + line + 1, column: index - this.#starts[line]! + 1 };
  }
}
