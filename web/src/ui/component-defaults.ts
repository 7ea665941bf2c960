/** What BootstrapVueNext's components do here unless told otherwise. */
export const COMPONENT_DEFAULTS = {
  // The ordinary button is an outline; the one main action of a place says that it is.
  BButton: { variant: 'outline-dark' },
  BModal: { cancelVariant: 'outline-dark' },
  BFormRadioGroup: { buttonVariant: 'outline-dark' },
  BFormCheckboxGroup: { buttonVariant: 'outline-dark' },
  // A box that is not ticked says no, rather than nothing.
  BFormCheckbox: { uncheckedValue: false },
} as const;
