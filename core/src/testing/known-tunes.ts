import { readAbc } from '../formats/index.ts';
import type { Tune } from '../music/index.ts';

/** A tune of ABC that is known to be right. @throws Error when it is not. */
export function tuneOf(abc: string): Tune {
  const read = readAbc(abc);
  if (!read.ok) throw new Error(read.error.map((error) => error.message).join(' '));
  return read.value.tune;
}

/** In crotchets and minims, eight bars of which the second line nearly repeats the first. */
export const GOOSE_WALK = tuneOf(`X:1
T:Goose Walk
M:4/4
L:1/8
Q:1/4=84
K:G
B2 A2 G4|B2 A2 G4|A2 B2 A2 G2|E8|
B2 A2 G4|B2 A2 G4|A2 E2 A2 E2|G8|]
`);

/** In three. */
export const MILLPOND = tuneOf(`X:1
T:Moon on the Millpond
M:3/4
L:1/8
Q:1/4=92
K:G
G2 A2 B2|A4 G2|E2 G2 E2|D6|
G2 A2 B2|A4 B2|A2 G2 E2|G6|
B4 A2|G4 E2|D2 E2 G2|A6|
G2 A2 B2|A4 B2|A2 G2 E2|G6|]
`);

/** In six, for the whistle. */
export const KITE = tuneOf(`X:1
T:Kite over the Weir
M:6/8
L:1/8
Q:3/8=72
K:D
A2F A2F|G2E G2E|F2D E2F|E3 D3|
A2F A2B|A2G E3|F2A G2E|D3 D3|]
`);

/** With a pickup and breaths. */
export const LONG_PICKUP = tuneOf(`X:1
T:Slow Procession
M:4/4
L:1/8
K:G
G2|G2 F2 E2 D2|G2 A2 !breath!B2 B2|B2 B2 A2 G2|c2 B2 !breath!A2 G2|
A2 B2 A2 G2|E2 F2 !breath!G2 d2|B2 G2 A2 c2|B2 A2 G2|]
`);
