export { useTune } from './use-tune.ts';
