export { BeltGivenEntity, BeltStockEntity, InstrumentEntity, LoanEntity } from './entities.ts';
export { beltRoutes, instrumentRoutes } from './routes.ts';
