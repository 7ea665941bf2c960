/**
 * Answers many asks by few pieces of work: what comes while one piece is on its way goes into the next, so that many at
 * one moment share a round to the database.
 * @param work gives an answer for each ask, in their order; when it fails for several, each is asked by itself, so that
 * one does not cost the others theirs.
 * @param gatherMs how long the first ask of a piece waits for others.
 */
export function batched<Ask, Answer>(
  work: (asks: readonly Ask[]) => Promise<readonly Answer[]>,
  gatherMs = 0,
): (ask: Ask) => Promise<Answer> {
  interface Waiting {
    readonly ask: Ask;
    readonly resolve: (answer: Answer) => void;
    readonly reject: (error: unknown) => void;
  }
  let waiting: Waiting[] = [];
  let working = false;

  async function answer(group: readonly Waiting[]): Promise<void> {
    try {
      const answers = await work(group.map(({ ask }) => ask));
      for (const [index, { resolve }] of group.entries()) resolve(answers[index]!);
    } catch (error) {
      if (group.length === 1) group[0]!.reject(error);
      else for (const one of group) await answer([one]);
    }
  }

  async function run(): Promise<void> {
    working = true;
    while (waiting.length > 0) {
      if (gatherMs > 0) await new Promise((resolve) => setTimeout(resolve, gatherMs));
      const group = waiting;
      waiting = [];
      await answer(group);
    }
    working = false;
  }

  return (ask) =>
    new Promise((resolve, reject) => {
      waiting.push({ ask, resolve, reject });
      if (!working) void run();
    });
}
