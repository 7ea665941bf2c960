import { type AccessSlip, RoomOfClass, type RoomTask, accessSlips } from '@escalier/contract/practice-rooms';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { api, ApiError, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { useSave } from '../../ui/use-save.ts';
import { t } from './messages.ts';

/** A class's practice room: open or closed, what is set for the week, and slips. Call it in `setup`. */
export function useRoomOfClass(classId: Ref<string>) {
  const room = shallowRef<RoomOfClass | null>(null);
  /** Just made: they can be printed once, for nobody keeps them. */
  const slips = shallowRef<readonly AccessSlip[]>([]);
  const chosen = ref<string[]>([]);
  const until = ref('');
  const path = () => ({ param: { id: classId.value } });
  const { error, load } = useLoad(async () => {
    const found = await ask(api.classes[':id'].room.$get(path()), RoomOfClass);
    room.value = found;
    until.value = found.room?.until ?? (found.endsOn < found.today ? found.today : found.endsOn);
    chosen.value = found.pupils.filter(({ pictureName }) => pictureName === null).map(({ id }) => id);
  });
  watch(
    classId,
    () => {
      slips.value = [];
      void load();
    },
    { immediate: true },
  );
  const saving = useSave();

  const open = (day: string | null) =>
    saving.save(async () => {
      await ask(api.classes[':id'].room.$put({ ...path(), json: { until: day } }));
      await load();
    });
  const setTask = (task: RoomTask | null) =>
    saving.save(async () => {
      const json = {
        task:
          task === null ? null : { ...task, bars: task.bars === null ? null : ([...task.bars] as [number, number]) },
        version: room.value?.room?.version ?? 0,
      };
      try {
        await ask(api.classes[':id'].room.task.$put({ ...path(), json }));
      } catch (problem) {
        throw problem instanceof ApiError && problem.code === 'changed' ? await besideTheirs(problem) : problem;
      }
      await load();
    });

  /** What was typed stays in the form; theirs is told beside it, and saving again puts one's own in its place. */
  async function besideTheirs({ message }: ApiError): Promise<ApiError> {
    const found = await ask(api.classes[':id'].room.$get(path()), RoomOfClass);
    const [mine, theirs] = [room.value, found.room];
    if (mine === null || mine.room === null || theirs === null) {
      room.value = found;
      return new ApiError({ error: { code: 'changed', message } });
    }
    room.value = { ...mine, room: { ...mine.room, version: theirs.version } };
    const title = found.tunes.find(({ id }) => id === theirs.task?.tuneId)?.title ?? '';
    const told = theirs.task === null ? t('use-room-of-class.nothing-is-set') : `“${title}”: ${theirs.task.words}`;
    return new ApiError({
      error: { code: 'changed', message: t('use-room-of-class.message-it-is-now-told-save', { message, told }) },
    });
  }
  const makeSlips = () =>
    saving.save(async () => {
      const made = await ask(
        api.classes[':id'].room.slips.$post({ ...path(), json: { pupilIds: [...chosen.value] } }),
        accessSlips,
      );
      await load();
      slips.value = made;
    });
  const address = `${location.host}/room`;
  return { room, slips, chosen, until, error, load, saving, open, setTask, makeSlips, address };
}
