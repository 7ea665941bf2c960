import { belt, isBeltId } from '../staircase/index.ts';
import { said, type HandoutClass, type HandoutRequest, type HandoutStep } from './request.ts';
import type { DrawnStep } from './sheet.ts';

export const beltName = (id: string): string => (isBeltId(id) ? belt(id).name : id);

/** The step that a class works on; its last one when all are passed. */
export function stepOfClass({ steps, classStep }: HandoutClass): HandoutStep | undefined {
  return steps[Math.min(classStep, steps.length - 1)];
}

/** The stairs of a class as a drawing takes them: a step is never flat, and never without a tread. */
export function drawnSteps(request: HandoutRequest): readonly DrawnStep[] {
  return request.schoolClass.steps.map(({ title, belt: of, rise, lessons, newNotes }) => ({
    title,
    belt: of,
    rise: Math.max(0.5, rise),
    lessons: Math.max(1, lessons),
    about: newNotes.length === 0 ? '' : `new: ${newNotes.map((note) => said(request, note)).join(', ')}`,
  }));
}
