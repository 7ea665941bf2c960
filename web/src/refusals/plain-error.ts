/** An error whose message is a sentence for the person at the screen. */
export class PlainError extends Error {}
