import { instrument } from '@escalier/core/instruments';
import type { CsvTable } from '@escalier/core/formats';
import type { Archive } from './format.ts';

/** The archive as tables for a spreadsheet: names instead of ids, undone records left out. */
export function archiveTables(archive: Archive): Readonly<Record<string, CsvTable>> {
  const people = new Map(archive.people.map((each) => [each.id, each.name]));
  const classes = new Map(archive.classes.map((each) => [each.id, each]));
  const terms = new Map(archive.terms.map((each) => [each.id, each.name]));
  const pupils = new Map(archive.pupils.map((each) => [each.id, each]));
  const steps = new Map(archive.steps.map((each) => [each.id, each]));
  const tunes = new Map(archive.tunes.map((each) => [each.id, each.title]));
  const undone = new Set(archive.records.map((each) => each.undoes));
  const className = (id: string): string => classes.get(id)!.name;
  const holder = (id: string): string =>
    archive.loans
      .filter((loan) => loan.instrument === id && loan.returnedOn === null)
      .map((loan) => pupils.get(loan.pupil)!.shownName)
      .join(', ');
  return {
    classes: {
      columns: ['Class', 'Grade', 'Term', 'Staircase', 'Pupils'],
      rows: archive.classes.map((each) => [
        each.name,
        each.grade,
        terms.get(each.term)!,
        archive.staircases.find((stairs) => stairs.id === each.staircase)!.name,
        archive.pupils.filter((pupil) => pupil.schoolClass === each.id && pupil.leftOn === null).length,
      ]),
    },
    pupils: {
      columns: ['Name', 'Class', 'Start step', 'Joined on', 'Left on', 'Hand mark', 'Note', 'Recordings allowed'],
      rows: archive.pupils.map((each) => [
        each.shownName,
        className(each.schoolClass),
        steps.get(each.startStep)!.position,
        each.joinedOn,
        each.leftOn,
        each.handMark,
        each.note,
        each.mayRecord ? 'yes' : 'no',
      ]),
    },
    records: {
      columns: ['Heard at', 'Class', 'Pupil', 'Step', 'Tune', 'Outcome', 'Remarks', 'Heard by'],
      rows: archive.records
        .filter((each) => each.kind === 'heard' && !undone.has(each.id))
        .map((each) => [
          each.heardAt,
          className(each.schoolClass),
          pupils.get(each.pupil)!.shownName,
          steps.get(each.step)!.position,
          tunes.get(steps.get(each.step)!.tune)!,
          each.outcome,
          each.remarks.join(' '),
          people.get(each.account)!,
        ]),
    },
    absences: {
      columns: ['Date', 'Class', 'Pupil'],
      rows: archive.absences.map((each) => {
        const pupil = pupils.get(each.pupil)!;
        return [each.date, className(pupil.schoolClass), pupil.shownName];
      }),
    },
    instruments: {
      columns: ['Number', 'Kind', 'Whose', 'State', 'Note', 'Cleaned at', 'Lent to'],
      rows: archive.instruments.map((each) => [
        each.number,
        instrument(each.kind).name,
        each.owner,
        each.condition,
        each.note,
        each.cleanedAt,
        holder(each.id),
      ]),
    },
  };
}
