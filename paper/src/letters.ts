import * as fontkit from 'fontkit';
import type { Face, Mark } from './marks.ts';

/** Of names and letters to families that the fonts of the house do not have, each with a bold one. */
export const FURTHER_SCRIPTS = ['vietnamese', 'cyrillic', 'greek'] as const;
type FurtherScript = (typeof FURTHER_SCRIPTS)[number];

/** The fonts as files: static, for PDF embeds no variable one. */
export type FontName =
  | 'text'
  | 'text-ext'
  | 'bold'
  | 'bold-ext'
  | 'heading'
  | 'heading-ext'
  | 'music'
  | `${'text' | 'bold'}-${FurtherScript}`;
export type FontFiles = Readonly<Record<FontName, Uint8Array>>;

export const FONT_NAMES: readonly FontName[] = [
  ...(['text', 'text-ext', 'bold', 'bold-ext', 'heading', 'heading-ext', 'music'] as const),
  ...FURTHER_SCRIPTS.flatMap((script) => [`text-${script}`, `bold-${script}`] as const),
];

/** Letters that one font has. */
export interface Run {
  readonly font: FontName;
  readonly text: string;
  /** For a size of 1. */
  readonly width: number;
}

/** Where a letter of a face is looked for, in this order. */
function fontsOf(face: Exclude<Face, 'music'>): readonly FontName[] {
  const further = FURTHER_SCRIPTS.map((script) => `${face === 'text' ? face : 'bold'}-${script}` as const);
  return [face, `${face}-ext`, 'text', ...further, 'music'];
}
const FONTS_OF = { text: fontsOf('text'), bold: fontsOf('bold'), heading: fontsOf('heading') } as const;

interface GlyphPath {
  translate(x: number, y: number): GlyphPath;
  toSVG(): string;
}

interface Font {
  readonly unitsPerEm: number;
  hasGlyphForCodePoint(code: number): boolean;
  layout(text: string): {
    readonly advanceWidth: number;
    readonly glyphs: readonly { readonly path: GlyphPath; readonly advanceWidth: number }[];
    readonly positions: readonly { readonly xAdvance: number; readonly xOffset: number; readonly yOffset: number }[];
  };
}

/** Splits texts by the fonts that have their letters, and measures them. */
export class Letters {
  readonly #fonts: ReadonlyMap<FontName, Font>;
  readonly #runs = new Map<string, readonly Run[]>();
  /** Letters that no font has, for a word to the teacher. */
  readonly missing = new Set<string>();

  constructor(files: FontFiles) {
    this.#fonts = new Map(
      FONT_NAMES.map((name) => [name, fontkit.create(files[name] as unknown as Buffer) as unknown as Font]),
    );
  }

  runs(text: string, face: Face): readonly Run[] {
    const key = `${face} ${text}`;
    const known = this.#runs.get(key);
    if (known !== undefined) return known;
    const runs: { font: FontName; text: string }[] = [];
    for (const letter of text) {
      const font = this.#fontFor(letter, face);
      if (font === null) continue;
      const last = runs.at(-1);
      if (last?.font === font) last.text += letter;
      else runs.push({ font, text: letter });
    }
    const measured = runs.map((run) => ({ ...run, width: this.#width(run.text, run.font) }));
    this.#runs.set(key, measured);
    return measured;
  }

  /** In points. */
  width(text: string, face: Face, size: number): number {
    return size * this.runs(text, face).reduce((sum, run) => sum + run.width, 0);
  }

  widthOf = (mark: Extract<Mark, { kind: 'text' }>): number => this.width(mark.text, mark.face, mark.size);

  /** Lines no wider than that, broken between words; a word that is wider by itself stays whole. */
  lines(text: string, face: Face, size: number, width: number): readonly string[] {
    const lines: string[] = [];
    for (const word of text.split(' ')) {
      const last = lines.at(-1);
      const longer = last === undefined ? word : `${last} ${word}`;
      if (last !== undefined && this.width(longer, face, size) <= width) lines[lines.length - 1] = longer;
      else lines.push(word);
    }
    return lines;
  }

  /** Units of a font for a size of 1. */
  unitsOf(font: FontName): number {
    return this.#fonts.get(font)!.unitsPerEm;
  }

  /** The shapes of a run, in the font's units, y up. */
  outline({ font, text }: Run): string {
    const { glyphs, positions } = this.#fonts.get(font)!.layout(text);
    let x = 0;
    return glyphs
      .map(({ path }, index) => {
        const { xAdvance, xOffset, yOffset } = positions[index]!;
        const d = path.translate(x + xOffset, yOffset).toSVG();
        x += xAdvance;
        return d;
      })
      .join('');
  }

  #fontFor(letter: string, face: Face): FontName | null {
    const code = letter.codePointAt(0)!;
    const names = face === 'music' ? (['music'] as const) : FONTS_OF[face];
    const found = names.find((name) => this.#fonts.get(name)!.hasGlyphForCodePoint(code));
    if (found === undefined) this.missing.add(letter);
    return found ?? null;
  }

  #width(text: string, name: FontName): number {
    const font = this.#fonts.get(name)!;
    return font.layout(text).advanceWidth / font.unitsPerEm;
  }
}
