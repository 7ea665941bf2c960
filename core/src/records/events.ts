export const OUTCOMES = ['passed', 'nearly', 'not-yet'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** How the school took an event in; absent as long as it is only on the device where it was made. */
export interface Receipt {
  /** Counts up: the order in which the school got the events. */
  readonly number: number;
  /** So many seconds was the device's clock ahead of the school's; negative when it was behind. */
  readonly deviceAhead: number;
}

/** Where something went wrong while a pupil played: in a bar, or at a note of it. */
export interface Fault {
  /** The id of a remark; absent for a place that is marked and no more. */
  readonly remark?: string | undefined;
  /** As printed. */
  readonly bar: number;
  /** Indices into the tune's bars and into that bar's notes and rests. */
  readonly barIndex: number;
  readonly eventIndex?: number | undefined;
}

/** What of a tune was heard when it was not all of it. */
export interface Extent {
  /** First and last bar, as printed. */
  readonly bars: readonly [number, number];
  /** Their indices in the tune. */
  readonly indices: readonly [number, number];
  /** Below the tempo of the tune. */
  readonly slowly: boolean;
}

/** What was proposed by listening, kept beside what the teacher decided. */
export interface ListenedTo {
  /** Of the recording; absent when the pupil was listened to live. */
  readonly recordingId?: string | undefined;
  /** Null where nothing was proposed. */
  readonly outcome: Outcome | null;
  /** Ids of remarks. */
  readonly remarks: readonly string[];
}

/** A pupil was heard on a step. Never changed: a wrong tap is undone, or corrected, by a further event. */
export interface HeardEvent {
  readonly kind: 'heard';
  /** UUID v7, made where it was recorded. */
  readonly id: string;
  readonly pupilId: string;
  readonly stepId: string;
  /** Which of the step's tunes; absent for its first. */
  readonly tuneId?: string | undefined;
  readonly outcome: Outcome;
  /** Ids of remarks to work on. */
  readonly remarks: readonly string[];
  /** Beats a minute that were reached, when somebody noted them. */
  readonly tempo?: number | undefined;
  readonly faults?: readonly Fault[] | undefined;
  /** Absent when the whole tune was heard. */
  readonly extent?: Extent | undefined;
  /** Absent where nobody but the teacher listened. */
  readonly listened?: ListenedTo | undefined;
  /** The device's time, ISO 8601 in UTC. */
  readonly heardAt: string;
  /** The event in whose place this one stands, with the reason. */
  readonly corrects?: string | undefined;
  readonly reason?: string | undefined;
  readonly receipt?: Receipt | undefined;
}

/**
 * Takes back a heard event, and with it every correction that was made of it: who undoes a hearing means that it never
 * was. Undoing a correction brings back what it corrected.
 */
export interface UndoneEvent {
  readonly kind: 'undone';
  readonly id: string;
  readonly pupilId: string;
  readonly undoes: string;
  /** Absent where a tap was undone at once. */
  readonly reason?: string | undefined;
  readonly receipt?: Receipt | undefined;
}

export type RecordEvent = HeardEvent | UndoneEvent;

/** From so many seconds on, the clock of a device counts as wrong and is shown so. */
export const WRONG_CLOCK_SECONDS = 120;

/** When a pupil was heard by the school's clock, ISO 8601 in UTC: what the device said, less what it was ahead. */
export function schoolTime({ heardAt, receipt }: HeardEvent): string {
  const ahead = receipt?.deviceAhead ?? 0;
  if (Math.abs(ahead) < WRONG_CLOCK_SECONDS) return heardAt;
  return new Date(Date.parse(heardAt) - ahead * 1000).toISOString();
}

/**
 * Before or after: by the school's numbers; what it has not got yet comes last, in the order in which it was made.
 * Negative when `a` comes first.
 */
export function inOrder(a: RecordEvent, b: RecordEvent): number {
  const [first, second] = [a.receipt?.number ?? Infinity, b.receipt?.number ?? Infinity];
  return first === second ? compareText(a.id, b.id) : first - second;
}

export function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/**
 * The hearings that count, in order: each event once, without those taken back. Of a hearing and its corrections the
 * last that is not taken back counts, in the place and at the time of the hearing itself. Any order and any repetition
 * of the same events gives the same.
 */
export function hearings(events: Iterable<RecordEvent>): readonly HeardEvent[] {
  const undone = new Set<string>();
  const unique = new Map<string, HeardEvent>();
  for (const event of events) {
    if (event.kind === 'undone') undone.add(event.undoes);
    // Of two copies of one event, that which the school has tells more.
    else if (unique.get(event.id)?.receipt === undefined) unique.set(event.id, event);
  }
  const last = new Map<string, HeardEvent>();
  for (const event of unique.values()) {
    const chain = chainOf(event, unique);
    if (chain.some((id) => undone.has(id))) continue;
    const root = chain.at(-1)!;
    const other = last.get(root);
    if (other === undefined || inOrder(other, event) < 0) last.set(root, event);
  }
  return [...last]
    .map(([root, event]) => ({ event, heard: unique.get(root) ?? event }))
    .toSorted((a, b) => inOrder(a.heard, b.heard))
    .map(({ event, heard }) => (event === heard ? event : { ...event, heardAt: heard.heardAt, ...receiptOf(heard) }));
}

/** A hearing that was taken back, as it was. */
export interface TakenBack {
  readonly heard: HeardEvent;
  readonly undone: UndoneEvent;
}

/**
 * The hearings that were taken back with a reason and not restored, in the order in which it was done. One that is
 * restored is there again as a new hearing of the same step at the same moment.
 */
export function takenBack(events: readonly RecordEvent[]): readonly TakenBack[] {
  const heard = new Map(events.flatMap((event) => (event.kind === 'heard' ? [[event.id, event] as const] : [])));
  const counting = new Set(hearings(events).map(placeOf));
  const found = new Map<string, TakenBack>();
  for (const undone of events) {
    if (undone.kind !== 'undone' || undone.reason === undefined) continue;
    const meant = heard.get(undone.undoes);
    // A correction that is taken back leaves what it corrected.
    if (meant?.corrects !== undefined) continue;
    if (meant !== undefined && !counting.has(placeOf(meant))) found.set(meant.id, { heard: meant, undone });
  }
  return [...found.values()].toSorted((a, b) => inOrder(a.undone, b.undone));
}

const placeOf = ({ pupilId, stepId, heardAt }: HeardEvent): string => `${pupilId} ${stepId} ${heardAt}`;

function receiptOf({ receipt }: HeardEvent): { readonly receipt?: Receipt } {
  return receipt === undefined ? {} : { receipt };
}

/** The ids from an event down to the hearing that its corrections go back to. */
function chainOf(event: HeardEvent, all: ReadonlyMap<string, HeardEvent>): readonly string[] {
  const chain = [event.id];
  for (let at: HeardEvent | undefined = event; at?.corrects !== undefined && !chain.includes(at.corrects);) {
    chain.push(at.corrects);
    at = all.get(at.corrects);
  }
  return chain;
}
