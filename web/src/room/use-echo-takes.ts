import type { Seconds } from '@escalier/core/units';
import { watch, type Ref } from 'vue';
import { useTake, type Take } from '../sound/index.ts';
import type { PieceTurn } from '../workers/index.ts';

/** All turns of a part. */
const LONGEST: Seconds = 180;
/** Whoever plays it back comes in a little early: before that it is the device that still sounds. */
const EARLY: Seconds = 0.05;

interface Echo {
  readonly turn: PieceTurn;
  readonly from: Seconds;
  to: Seconds;
}

/** What the microphone heard in the pupil's turns, cut out of one recording. Call it in `setup`. */
export function useEchoTakes(turn: Ref<PieceTurn | null>) {
  const take = useTake(LONGEST);
  let echoes: Echo[] = [];

  watch(
    turn,
    (now, before) => {
      const last = echoes.at(-1);
      if (before?.who === 'class' && last !== undefined) last.to = take.soFar();
      if (now?.who === 'class' && take.isOn.value) echoes.push({ turn: now, from: take.soFar(), to: Infinity });
    },
    { flush: 'sync' },
  );

  async function start(): Promise<void> {
    echoes = [];
    await take.start();
  }

  /** Each with what was to be played; empty where nobody had a turn. */
  function finish(): readonly (Take & { readonly stretch: PieceTurn })[] {
    const made = take.finish();
    if (made === null) return [];
    const { samples, rate } = made;
    return echoes.map(({ turn: stretch, from, to }) => ({
      stretch,
      rate,
      samples: samples.slice(Math.max(0, (from - EARLY) * rate), Math.min(samples.length, to * rate)),
    }));
  }

  return { error: take.error, start, finish, forget: take.forget };
}
