import { type PupilRecord, type Trace, pupilList } from '@escalier/contract/pupils';
import { shallowRef } from 'vue';
import { api, ask } from '../../api.ts';
import { saveMerged } from '../../ui/merge.ts';
import { useLoad } from '../../ui/use-load.ts';

export interface NewPupil {
  readonly name: string;
  readonly startStep: number;
  readonly joinedOn: string;
}

/** The pupils of a class as their teachers keep them. */
export function usePupils(classId: () => string) {
  const pupils = shallowRef<readonly PupilRecord[] | null>(null);
  const { error, load } = useLoad(async () => {
    pupils.value = await ask(api.classes[':id'].pupils.$get({ param: { id: classId() } }), pupilList);
  });

  async function add(all: readonly NewPupil[]): Promise<void> {
    pupils.value = await ask(
      api.classes[':id'].pupils.$post({ param: { id: classId() }, json: { pupils: [...all] } }),
      pupilList,
    );
  }

  const pupilOf = (id: string): PupilRecord | undefined => pupils.value?.find((pupil) => pupil.id === id);

  async function put(pupil: PupilRecord): Promise<void> {
    const { id, absences: _absences, moves: _moves, ...kept } = pupil;
    const json = { ...kept, playsInstead: pupil.playsInstead as 'tin-whistle-d' | null };
    await ask(api.pupils[':id'].$put({ param: { id }, json }));
  }

  async function change(mine: PupilRecord): Promise<void> {
    const again = async () => {
      await load();
      return pupilOf(mine.id);
    };
    await saveMerged({ before: pupilOf(mine.id) ?? mine, mine, put, again });
    await load();
  }

  async function move(id: string, toClass: string): Promise<void> {
    await ask(api.pupils[':id'].move.$post({ param: { id }, json: { classId: toClass } }));
    await load();
  }

  async function erase(id: string, clean: readonly Pick<Trace, 'place' | 'key'>[]): Promise<void> {
    await ask(api.pupils[':id'].erase.$post({ param: { id }, json: { clean: [...clean] } }));
    await load();
  }

  async function setAbsent(id: string, date: string, absent: boolean): Promise<void> {
    await ask(api.pupils[':id'].absence.$put({ param: { id }, json: { date, absent } }));
    await load();
  }

  return { pupils, error, load, add, change, move, erase, setAbsent };
}
