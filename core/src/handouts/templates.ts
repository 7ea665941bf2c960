import { listWords } from '@escalier/messages';
import { LETTERS, type LetterId } from './letters.ts';
import { NoHandout, said, type HandoutPupil, type HandoutRequest } from './request.ts';
import { beltName, stepOfClass } from './steps.ts';
import { t } from './messages.ts';

export const CERTIFICATE_WORDS = t('templates.pupil-has-passed-steps-in-class');

/** What a school has words of its own for. */
export const TEMPLATE_IDS = [...LETTERS.map(({ id }) => id), 'certificate'] as const;
export type TemplateId = LetterId | 'certificate';

export const FIELD_NAMES = ['pupil', 'class', 'school', 'teacher', 'tune', 'notes', 'steps', 'belt'] as const;
type Fields = Readonly<Record<(typeof FIELD_NAMES)[number], string>>;

/** What the fields of a letter or certificate say of a pupil. */
export function fieldsOf(request: HandoutRequest, pupil: HandoutPupil): Fields {
  const { name, school, teacher, steps } = request.schoolClass;
  const step = stepOfClass(request.schoolClass);
  const last = steps[pupil.passed.at(-1) ?? -1];
  const notes = (step?.newNotes ?? []).map((note) => said(request, note));
  const count = pupil.passed.length;
  return {
    pupil: pupil.name,
    class: name,
    school,
    teacher,
    tune: step?.title ?? '',
    notes: notes.length === 0 ? t('templates.none-this-time') : listWords(notes),
    steps: count === 1 ? t('templates.1-step') : t('templates.count-steps', { count }),
    belt: last === undefined ? '' : beltName(last.belt),
  };
}

/**
 * A template with its fields filled in: "{class}" becomes the name of the class.
 * @throws NoHandout for a field that there is not.
 */
export function filledIn(template: string, fields: Fields): string {
  return template.replaceAll(/\{([^{}]*)\}/g, (_, field: string) => {
    const name = FIELD_NAMES.find((each) => each === field.trim());
    if (name === undefined)
      throw new NoHandout(
        t('templates.there-is-no-field-field-you', { field, list: FIELD_NAMES.map((each) => `{${each}}`).join(', ') }),
      );
    return fields[name];
  });
}
