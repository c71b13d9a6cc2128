/** An expected failure: what is wrong, quoting the bad value, and what to do about it. */
export interface Issue<Code extends string = string> {
  readonly code: Code;
  readonly message: string;
}

export type Result<T, I extends Issue = Issue> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly issue: I };

export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

export const fail = <Code extends string>(
  code: Code,
  message: string,
): { readonly ok: false; readonly issue: Issue<Code> } => ({ ok: false, issue: { code, message } });
