export type { BeltList, BeltStock } from './belts.ts';
export { BeltGivenEntity, BeltStockEntity, InstrumentEntity, LoanEntity } from './entities.ts';
export type { ClassBelts, EarnedBelt } from './handing-out.ts';
export { beltRoutes, instrumentRoutes } from './routes.ts';
export type { InstrumentList, InstrumentLine, LendingClass } from './instrument-list.ts';
export type { Lending } from './lending.ts';
