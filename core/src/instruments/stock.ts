export const CONDITIONS = ['good', 'worn', 'broken', 'lost'] as const;
export type Condition = (typeof CONDITIONS)[number];

/** Whose it is: the school's, or the pupil's own. */
export const OWNERS = ['school', 'pupil'] as const;
export type Owner = (typeof OWNERS)[number];

/** Ready belts by the piece, or cord to be cut. */
export const STOCK_WAYS = ['pieces', 'cord'] as const;
export type StockWay = (typeof STOCK_WAYS)[number];
