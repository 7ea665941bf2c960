import type { Role } from '@escalier/server/api';

/** The desks of the school's room, and who finds work at them. */
export const DESKS: readonly { readonly name: string; readonly label: string; readonly for: readonly Role[] }[] = [
  { name: 'terms', label: 'Calendar', for: ['owner', 'teacher'] },
  { name: 'instruments', label: 'Instruments', for: ['owner', 'teacher'] },
  { name: 'belts', label: 'Belts', for: ['owner', 'teacher'] },
  { name: 'cautions', label: 'Cautions', for: ['owner', 'teacher'] },
  { name: 'remarks', label: 'Remarks', for: ['owner', 'teacher'] },
  { name: 'people', label: 'People', for: ['owner'] },
  { name: 'safe', label: 'Records', for: ['owner'] },
  { name: 'account', label: 'My account', for: ['owner', 'teacher', 'assistant'] },
];
