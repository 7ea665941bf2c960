export { ErasureEntity } from './entities.ts';
export { keepErasuresIn, listErasures, type Erasure } from './list.ts';
export { cleanTrace, tracesOf, type Trace, type TraceKey } from './traces.ts';
