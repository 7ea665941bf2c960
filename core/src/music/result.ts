/** What a user can cause to go wrong is a value, not an exception. */
export type Result<Value, Fault> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly fault: Fault };

export function success<Value>(value: Value): { readonly ok: true; readonly value: Value } {
  return { ok: true, value };
}

export function failure<Fault>(fault: Fault): { readonly ok: false; readonly fault: Fault } {
  return { ok: false, fault };
}
