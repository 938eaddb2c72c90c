type Kind = 'session' | 'local';

/** Where the browser keeps nothing for pages (blocked, or full) what was to be kept is known until the page is left. */
const here = new Map<string, string>();

function kept(kind: Kind): Storage | undefined {
  try {
    // A browser that blocks it throws when it is asked for it.
    return kind === 'session' ? globalThis.sessionStorage : globalThis.localStorage;
  } catch {
    return undefined;
  }
}

const at = (kind: Kind, key: string) => `${kind} ${key}`;

/** What was kept in this tab (`session`) or this browser (`local`); null where nothing was. It never throws. */
export function readKept(kind: Kind, key: string): string | null {
  const known = here.get(at(kind, key));
  if (known !== undefined) return known;
  try {
    return kept(kind)?.getItem(key) ?? null;
  } catch {
    return null;
  }
}

/** Keeps a text as well as this browser can: at worst until the page is left. */
export function keep(kind: Kind, key: string, text: string): void {
  here.delete(at(kind, key));
  try {
    const store = kept(kind);
    if (store) store.setItem(key, text);
    else here.set(at(kind, key), text);
  } catch {
    here.set(at(kind, key), text);
    forgetStored(kind, key);
  }
}

function forgetStored(kind: Kind, key: string): void {
  try {
    kept(kind)?.removeItem(key);
  } catch {
    // What cannot be taken away was not kept.
  }
}

export function forget(kind: Kind, key: string): void {
  here.delete(at(kind, key));
  forgetStored(kind, key);
}
