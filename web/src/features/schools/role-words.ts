import type { Role } from '@escalier/contract/people';

/** What each role is called and may do. */
export const ROLE_WORDS: Record<Role, { readonly label: string; readonly may: string }> = {
  owner: { label: 'an owner', may: 'do everything: all classes, people, and the school’s data.' },
  teacher: {
    label: 'a teacher',
    may: 'teach and set up their classes, lend instruments, and see belts and the calendar.',
  },
  assistant: { label: 'an assistant', may: 'hear pupils in their classes and record the results.' },
};
