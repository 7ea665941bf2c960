/** What a user can cause to go wrong is a value, not an exception. */
export type Result<Value, Problem> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly error: Problem };

export function success<Value>(value: Value): { readonly ok: true; readonly value: Value } {
  return { ok: true, value };
}

export function failure<Problem>(error: Problem): { readonly ok: false; readonly error: Problem } {
  return { ok: false, error };
}
