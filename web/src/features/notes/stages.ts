/** The parts of a note lesson, in the order of teaching. */
export const STAGES = [
  { id: 'before', label: 'Before', about: 'hands and posture' },
  { id: 'fingers', label: 'Fingers', about: 'what changes' },
  { id: 'staff', label: 'Staff', about: 'where it stands' },
  { id: 'echo', label: 'Echo', about: 'my turn, your turn' },
  { id: 'moves', label: 'Moves', about: 'back and forth' },
] as const;

export type StageId = (typeof STAGES)[number]['id'];

export function isStage(text: unknown): text is StageId {
  return STAGES.some((stage) => stage.id === text);
}
