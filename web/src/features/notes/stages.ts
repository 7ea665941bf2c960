import { t } from './messages.ts';
/** The parts of a note lesson, in the order of teaching. */
export const STAGES = [
  { id: 'before', label: t('stages.before'), about: t('stages.hands-and-posture') },
  { id: 'fingers', label: t('stages.fingers'), about: t('stages.what-changes') },
  { id: 'staff', label: t('stages.staff'), about: t('stages.where-it-stands') },
  { id: 'echo', label: t('stages.echo'), about: t('stages.my-turn-your-turn') },
  { id: 'moves', label: t('stages.moves'), about: t('stages.back-and-forth') },
] as const;

export type StageId = (typeof STAGES)[number]['id'];

export function isStage(text: unknown): text is StageId {
  return STAGES.some((stage) => stage.id === text);
}
