/** Where the class will be on the average: so many in a hundred courses stay below each line. */
export interface Fan {
  /** Lessons gone when it was made. */
  readonly from: number;
  /** One for each lesson from there on, the first at `from` itself. */
  readonly low: readonly number[];
  readonly middle: readonly number[];
  readonly high: readonly number[];
}

export const FAN_COURSES = 400;

/**
 * A fan of courses: each takes for every lesson to come the climb of one of the lessons that have been, drawn by lot
 * (a bootstrap); the lines leave a tenth, a half and nine tenths of the courses below.
 * @param came steps climbed after each lesson, 0 before the first, as `classTrends` gives it.
 * @param from only the lessons before it are known to the fan.
 * @param random numbers from 0 up to, but not including, 1.
 */
export function fanOf(
  came: readonly number[],
  from: number,
  lessonsAhead: number,
  steps: number,
  random: () => number,
): Fan {
  const climbs = Array.from({ length: from }, (_, index) => came[index + 1]! - came[index]!);
  const courses = Array.from({ length: FAN_COURSES }, () => {
    let at = came[from] ?? 0;
    return [
      at,
      ...Array.from({ length: lessonsAhead }, () => {
        at = Math.min(steps, at + (climbs[Math.floor(random() * climbs.length)] ?? 0));
        return at;
      }),
    ];
  });
  const line = (share: number): readonly number[] =>
    Array.from({ length: lessonsAhead + 1 }, (_, lesson) => {
      const sorted = courses.map((course) => course[lesson]!).toSorted((a, b) => a - b);
      return sorted[Math.floor(share * (FAN_COURSES - 1))]!;
    });
  return { from, low: line(0.1), middle: line(0.5), high: line(0.9) };
}
