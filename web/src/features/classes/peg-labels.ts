/**
 * A label of two letters for each name, all different where two letters can do it: the first two letters, or the
 * first with a later one, or the first with a number.
 */
export function pegLabels(names: readonly string[]): readonly string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const letters = [...name.normalize('NFC')].filter((letter) => /\p{L}/u.test(letter));
    const first = (letters[0] ?? '?').toLocaleUpperCase();
    const pairs = letters.slice(1).map((letter) => first + letter.toLocaleLowerCase());
    const numbered = Array.from({ length: names.length + 1 }, (_, number) => `${first}${number + 1}`);
    const label = [...pairs, ...numbered].find((candidate) => !taken.has(candidate))!;
    taken.add(label);
    return label;
  });
}
