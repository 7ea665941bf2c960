import { wrongInput } from '../../platform/problem.ts';
import { hasher, type Lane } from '../../hasher/index.ts';

/** Of somebody who is let in, by a session, a link or the setup code. */
export function hashPassword(password: string): Promise<string> {
  return hasher.hashPassword('signed-in', password);
}

/** Stands where a password would, for people who come by an archive: nothing fits it. */
export const NO_PASSWORD = '';

let unknown: Promise<string> | null = null;

/** Takes as long for an unknown account as for a known one, so that nobody learns which e-mails exist. */
export async function passwordFits(lane: Lane, storedHash: string | null, password: string): Promise<boolean> {
  unknown ??= hashPassword('no account has this password');
  const known = storedHash === NO_PASSWORD ? null : storedHash;
  const fits = await hasher.verifyPassword(lane, known ?? (await unknown), password);
  return known !== null && fits;
}

/** zxcvbn's own scale, 0 to 4: from 3 on it withstands guessing at this server for years. */
const STRONG_ENOUGH = 3;
/** What stands behind these letters does not make it easier to guess. */
const LETTERS_LOOKED_AT = 64;

type Checker = (password: string, known: string[]) => { readonly score: number };
let checker: Promise<Checker> | null = null;

/** The word lists are a few megabytes: they load when somebody first chooses a password. */
async function loadChecker(): Promise<Checker> {
  const [{ ZxcvbnFactory }, common, english] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
    import('@zxcvbn-ts/language-en'),
  ]);
  const dictionary = { ...common.dictionary, ...english.dictionary };
  const factory = new ZxcvbnFactory({ dictionary, graphs: common.adjacencyGraphs });
  return (password, known) => factory.check(password, known);
}

/**
 * @param field of the form, for the sentence.
 * @param about what is known of the person: the e-mail, the names of the person and the school.
 * @throws Problem 400 for a password from a list, one of a pattern, or one made of what everybody knows.
 */
export async function refuseWeak(field: string, password: string, about: readonly string[]): Promise<void> {
  const words = about.flatMap((each) => [each, ...each.split(/[^\p{L}\p{N}]+/u)]).filter((word) => word.length > 2);
  const lower = password.toLowerCase();
  if (about.some((each) => each.length > 4 && lower.includes(each.toLowerCase())))
    throw wrongInput({ [field]: 'personal-password' });
  checker ??= loadChecker();
  const { score } = (await checker)(lower.slice(0, LETTERS_LOOKED_AT), words);
  if (score < STRONG_ENOUGH)
    throw wrongInput({
      [field]: 'easy-password',
    });
}
