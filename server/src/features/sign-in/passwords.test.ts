import { newPassword } from '@escalier/contract/people';
import { describe, expect, it } from 'vitest';
import { Problem } from '../../platform/problem.ts';
import { hashPassword, NO_PASSWORD, passwordFits, refuseWeak } from './passwords.ts';

const ABOUT = ['mara@osierbridge.example', 'Mara Tillen', 'Osier Bridge School'];

/** What is said of a password at its field; null for one that is taken. */
async function saidOf(password: string): Promise<unknown> {
  try {
    await refuseWeak('password', password, ABOUT);
    return null;
  } catch (problem) {
    if (!(problem instanceof Problem)) throw problem;
    return problem.body.error.fields?.password;
  }
}

describe('a new password', () => {
  it.each(['heron ladle quarry umber', 'tvk9#Quell7marsh', 'four plain words here'])(
    '%s is taken',
    async (password) => {
      expect(newPassword.safeParse(password).success).toBe(true);
      expect(await saidOf(password)).toBeNull();
    },
  );

  it.each(['passwordpassword', 'qwertyuiopas', '123456789012', 'aaaaaaaaaaaaaaaa', 'abcabcabcabc'])(
    '%s is too easy to guess',
    async (password) => {
      expect(await saidOf(password)).toMatchObject({ code: 'easy-password' });
    },
  );

  it.each(['my Mara Tillen 88', 'OSIER BRIDGE SCHOOL!', 'x mara@osierbridge.example'])(
    '%s is made of what everybody knows',
    async (password) => {
      expect(await saidOf(password)).toMatchObject({ code: 'personal-password' });
    },
  );

  it('has from twelve to two hundred letters', () => {
    expect(newPassword.safeParse('eleven char').success).toBe(false);
    expect(newPassword.safeParse('x'.repeat(201)).success).toBe(false);
  });
});

describe('a password that is typed', () => {
  it('fits its own hash, and no other', async () => {
    const hash = await hashPassword('heron ladle quarry umber');
    expect(hash).not.toContain('heron');
    expect(await passwordFits('signed-in', hash, 'heron ladle quarry umber')).toBe(true);
    expect(await passwordFits('signed-in', hash, 'Heron ladle quarry umber')).toBe(false);
  });

  it('fits neither an unknown account nor one that came without a password', async () => {
    expect(await passwordFits('signed-in', null, 'no account has this password')).toBe(false);
    expect(await passwordFits('signed-in', NO_PASSWORD, '')).toBe(false);
    expect(await passwordFits('signed-in', NO_PASSWORD, 'no account has this password')).toBe(false);
  });
});
