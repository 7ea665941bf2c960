import type { Role } from '@escalier/contract/people';

interface SchoolTab {
  readonly name: string;
  readonly label: string;
  readonly for: readonly Role[];
}

const TEACHING: readonly Role[] = ['owner', 'teacher'];

/** The pages of the school: what is used weekly first, what is set once behind it. */
const SCHOOL_TABS: readonly SchoolTab[] = [
  { name: 'calendar', label: 'Calendar', for: TEACHING },
  { name: 'instruments', label: 'Instruments', for: TEACHING },
  { name: 'belts', label: 'Belts', for: TEACHING },
  { name: 'people', label: 'People', for: ['owner'] },
  { name: 'cautions', label: 'Settings', for: TEACHING },
  { name: 'data', label: 'Data', for: ['owner'] },
];

/** What a school sets, one page each. */
const SETTINGS_PAGES: readonly SchoolTab[] = [
  { name: 'cautions', label: 'Cautions', for: TEACHING },
  { name: 'remarks', label: 'Remarks', for: TEACHING },
  { name: 'details', label: 'School details', for: ['owner'] },
];

/** Those of them that somebody may open. */
export function schoolPages(role: Role): {
  readonly tabs: readonly SchoolTab[];
  readonly settings: readonly SchoolTab[];
} {
  const open = (page: SchoolTab): boolean => page.for.includes(role);
  return { tabs: SCHOOL_TABS.filter(open), settings: SETTINGS_PAGES.filter(open) };
}
