/** How sure a proposal is, as one would say it. @param sure 0 to 1. */
export function surenessWords(sure: number): string {
  if (sure > 0.85) return 'sure';
  return sure > 0.6 ? 'fairly sure' : 'not sure';
}
