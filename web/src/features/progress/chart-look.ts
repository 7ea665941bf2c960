import { Chart } from 'chart.js';

/** Charts look like the rest of the paper: its colours, its letters, no motion. */
export function takeOnTheLook(): void {
  Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', Verdana, sans-serif";
  Chart.defaults.font.size = 13;
  Chart.defaults.color = '#1d2b2a';
  Chart.defaults.borderColor = '#d9d0bd';
  Chart.defaults.animation = false;
  Chart.defaults.maintainAspectRatio = false;
}

export const INK = '#1d2b2a';
export const SPRUCE = '#1f5a4c';
export const SPRUCE_PALE = 'rgb(31 90 76 / 22%)';
export const BRASS = '#a8720f';
export const STONE = '#ece3d1';
