export { useStep } from './use-step.ts';
