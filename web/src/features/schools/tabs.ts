import type { Role } from '@escalier/contract/people';
import { t } from './messages.ts';

interface SchoolTab {
  readonly name: string;
  readonly label: string;
  readonly for: readonly Role[];
}

const TEACHING: readonly Role[] = ['owner', 'teacher'];

/** The pages of the school: what is used weekly first, what is set once behind it. */
const SCHOOL_TABS: readonly SchoolTab[] = [
  { name: 'calendar', label: t('tabs.calendar'), for: TEACHING },
  { name: 'instruments', label: t('tabs.instruments'), for: TEACHING },
  { name: 'belts', label: t('tabs.belts'), for: TEACHING },
  { name: 'people', label: t('tabs.people'), for: ['owner'] },
  { name: 'cautions', label: t('tabs.settings'), for: TEACHING },
  { name: 'data', label: t('tabs.data'), for: ['owner'] },
];

/** What a school sets, one page each. */
const SETTINGS_PAGES: readonly SchoolTab[] = [
  { name: 'cautions', label: t('tabs.cautions'), for: TEACHING },
  { name: 'remarks', label: t('tabs.remarks'), for: TEACHING },
  { name: 'details', label: t('tabs.school-details'), for: ['owner'] },
];

/** Those of them that somebody may open. */
export function schoolPages(role: Role): {
  readonly tabs: readonly SchoolTab[];
  readonly settings: readonly SchoolTab[];
} {
  const open = (page: SchoolTab): boolean => page.for.includes(role);
  return { tabs: SCHOOL_TABS.filter(open), settings: SETTINGS_PAGES.filter(open) };
}
