import type { Instrument } from '@escalier/core/instruments';
import { checkSound, Tracker, type CheckedSound, type PitchReading } from '@escalier/core/listening';
import type { Pitch } from '@escalier/core/music';
import { shallowRef, type Ref } from 'vue';
import { useMicrophone } from '../../sound/index.ts';

/** What sounds now: a MIDI number, and cents off it. */
export interface Needle {
  readonly midi: number;
  readonly cents: number;
}

/** Readings that are looked at together, in seconds. */
const WINDOW_SECONDS = 2.5;

/** One held note through the microphone: what sounds now, and what it is like once it was held. */
export function useSoundCheck(on: Ref<Instrument | null>, asked: Ref<Pitch | null>) {
  const microphone = useMicrophone();
  const needle = shallowRef<Needle | null>(null);
  const found = shallowRef<CheckedSound | null>(null);
  let readings: PitchReading[] = [];
  let rate = 44_100;
  let tracker = new Tracker(rate);
  let samples = 0;

  /** Begins anew: the next pupil, or another note. */
  function again(): void {
    readings = [];
    found.value = null;
    samples = 0;
    tracker = new Tracker(rate);
  }

  async function start(): Promise<void> {
    await microphone.start(
      (perSecond) => {
        rate = perSecond;
        again();
      },
      (block) => {
        tracker.push(block);
        samples += block.length;
        const sounding = tracker.now();
        needle.value = sounding;
        const at = samples / rate;
        const cents = sounding === null ? null : sounding.midi * 100 + sounding.cents;
        readings = [...readings.filter((reading) => at - reading.at < WINDOW_SECONDS), { at, cents }];
        if (on.value === null || asked.value === null) return;
        found.value = checkSound(readings, on.value, asked.value) ?? found.value;
      },
    );
  }

  function stop(): void {
    microphone.stop();
    needle.value = null;
  }

  return { needle, found, start, stop, again, isOn: microphone.isOn, error: microphone.error };
}
