import { type RecordingDto, RecordingList } from '@escalier/contract/recordings';
import { hearings } from '@escalier/core/records';
import { computed, shallowRef, type Ref } from 'vue';
import { api, ask } from '../../api.ts';
import { PlainError } from '../../refusals/index.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useClasses } from '../classes/index.ts';
import { t } from './messages.ts';

/** The recordings of a class, with whose they are and what became of them. */
export function useRecordings(classId: Ref<string>) {
  const classes = useClasses();
  const list = shallowRef<RecordingList | null>(null);
  const page = computed(() => (classes.page?.id === classId.value ? classes.page : null));
  const { error, load } = useLoad(async () => {
    await classes.open(classId.value);
    list.value = await ask(api.classes[':id'].recordings.$get({ param: { id: classId.value } }), RecordingList);
  });

  /** Results by the recording that they came of: those on this device count too. */
  const results = computed(
    () =>
      new Map(
        hearings(classes.events).flatMap((event) =>
          event.listened?.recordingId === undefined ? [] : [[event.listened.recordingId, event] as const],
        ),
      ),
  );
  const stepOf = ({ stepId }: RecordingDto) => page.value?.steps.find(({ id }) => id === stepId) ?? null;
  const pupilOf = ({ pupilId }: RecordingDto) => page.value?.pupils.find(({ id }) => id === pupilId) ?? null;
  const titleOf = (recording: RecordingDto): string =>
    stepOf(recording)?.tunes.find(({ id }) => id === recording.tuneId)?.title ?? '';
  /** No result came of it yet, or it was taken back. */
  const isOpen = ({ id }: RecordingDto): boolean => !results.value.has(id);
  const open = computed(() => (list.value?.recordings ?? []).filter(isOpen));
  const answered = computed(() => (list.value?.recordings ?? []).filter((recording) => !isOpen(recording)));

  function change(id: string, changed: Partial<RecordingDto>): void {
    if (list.value === null) return;
    const recordings = list.value.recordings.map((recording) =>
      recording.id === id ? { ...recording, ...changed } : recording,
    );
    list.value = { ...list.value, recordings };
  }

  async function erase(id: string): Promise<void> {
    await ask(api.recordings[':id'].$delete({ param: { id } }));
    await load();
  }

  return { page, list, error, load, open, answered, results, stepOf, pupilOf, titleOf, change, erase };
}

export const soundAddress = (id: string): string => `/api/recordings/${id}/sound`;

export async function soundOf(id: string): Promise<Blob> {
  const answer = await fetch(soundAddress(id));
  if (!answer.ok) throw new PlainError(t('use-recordings.the-recording-didnt-load-check-the'));
  return answer.blob();
}
