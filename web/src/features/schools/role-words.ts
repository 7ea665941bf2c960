import type { Role } from '@escalier/server/api';

/** What each role is called and may do. */
export const ROLE_WORDS: Record<Role, { readonly label: string; readonly may: string }> = {
  owner: { label: 'an owner', may: 'everything at this school, all classes, people and the archive.' },
  teacher: { label: 'a teacher', may: 'teach and set up your classes, lend instruments, see belts and calendar.' },
  assistant: { label: 'an assistant', may: 'hear pupils of the classes named for you and record how it went.' },
};
