/** The text of a calendar file: apart, for whoever only has to know it. */
export const MOST_CALENDAR_CHARACTERS = 2_000_000;
