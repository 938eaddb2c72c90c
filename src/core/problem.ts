/** Something that a cook can put right: a sentence in plain words, and the field that it belongs to. */
export interface Problem {
  readonly message: string;
  readonly field?: string;
}

/** What a core function returns where a cook's input may be impossible; it throws only for a programmer's error. */
export type Outcome<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

export const fine = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const refused = (message: string, field?: string): { readonly ok: false; readonly problem: Problem } => ({
  ok: false,
  problem: field === undefined ? { message } : { message, field },
});

/** What comes back from a command: its value, or why nothing was changed. */
export type CommandResult<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };
