import type { ClassSettings } from '@escalier/contract/classes';
import { NAMINGS, type Naming } from '@escalier/core/instruments';
import type { Counting } from '@escalier/core/music';
import { chosenRows, MOST_ROWS, sayingsOf, USUAL_COLOURS, USUAL_TEACHING, type NoteRow } from '@escalier/core/practice';
import { computed, ref, watch, type Ref } from 'vue';
import type { TuneInfo } from '../../workers/index.ts';
import { useSession } from '../schools/index.ts';
import type { LayerId } from './layers.ts';
import type { OpenTune } from './use-tune.ts';

/** The naming of a row; null for one of counting or of words. */
function namingOf({ kind }: NoteRow): Naming | null {
  return NAMINGS.find((naming) => naming === kind) ?? null;
}

/** What stands under the notes before anybody changes it: the class's rows, and the words of a tune that has some. */
function usualRows(style: ClassSettings['style'] | null, hasWords: boolean): readonly NoteRow[] {
  if (style === null) return withWords([{ kind: 'letters', fill: 'full' }], hasWords);
  const chosen = chosenRows(style.teaching, hasWords);
  const counting: readonly NoteRow[] = style.counting === null ? [] : [{ kind: 'counting', fill: 'full' }];
  return withWords(chosen.length > 0 ? chosen : [{ kind: style.naming, fill: 'full' }, ...counting], hasWords);
}

/** With the words of a tune that has some, where there is a row left for them. */
function withWords(rows: readonly NoteRow[], hasWords: boolean): readonly NoteRow[] {
  const isWanted = hasWords && rows.length < MOST_ROWS && rows.every(({ kind }) => kind !== 'words');
  return isWanted ? [...rows, { kind: 'words', fill: 'full' }] : rows;
}

/** What stands under the notes of a tune and how its heads look: as its class has it, until somebody changes it. */
export function useRows(page: Ref<OpenTune | null>, info: Ref<TuneInfo | null>, layers: Ref<LayerId[]>) {
  const session = useSession();
  const rows = ref<readonly NoteRow[]>([{ kind: 'letters', fill: 'full' }]);
  const counting = ref<Counting>('numbers');
  /** The tune and the class that the rows were set for. */
  let setFor = '';
  // With the reading, which comes after the page: only then it is known whether there are words.
  watch(info, (read) => {
    const open = page.value;
    if (read === null || open === null) return;
    const key = `${open.schoolClass?.id ?? ''} ${open.tuneId}`;
    if (key === setFor) return;
    setFor = key;
    const style = open.schoolClass?.style ?? null;
    counting.value = style?.counting ?? 'numbers';
    rows.value = usualRows(style, read.hasWords);
    if (style?.teaching.coloured === true && !layers.value.includes('colours'))
      layers.value = [...layers.value, 'colours'];
  });

  const colours = computed(() =>
    layers.value.includes('colours') ? (session.me?.noteColours ?? USUAL_COLOURS) : null,
  );
  /** Colours never stand without letters. */
  const shownRows = computed((): readonly NoteRow[] => {
    const isNamed = rows.value.some(({ kind, fill }) => kind === 'letters' && fill === 'full');
    if (colours.value === null || isNamed) return rows.value;
    const others = rows.value.filter(({ kind }) => kind !== 'letters');
    return [{ kind: 'letters', fill: 'full' } as const, ...others].slice(0, MOST_ROWS);
  });
  const sayings = computed(() => sayingsOf(page.value?.schoolClass?.style.teaching ?? USUAL_TEACHING));
  const naming = computed(() => shownRows.value.map(namingOf).find((each) => each !== null) ?? null);
  return { rows, shownRows, counting, colours, sayings, naming };
}
