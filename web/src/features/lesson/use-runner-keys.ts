import type { RungId } from '@escalier/core/practice';
import { useFullscreen } from '@vueuse/core';
import type { Ref } from 'vue';
import { onActionKey, useTaps, type KeyAction } from '../../ui/action-keys.ts';
import { POSES } from './stage.ts';
import type { Happening } from './store.ts';
import type { useStage } from './use-stage.ts';

interface Runner {
  readonly stage: ReturnType<typeof useStage>;
  readonly rungs: Ref<readonly RungId[]>;
  readonly note: (happening: Happening) => void;
  readonly goOn: () => void;
  readonly goBack: () => void;
  readonly skip: () => void;
  readonly again: () => void;
  readonly keysOpen: Ref<boolean>;
  readonly isLarge: Ref<boolean>;
}

/** What the keys do while a lesson runs. */
export function useRunnerKeys({ stage, rungs, note, goOn, goBack, skip, again, keysOpen, isLarge }: Runner): void {
  const screen = useFullscreen();

  function loop(): void {
    const { player, tune } = stage;
    player.loop(
      player.loopBars.value === null
        ? (tune.spotBars.value ?? [0, (tune.info.value?.barNumbers.length ?? 1) - 1])
        : null,
    );
  }

  /** ↑ and ↓ turn the lines of a tune that stands still, and set the tempo of all that sounds. */
  function upOrDown(by: 1 | -1): void {
    if (stage.canTurn.value && !stage.isPlaying.value) stage.nextItem(-by);
    else stage.changeTempo(by);
  }

  const tap = useTaps();
  function tapTempo(): void {
    const perMinute = tap(performance.now());
    if (perMinute !== null) stage.setTempo(perMinute);
  }

  function showTurn(kind: 'rows' | 'lot'): void {
    stage.turns.next(kind);
    stage.show('turn');
  }

  const ACTIONS: Readonly<Record<KeyAction, () => unknown>> = {
    play: stage.toggle,
    next: goOn,
    back: goBack,
    faster: () => upOrDown(1),
    slower: () => upOrDown(-1),
    tap: tapTempo,
    item: () => stage.nextItem(1),
    'item-back': () => stage.nextItem(-1),
    loop,
    melody: () => stage.player.switchVoice('melody'),
    backing: () => stage.player.switchVoice('along'),
    click: () => stage.player.switchVoice('click'),
    names: stage.switchNames,
    again,
    skip,
    row: () => showTurn('rows'),
    lot: () => showTurn('lot'),
    quiet: () => stage.show(stage.scene.value === 'quiet' ? null : 'quiet'),
    silence: stage.silence,
    dark: stage.switchDark,
    large: () => (isLarge.value = !isLarge.value),
    full: () => void screen.toggle().catch(() => undefined),
  };
  onActionKey(
    ACTIONS,
    (number) => {
      const rung = rungs.value[number - 1];
      const pose = POSES[number - 1];
      if (rung !== undefined) note({ kind: 'rung', rung });
      else if (stage.block.value?.kind === 'settle' && pose !== undefined) stage.show(pose);
    },
    () => !keysOpen.value,
  );
}
