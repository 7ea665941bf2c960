export type { BeltDesk, BeltStock } from './belts.ts';
export {
  BeltStockEntity,
  CONDITIONS,
  InstrumentEntity,
  LoanEntity,
  OWNERS,
  STOCK_WAYS,
  type Condition,
  type Owner,
} from './entities.ts';
export { beltRoutes, instrumentRoutes } from './routes.ts';
export type { InstrumentDesk, InstrumentLine, Lending, LendingClass } from './service.ts';
