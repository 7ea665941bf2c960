import { t } from '../messages.ts';
import '../english.ts';
import { readAbc } from '@escalier/core/formats';
import {
  makeHandout,
  NoHandout,
  type Answer,
  type Handout,
  type HandoutKind,
  type HandoutRequest,
} from '@escalier/core/handouts';
import { instrument, type InstrumentId } from '@escalier/core/instruments';
import { byHeight, parsePitch, type Tune } from '@escalier/core/music';
import {
  createPaperEngraver,
  FONT_NAMES,
  keyHandout,
  layOut,
  Letters,
  toPdf,
  toSvg,
  type FontFiles,
  type Laid,
  type LayOutSettings,
  type PaperEngraver,
} from '@escalier/paper';
import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import boldExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url';
import text from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import textExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url';
import heading from '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-700-normal.woff?url';
import headingExt from '@fontsource/bricolage-grotesque/files/bricolage-grotesque-latin-ext-700-normal.woff?url';
import cyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff?url';
import cyrillicBold from '@fontsource/noto-sans/files/noto-sans-cyrillic-700-normal.woff?url';
import greek from '@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff?url';
import greekBold from '@fontsource/noto-sans/files/noto-sans-greek-700-normal.woff?url';
import vietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-400-normal.woff?url';
import vietnameseBold from '@fontsource/noto-sans/files/noto-sans-vietnamese-700-normal.woff?url';
import music from '@escalier/paper/leipzig.ttf?url';
import { expose } from 'comlink';
import { loadToolkit } from './verovio.ts';

/** A request as it goes to the worker: tunes as their texts, notes by their names. */
export interface PrintRequest extends Omit<
  HandoutRequest,
  'on' | 'notes' | 'elements' | 'tune' | 'easier' | 'schoolClass'
> {
  readonly kind: HandoutKind;
  readonly instrumentId: string;
  readonly notes: readonly string[];
  readonly elements: readonly string[];
  readonly abc: string | null;
  readonly easierAbc: string | null;
  readonly schoolClass: Omit<HandoutRequest['schoolClass'], 'steps'> & {
    readonly steps: readonly (Omit<HandoutRequest['schoolClass']['steps'][number], 'tune'> & {
      readonly abc: string | null;
    })[];
  };
}

export interface HandoutView {
  readonly title: string;
  /** A page each. */
  readonly pages: readonly string[];
  readonly warnings: readonly string[];
  readonly key: readonly Answer[];
}

/** Told how far the work is, 0 to 1. */
export type HandoutProgress = (share: number) => void;

const FONT_ADDRESSES: Readonly<Record<(typeof FONT_NAMES)[number], string>> = {
  text,
  bold,
  heading,
  music,
  'text-ext': textExt,
  'bold-ext': boldExt,
  'heading-ext': headingExt,
  'text-cyrillic': cyrillic,
  'text-greek': greek,
  'text-vietnamese': vietnamese,
  'bold-cyrillic': cyrillicBold,
  'bold-greek': greekBold,
  'bold-vietnamese': vietnameseBold,
};

interface Press {
  readonly fonts: FontFiles;
  readonly letters: Letters;
  readonly engraver: PaperEngraver;
}

let press: Promise<Press> | null = null;

function openPress(): Promise<Press> {
  press ??= (async () => {
    const files = await Promise.all(
      FONT_NAMES.map(async (name) => {
        const answer = await fetch(FONT_ADDRESSES[name]);
        if (!answer.ok) throw new Error('a font did not come');
        return [name, new Uint8Array(await answer.arrayBuffer())] as const;
      }),
    );
    const fonts = Object.fromEntries(files) as FontFiles;
    const letters = new Letters(fonts);
    return { fonts, letters, engraver: createPaperEngraver(letters, await loadToolkit()) };
  })();
  press.catch(() => (press = null));
  return press;
}

function tuneOf(abc: string | null): Tune | null {
  const read = abc === null ? null : readAbc(abc);
  return read?.ok === true ? read.value.tune : null;
}

function handoutOf({
  kind,
  instrumentId,
  notes,
  elements,
  abc,
  easierAbc,
  schoolClass,
  ...rest
}: PrintRequest): Handout {
  return makeHandout(kind, {
    ...rest,
    on: instrument(instrumentId as InstrumentId),
    notes: notes.flatMap((name) => parsePitch(name) ?? []).toSorted(byHeight),
    elements: new Set(elements),
    tune: tuneOf(abc),
    easier: tuneOf(easierAbc),
    schoolClass: { ...schoolClass, steps: schoolClass.steps.map((step) => ({ ...step, tune: tuneOf(step.abc) })) },
  });
}

/** Laid out and kept, for the file that is asked for next is mostly of the sheet that is seen. */
let seen: { readonly key: string; readonly laid: Laid; readonly handout: Handout } | null = null;

async function laidOut(request: PrintRequest, settings: LayOutSettings, progress: HandoutProgress) {
  const key = JSON.stringify([request, settings]);
  if (seen?.key === key) return seen;
  const { letters, engraver } = await openPress();
  const handout = handoutOf(request);
  const laid = layOut(handout, { letters, engraver }, settings, (share) => {
    progress(share);
    return true;
  });
  seen = { key, laid, handout };
  return seen;
}

/** @returns a sentence where no sheet can be made. */
async function preview(
  request: PrintRequest,
  settings: LayOutSettings,
  progress: HandoutProgress,
): Promise<HandoutView | string> {
  try {
    const { laid, handout } = await laidOut(request, settings, progress);
    const { letters } = await openPress();
    const pages = laid.pages.map((page, index) =>
      toSvg(page, letters, t('handouts.worker.title-page-index', { title: laid.title, index: index + 1 })),
    );
    return { title: laid.title, pages, warnings: laid.warnings, key: handout.key };
  } catch (problem) {
    if (problem instanceof NoHandout) return problem.message;
    throw problem;
  }
}

/** The sheet, or its answers, as one PDF. */
async function pdf(
  request: PrintRequest,
  settings: LayOutSettings,
  of: 'sheet' | 'key',
  progress: HandoutProgress,
): Promise<Uint8Array> {
  const { laid, handout } = await laidOut(request, settings, progress);
  const { fonts, letters, engraver } = await openPress();
  const printed = of === 'sheet' ? laid : layOut(keyHandout(handout), { letters, engraver }, settings);
  return toPdf([printed], letters, fonts, printed.title);
}

/** One page as a picture in which letters are drawn: it needs no font. @param page its index. */
async function drawn(request: PrintRequest, settings: LayOutSettings, page: number): Promise<string> {
  const { laid } = await laidOut(request, settings, () => undefined);
  const { letters } = await openPress();
  return toSvg(laid.pages[page] ?? laid.pages[0]!, letters, laid.title, 'outlines');
}

const door = { preview, pdf, drawn };
export type HandoutsWorker = typeof door;
expose(door);
