export { chartShape, fingeringWords, type ChartShape } from './chart-shape.ts';
export { kindOfInstrument, withChosen, type ChosenFingerings } from './chosen.ts';
export * from './fingering.ts';
export * from './instruments.ts';
export * from './moves.ts';
export { formatHoles } from './notation.ts';
export * from './stock.ts';
