import { Refusal } from '@escalier/contract/refusals';
import { computed, ref, type Ref } from 'vue';
import { v7 } from 'uuid';
import { PlainError, refusalWords } from '../../refusals/index.ts';
import type { ClassView } from '../classes/index.ts';
import { decode, toKeep } from './decode.ts';
import { guess } from './guess.ts';
import { t } from './messages.ts';

/** A file before it is kept. */
export interface LookedOver {
  readonly id: string;
  readonly file: File;
  readonly name: string;
  pupilId: string;
  stepId: string;
  readonly seconds: number | null;
  /** Why it cannot be kept as it is; empty when it can. */
  problem: string;
  /** What the teacher should know of it. */
  readonly hint: string;
}

export const LONGEST_LIST = 100;

/** Files that were chosen, named by pupil and step; nothing of them leaves the device before they are added. */
export function useLookOver(page: Ref<ClassView | null>, agreed: Ref<ReadonlySet<string>>) {
  const rows = ref<LookedOver[]>([]);
  const isReading = ref(false);
  const sent = ref<number | null>(null);
  /** Files of the last choice for which there was no room in the list. */
  const tooMany = ref(0);

  async function look(files: readonly File[]): Promise<void> {
    isReading.value = true;
    const room = LONGEST_LIST - rows.value.length;
    tooMany.value = Math.max(0, files.length - room);
    for (const file of files.slice(0, room)) rows.value = [...rows.value, await lookAt(file)];
    isReading.value = false;
  }

  async function lookAt(file: File): Promise<LookedOver> {
    const pupils = (page.value?.pupils ?? []).filter(({ leftOn, erased }) => leftOn === null && !erased);
    const steps = page.value?.steps ?? [];
    const name = file.webkitRelativePath === '' ? file.name : file.webkitRelativePath;
    const found = guess(
      name,
      pupils,
      steps.map(({ title }) => title),
    );
    const pupil = pupils.find(({ id }) => id === found.pupilId);
    const step = steps[(found.step ?? (pupil?.standing?.stepIndex ?? -1) + 1) - 1];
    const base = { id: v7(), file, name, pupilId: found.pupilId ?? '', stepId: step?.id ?? '' };
    const hint =
      found.either.length > 0 ? t('use-look-over.the-name-fits-list', { list: found.either.join(' and ') }) : '';
    try {
      const { seconds, deadSide } = await decode(file);
      return {
        ...base,
        seconds,
        problem: '',
        hint: deadSide ? t('use-look-over.hint-one-side-is-silent', { hint }).trim() : hint,
      };
    } catch (problem) {
      if (!(problem instanceof PlainError)) throw problem;
      return { ...base, seconds: null, problem: problem.message, hint };
    }
  }

  /** Why a row cannot be added now; empty when it can. */
  function blocked(row: LookedOver): string {
    if (row.problem !== '') return row.problem;
    if (row.pupilId === '') return t('use-look-over.whose-is-it');
    if (!agreed.value.has(row.pupilId)) return t('use-look-over.the-family-has-not-agreed-to');
    return row.stepId === '' ? t('use-look-over.which-step') : '';
  }
  const ready = computed(() => rows.value.filter((row) => blocked(row) === ''));

  function drop(id: string): void {
    rows.value = rows.value.filter((row) => row.id !== id);
  }

  /** Adds those that are ready, one after the other; what is refused stays with the sentence why. */
  async function add(): Promise<number> {
    let added = 0;
    const all = ready.value;
    for (const [index, row] of all.entries()) {
      sent.value = index / all.length;
      const problem = await send(row);
      if (problem === null) {
        added++;
        drop(row.id);
      } else row.problem = problem;
    }
    sent.value = null;
    return added;
  }

  async function send(row: LookedOver): Promise<string | null> {
    const step = page.value?.steps.find(({ id }) => id === row.stepId);
    if (step === undefined) return t('use-look-over.which-step');
    const kept = await toKeep(row.file);
    const query = new URLSearchParams({
      pupilId: row.pupilId,
      stepId: row.stepId,
      tuneId: step.tuneId,
      fileName: row.name.slice(-200),
      seconds: String(row.seconds ?? 0),
    });
    try {
      const answer = await fetch(`/api/recordings/${row.id}/sound?${query.toString()}`, {
        method: 'PUT',
        body: kept,
        headers: { 'content-type': 'application/octet-stream' },
      });
      if (answer.ok) return null;
      const { error } = Refusal.parse(await answer.json());
      return refusalWords(error);
    } catch {
      return t('use-look-over.the-school-could-not-be-reached');
    }
  }

  return { rows, look, drop, blocked, ready, add, isReading, sent, tooMany };
}
