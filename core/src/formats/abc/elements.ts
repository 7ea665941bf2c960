import abcjs from 'abcjs';

/** The part of abcjs's output that the reader uses; its own types leave much of it open. */
export interface AbcNoteElement {
  readonly el_type: 'note';
  /** Index in the text. */
  readonly startChar: number;
  readonly duration: number;
  readonly rest?: { readonly type: string; readonly text?: number };
  readonly pitches?: readonly AbcPitch[];
  /** Around a chord; around a single note they stand at its pitch. */
  readonly startSlur?: readonly unknown[];
  readonly endSlur?: readonly unknown[];
  readonly decoration?: readonly string[];
  readonly chord?: readonly { readonly name: string; readonly position?: string }[];
  readonly gracenotes?: readonly AbcPitch[];
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
}

export interface AbcPitch {
  readonly pitch: number;
  readonly accidental?: string;
  readonly startTie?: unknown;
  readonly startSlur?: readonly unknown[];
  readonly endSlur?: readonly unknown[];
}

export interface AbcBarElement {
  readonly el_type: 'bar';
  readonly type: string;
  readonly startEnding?: string;
  readonly endEnding?: boolean;
  readonly decoration?: readonly string[];
}

export interface AbcKey {
  readonly accidentals?: readonly { readonly acc: string; readonly note: string }[];
  readonly root: string;
  readonly acc: string;
  readonly mode: string;
}

export interface AbcMeter {
  readonly type: string;
  readonly value?: readonly { readonly num: string; readonly den?: string }[];
}

interface AbcTempo {
  readonly duration?: readonly number[];
  readonly bpm?: number;
}

export type AbcElement =
  | AbcNoteElement
  | AbcBarElement
  | ({ readonly el_type: 'key' } & AbcKey)
  | ({ readonly el_type: 'meter' } & AbcMeter)
  | { readonly el_type: 'clef' | 'stem' | 'tempo' | 'part' | 'scale' | 'style' | 'transpose' | 'overlay' };

export interface AbcStaff {
  readonly clef?: { readonly type: string };
  readonly key?: AbcKey;
  readonly meter?: AbcMeter;
  readonly title?: readonly string[];
  readonly voices: readonly (readonly AbcElement[])[];
}

export interface AbcTune {
  readonly lines: readonly { readonly staff?: readonly AbcStaff[] }[];
  readonly metaText: {
    readonly title?: string;
    readonly composer?: string;
    readonly source?: string;
    readonly group?: string;
    readonly tempo?: AbcTempo;
    readonly 'abc-copyright'?: string;
  };
  readonly warnings?: readonly string[];
}

/** How many tunes the text holds, and the first of them as abcjs reads it. */
export function parseWithAbcjs(text: string): AbcTune | null {
  const [first] = abcjs.parseOnly(text) as unknown as readonly AbcTune[];
  return first ?? null;
}
