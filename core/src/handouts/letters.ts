/** What a letter to families is about. */
export const LETTERS = [
  {
    id: 'new-note',
    name: 'A new note',
    words: [
      'Dear family,',
      '',
      'In {class} we are learning “{tune}”. New notes: {notes}. Five minutes a day is enough: the hard bar slowly, then the whole tune.',
      '',
      'Please send the instrument on lesson days, clean and in its bag.',
      '',
      '{teacher}',
    ].join('\n'),
  },
  {
    id: 'pass',
    name: 'A step passed',
    words: [
      'Dear family,',
      '',
      '{pupil} has passed {steps} in {class} and earned the {belt} belt. Ask for the tune at home: it is ready to be heard.',
      '',
      '{teacher}',
    ].join('\n'),
  },
  {
    id: 'recital',
    name: 'A recital',
    words: [
      'Dear family,',
      '',
      '{class} will play for you on ______________ at ________, in ______________________. Please send {pupil} with the instrument and its bag.',
      '',
      'You are warmly invited.',
      '',
      '{teacher}',
    ].join('\n'),
  },
] as const;
export type LetterId = (typeof LETTERS)[number]['id'];
