export { createPaperEngraver, type PaperEngraver } from './engraver.ts';
export { FONT_NAMES, Letters, type FontFiles, type FontName } from './letters.ts';
export { layOut, Stopped, type Laid, type LayOutSettings, type PageLaid } from './lay-out.ts';
export { keyHandout } from './key-handout.ts';
export { PAPERS, type HoldingSide, type PaperName } from './sizes.ts';
export { toPdf } from './pdf.ts';
export { toSvg } from './svg.ts';
