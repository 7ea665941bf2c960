export { useTune } from './use-tune.ts';
export { hardSpotMarks } from './layers.ts';
