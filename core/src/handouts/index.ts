export { KINDS, isHandoutKind, makeHandout, type HandoutGroup, type HandoutKind, type Need } from './kinds.ts';
export { madeUpClass } from './made-up-class.ts';
export { CERTIFICATE_WORDS, LETTER_WORDS } from './class-papers.ts';
export {
  NoHandout,
  USUAL_OPTIONS,
  type HandoutClass,
  type HandoutRequest,
  type HandoutStep,
  type TuneSheetOptions,
} from './request.ts';
export {
  PRINT_SIZES,
  type Answer,
  type Block,
  type DrawnStep,
  type Handout,
  type Picture,
  type PrintSize,
  type Section,
  type SheetMusic,
  type Tile,
} from './sheet.ts';
