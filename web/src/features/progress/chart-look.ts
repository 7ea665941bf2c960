import { Chart } from 'chart.js';

/** A colour of the paper, as the style sheet has it. @param token such as `--ink`. */
export function colour(token: string): string {
  return getComputedStyle(document.documentElement).getPropertyValue(token).trim();
}

/** Charts look like the rest of the paper: its colours, its letters, no motion. */
export function takeOnTheLook(): void {
  Chart.defaults.font.family = colour('--reading');
  Chart.defaults.font.size = 14;
  Chart.defaults.color = colour('--ink');
  Chart.defaults.borderColor = colour('--line');
  Chart.defaults.animation = false;
  Chart.defaults.maintainAspectRatio = false;
}
