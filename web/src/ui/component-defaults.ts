/** What BootstrapVueNext's components do here unless told otherwise. */
export const COMPONENT_DEFAULTS = {
  // A box that is not ticked says no, rather than nothing.
  BFormCheckbox: { uncheckedValue: false },
} as const;
