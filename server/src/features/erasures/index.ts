export { ErasureEntity } from './entities.ts';
export { keepErasuresIn, listErasures, type Erasure } from './list.ts';
export { isPlace, PLACES, type PlaceId } from './places.ts';
export { cleanTrace, tracesOf, type Trace, type TraceKey } from './traces.ts';
