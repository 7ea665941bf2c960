/** Which score note a heard one was taken for: `merged` notes before it on the same pitch are in it too. */
export interface Match {
  readonly heard: number;
  readonly score: number;
  readonly merged: number;
}
