import { failure, UncountableError, type Result } from '../music/index.ts';
import type { FormatProblem, ReadTune } from './notice.ts';
import { t } from './messages.ts';

type Reading = Result<ReadTune, readonly FormatProblem[]>;

/** Lengths that no fraction holds, such as tuplets of many primes in one bar, are an error of the file. */
export function countable(read: () => Reading): Reading {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof UncountableError)) throw error;
    return failure([{ bar: null, message: t('countable.the-tune-has-note-lengths-that') }]);
  }
}
