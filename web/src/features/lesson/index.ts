export { useSubstituteLines } from './use-substitute-lines.ts';
