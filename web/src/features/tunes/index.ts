export { useTune, type TuneAddress } from './use-tune.ts';
export { hardSpotMarks, marksOf } from './layers.ts';
export { useBacking } from './use-backing.ts';
