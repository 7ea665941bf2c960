/** Where in the school's texts a pupil's name may stand, as the teacher knows the place. */
const WORDS: Readonly<Record<string, string>> = {
  'instrument-note': 'Note on an instrument',
  'lesson-remark': 'Remark in a lesson',
  'week-task': 'Task for the week',
  'pupil-note': 'Note on another pupil',
  'pupil-mark': 'Another pupil’s marker',
  'pupil-name': 'Another pupil’s name',
  change: 'List of changes',
  'recording-words': 'Answer to a recording',
  'recording-heard': 'What was heard in a recording',
  'recording-file': 'Name of a sound file',
  'record-reason': 'Reason for a correction',
  'class-name': 'Name of a class',
  'class-grade': 'Year of a class',
  'class-settings': 'Settings of a class',
  'class-brings': 'What a class brings along',
  'class-day': 'Cancelled lesson',
  'class-note': 'Words for a note',
  'class-note-page': 'Page in the class’s book',
  'class-tune-page': 'Page in the class’s book',
  'lesson-template': 'Usual lesson',
  'school-caution': 'Caution',
  'school-remark': 'Remark of the school',
  'term-name': 'Name of a term',
  'term-day': 'Day off',
  'staircase-name': 'Name of a staircase',
  'tune-title': 'Title of a tune',
  'tune-text': 'Text of a tune',
  invitation: 'Invitation',
};

export function placeWords(place: string): string {
  return WORDS[place] ?? 'Text';
}
