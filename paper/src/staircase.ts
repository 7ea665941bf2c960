import type { DrawnStep } from '@escalier/core/handouts';
import { belt, isBeltId } from '@escalier/core/staircase';
import { INK, line, path, placed, rectangle, SHADE, type Mark } from './marks.ts';
import { fitting, paragraph, piece, type Piece } from './pieces.ts';
import type { Room, Tools } from './tools.ts';
import { t } from './messages.ts';

const LEAST_STAIRS = 150;

/** Rise is difficulty, tread is time; what stands over a tread is as wide as it. */
export function staircasePiece(steps: readonly DrawnStep[], room: Room, tools: Tools): Piece {
  const height = Math.max(LEAST_STAIRS, room.height);
  const WORDS = 58;
  const lessons = steps.reduce((sum, step) => sum + Math.max(1.2, step.lessons), 0);
  const rises = steps.reduce((sum, step) => sum + step.rise, 0);
  const marks: Mark[] = [];
  let [x, y] = [0, height - 4];
  let d = `M0 ${height}`;
  steps.forEach((step, index) => {
    const tread = (Math.max(1.2, step.lessons) / lessons) * room.width;
    const rise = (step.rise / rises) * (height - WORDS - 8);
    y -= rise;
    d += `V${y}h${tread}`;
    const width = tread - 6;
    const name = `${index + 1} ${step.title}`;
    const size = fitting(tools.letters, name, 'bold', { width, lines: 3, most: 11, least: 5 }) ?? 5;
    const title = paragraph(tools.letters, name, width, { face: 'bold', size });
    const about =
      step.about === ''
        ? { marks: [], height: 0 }
        : paragraph(tools.letters, step.about, width, { face: 'text', size: Math.min(size, 8) });
    marks.push(...placed(title.marks, x + 3, y - title.height - about.height - 4));
    marks.push(...placed(about.marks, x + 3, y - about.height - 3));
    if (isBeltId(step.belt)) {
      const { ground, thread } = belt(step.belt);
      marks.push(rectangle({ x: x + 1, y: y + 2, width: tread - 2, height: 5 }, { fill: ground }));
      marks.push(line(x + 3, y + 4.5, x + tread - 3, y + 4.5, { stroke: thread, width: 1.2, dash: 3 + (index % 4) }));
    }
    x += tread;
  });
  return piece(t('staircase.the-staircase'), height + 10, [
    path(`${d}V${height}z`, { fill: SHADE }),
    path(d, { stroke: INK, width: 1.8 }),
    ...marks,
  ]);
}
