/** What BootstrapVueNext's components do here unless told otherwise. */
export const COMPONENT_DEFAULTS = {
  // The ordinary button is an outline; the one main action of a place says that it is.
  BButton: { variant: 'outline-dark' },
  BModal: { cancelVariant: 'outline-dark' },
  // A menu is not built before it is opened.
  BDropdown: { lazy: true, variant: 'outline-dark' },
  BFormRadio: { buttonVariant: 'outline-dark' },
  // A box that is not ticked says no, rather than nothing.
  BFormCheckbox: { uncheckedValue: false, buttonVariant: 'outline-dark' },
} as const;
