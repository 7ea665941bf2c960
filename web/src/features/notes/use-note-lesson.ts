import { cautionList } from '@escalier/contract/schools';
import { ClassNotes, OwnNote } from '@escalier/contract/notes';
import { computed, shallowRef, watch, type Ref } from 'vue';
import { api, ask } from '../../api.ts';
import { useLoad } from '../../ui/use-load.ts';
import { lessonOf, type NoteLesson } from './lesson.ts';

/** The notes of a class from the server, and the lesson of one of them. */
export function useNoteLesson(classId: Ref<string>, note: Ref<string | null>) {
  const notes = shallowRef<ClassNotes | null>(null);
  const { error, load } = useLoad(async () => {
    notes.value = await ask(api.notes[':id'].$get({ param: { id: classId.value } }), ClassNotes);
  });

  const lesson = computed((): NoteLesson | null => {
    const loaded = notes.value;
    if (loaded === null) return null;
    const wanted = note.value ?? loaded.next ?? loaded.notes.at(-1)?.note ?? null;
    return wanted === null ? null : lessonOf(loaded, wanted);
  });

  async function saveCautions(cautions: ClassNotes['cautions']): Promise<void> {
    const version = notes.value?.cautionsVersion ?? 0;
    const kept = await ask(api.school.cautions.$put({ json: { cautions, version } }), cautionList);
    if (notes.value !== null) notes.value = { ...notes.value, cautions: kept.cautions, cautionsVersion: kept.version };
  }

  /** Keeps the teacher's own words about a note. */
  async function saveOwn(name: string, own: OwnNote): Promise<void> {
    const param = { id: classId.value, note: name };
    const kept = await ask(api.notes[':id'][':note'].$put({ param, json: own }), OwnNote);
    const loaded = notes.value;
    if (loaded === null) return;
    const all = loaded.notes.map((note) => (note.note === name ? { ...note, own: kept } : note));
    notes.value = { ...loaded, notes: all };
  }

  watch(classId, load, { immediate: true });
  return { notes, lesson, error, load, saveCautions, saveOwn };
}
