export { KINDS, isHandoutKind, makeHandout, type HandoutGroup, type HandoutKind, type Need } from './kinds.ts';
export { madeUpClass } from './made-up-class.ts';
export { usualRequest } from './usual-request.ts';
export { LETTERS, type LetterId } from './letters.ts';
export { FIELD_NAMES, TEMPLATE_IDS, type TemplateId } from './templates.ts';
export {
  NoHandout,
  USUAL_BREATHING,
  USUAL_OPTIONS,
  type Breathing,
  type HandoutClass,
  type HandoutRequest,
  type HandoutStep,
  type TuneSheetOptions,
} from './request.ts';
export {
  PLAIN_TILE,
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
