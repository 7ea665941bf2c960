export { ErasureEntity } from './entities.ts';
export { keepErasuresIn, listErasures, type Erasure } from './list.ts';
export { isPlace } from './places.ts';
export { cleanTrace, tracesOf, type TraceKey } from './traces.ts';
