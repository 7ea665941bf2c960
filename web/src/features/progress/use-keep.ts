import { useNotices } from '../../ui/use-notices.ts';

/** Keeps a record on this device or at the school, and says so; where neither takes it, why not. Call it in `setup`. */
export function useKeep(): (work: () => Promise<void>, done: string) => Promise<void> {
  const notices = useNotices();
  return async (work, done) => {
    try {
      await work();
      notices.say(done);
    } catch (problem) {
      if (!(problem instanceof Error)) throw problem;
      notices.fail(problem.message);
    }
  };
}
