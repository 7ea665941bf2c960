import type { NoteColours } from '@escalier/core/practice';
import { LETTERS } from '@escalier/core/music';
import * as z from 'zod/mini';
import {
  count,
  email,
  id,
  uuid,
  linkToken,
  named,
  personName,
  type ReadOf,
  text,
  timeZone,
  typed,
  version,
  writtenMoment,
} from './fields.ts';
import { english } from './english.ts';

/** What somebody may do at a school: all of it, teach and set up classes, or only hear pupils. */
export const ROLES = ['owner', 'teacher', 'assistant'] as const;
export type Role = (typeof ROLES)[number];
export const role = z.enum(ROLES);

const FEWEST_LETTERS = 12;
const MOST_LETTERS = 200;
const password = z.string().check(z.minLength(1), z.maxLength(MOST_LETTERS));
export const newPassword = text().check(z.minLength(FEWEST_LETTERS, 'short-password'), z.maxLength(MOST_LETTERS));

/** What the sign-in page begins with. */
export const signInPage = z.object({
  /** Offered on the page; null outside the demo. */
  demo: z.nullable(z.object({ email: z.string(), password: z.string() })),
  /** Nobody has set up a school here yet. */
  firstRun: z.boolean(),
});
export type DemoAccount = NonNullable<ReadOf<typeof signInPage>['demo']>;
export const credentials = z.object({ email, password });

/** Of note heads, by letter. */
export const noteColours = z.record(z.enum(LETTERS), z.string()) satisfies z.ZodMiniType<NoteColours>;

/** Who is signed in. */
export const Me = z.object({
  name: z.string(),
  email: z.string(),
  school: z.string(),
  role,
  /** IANA name. */
  timeZone: z.string(),
  english,
  /** Of the school's name and clock. */
  schoolVersion: count,
  /** Null for the usual ones. */
  noteColours: z.nullable(noteColours),
  /** When the session runs out. */
  until: writtenMoment,
});
export type Me = ReadOf<typeof Me>;

/** 256 bits in base64url: seals on a device what it has not sent yet. */
export const sealSecret = z.object({ key: z.string() });

export const passwordChange = z.object({ current: password, next: newPassword });

/** A device that is signed in. */
export const SessionLine = z.object({
  id,
  device: z.string(),
  createdAt: writtenMoment,
  seenAt: writtenMoment,
  /** The one that asks. */
  here: z.boolean(),
});
export type SessionLine = ReadOf<typeof SessionLine>;
export const sessionList = z.array(SessionLine);

const classIds = z.array(uuid).check(z.maxLength(200));

export const PersonChange = z.object({ role, classIds, closed: z.boolean(), version });
export type PersonChange = z.output<typeof PersonChange>;
export const InvitationInput = z.object({ name: personName, role, classIds });
export type InvitationInput = z.output<typeof InvitationInput>;

export const PersonLine = z.object({
  id,
  name: z.string(),
  email: z.string(),
  role,
  classIds: z.array(id),
  /** Null when there is no session. */
  seenAt: z.nullable(writtenMoment),
  closed: z.boolean(),
  version,
});
export type PersonLine = ReadOf<typeof PersonLine>;

export const InvitationLine = z.object({
  id,
  name: z.string(),
  role,
  classIds: z.array(id),
  /** For a new password rather than a new account. */
  forAccount: z.boolean(),
  expiresAt: writtenMoment,
});
export type InvitationLine = ReadOf<typeof InvitationLine>;

export const People = z.object({
  people: z.array(PersonLine),
  invitations: z.array(InvitationLine),
  classes: z.array(named),
});
export type People = ReadOf<typeof People>;

/** The end of a link: shown once, kept nowhere. */
export const NewLink = z.object({ token: linkToken, expiresAt: writtenMoment });
export type NewLink = ReadOf<typeof NewLink>;

/** What a link invites to. */
export const Invited = z.object({
  school: z.string(),
  name: z.string(),
  role,
  /** Known where only a password is to be set. */
  email: z.nullable(z.string()),
});
export type Invited = ReadOf<typeof Invited>;
export const acceptance = z.object({ name: personName, email, password: newPassword });

export const schoolName = typed(1, 100);

/** Sets up the first school of an empty database. */
export const firstRun = z.object({
  code: typed(0, 40),
  school: schoolName,
  timeZone,
  name: personName,
  email,
  password: newPassword,
});
