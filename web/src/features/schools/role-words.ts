import type { Role } from '@escalier/contract/people';
import { t } from './messages.ts';

/** What each role is called and may do. */
export const ROLE_WORDS: Record<Role, { readonly label: string; readonly may: string }> = {
  owner: { label: t('role-words.an-owner'), may: t('role-words.do-everything-all-classes-people-and') },
  teacher: {
    label: t('role-words.a-teacher'),
    may: t('role-words.teach-and-set-up-their-classes'),
  },
  assistant: { label: t('role-words.an-assistant'), may: t('role-words.hear-pupils-in-their-classes-and') },
};
