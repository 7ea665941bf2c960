/** Two words that can be drawn: by them a class knows who is meant, and nobody else does. */
const COLOURS = [
  'Blue',
  'Green',
  'Golden',
  'Red',
  'Silver',
  'Brown',
  'White',
  'Purple',
  'Orange',
  'Grey',
  'Pink',
  'Yellow',
];
const ANIMALS = [
  ...['Heron', 'Otter', 'Fox', 'Owl', 'Turtle', 'Whale', 'Swan', 'Tiger', 'Rabbit', 'Finch', 'Beaver', 'Dolphin'],
  ...['Robin', 'Panda', 'Lizard', 'Crane', 'Koala', 'Moth', 'Seal', 'Falcon', 'Zebra', 'Snail', 'Raven', 'Camel'],
  ...['Puffin', 'Lynx', 'Trout', 'Wren', 'Bison', 'Gecko', 'Swift', 'Mole', 'Badger', 'Parrot', 'Crab', 'Hare'],
] as const;

/** As many names as there can be in one class. */
export const MOST_PICTURE_NAMES = COLOURS.length * ANIMALS.length;

/**
 * A name that none of the others has; animals first, so that a class has each animal once as long as they last.
 * @param below gives a whole number from 0 to one less than asked for.
 * @throws RangeError when all are taken.
 */
export function pictureName(taken: ReadonlySet<string>, below: (sides: number) => number): string {
  const free = ANIMALS.flatMap((animal) => {
    const left = COLOURS.map((colour) => `${colour} ${animal}`).filter((name) => !taken.has(name));
    return left.length === 0 ? [] : [left];
  });
  const most = Math.max(...free.map((names) => names.length));
  const animals = free.filter((names) => names.length === most);
  const names = animals[below(animals.length)];
  if (names === undefined) throw new RangeError('all names are taken');
  return names[below(names.length)]!;
}
