export * from './belts.ts';
export * from './rise.ts';
