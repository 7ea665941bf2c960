import type { BrowserContext, Page } from '@playwright/test';

export const ADDRESS = process.env.ESCALIER_BENCH_ADDRESS ?? '';

interface Line {
  readonly name: string;
  readonly unit?: string;
  readonly peer: string;
  readonly value: number;
  readonly peerValue: number;
}

/** Whether `--only` asks for it. */
export function wanted(name: string): boolean {
  const { ESCALIER_BENCH_ONLY: only } = process.env;
  return only === undefined || name.includes(only);
}

/** One line of the benchmark, in order to read and to compare. */
export function print({ name, unit = 'ms', peer, value, peerValue }: Line): void {
  if (!wanted(name)) return;
  const round = (figure: number): number => Number(figure.toPrecision(4));
  const ratio = round(value / peerValue);
  console.log(JSON.stringify({ name, value: round(value), unit, peer, peerValue: round(peerValue), ratio }));
}

export function median(times: readonly number[]): number {
  return times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)]!;
}

/** The demo school, in a new page. */
export async function open(context: BrowserContext): Promise<Page> {
  const page = await context.newPage();
  await page.goto(`${ADDRESS}/sign-in`);
  await page.getByRole('button', { name: 'Open the demo school' }).click();
  await page.getByRole('heading', { name: 'Classes' }).waitFor();
  return page;
}
