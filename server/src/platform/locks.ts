/** The advisory locks of the database, so that no two mean different things by one number. */
export const LOCKS = {
  /** Two servers that start together load the demo once. */
  demo: 20_261,
  /** Numbers of records are given in the order of the commits. */
  recordNumbers: 20_262,
  firstRun: 20_263,
  migrations: 20_264,
  /** One recording at a time comes into a school's room. */
  recordings: 20_265,
} as const;
