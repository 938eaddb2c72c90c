import { createHash, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { closeSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import type { Visitor } from '@/core/household/pin';
import { dataFolder } from '@/data/folder/where';
import { OF_ALL, OF_ONE, oneMore, waitOf, type Tries } from './waits';

/** What lies in the data folder as `door.json`: who may come in is known before the database is open, and no backup brings it back. */
const bookSchema = z.object({
  pin: z.object({ salt: z.string(), hash: z.string() }).optional(),
  sessions: z.array(
    z.object({
      /** SHA-256 of what the cookie holds: who reads the file is not in. */
      key: z.string(),
      name: z.string(),
      since: z.string(),
      seen: z.string(),
      from: z.string(),
    }),
  ),
});
type Book = z.infer<typeof bookSchema>;

interface Door {
  folder: string;
  book: Book;
  readonly wrong: Map<string, Tries>;
  wrongInAll: Tries | undefined;
  readonly tickets: Map<string, number>;
}

/** The cookie of somebody who came in. */
export const COOKIE = 'hodman-door';
const DAY = 86_400_000;
/** Who was not there for so long comes in anew. */
export const SESSION_DAYS = 180;
const MOST_SESSIONS = 40;
/** How long a code on the screen lets somebody in. */
export const TICKET_MINUTES = 5;
/** When somebody was seen is written down no more often. */
const SEEN_EVERY = 10 * 60_000;
/** The front page, the actions and the routes are built apart: what they share hangs here. */
const KEY = Symbol.for('hodman door');
const shelf = globalThis as unknown as Record<symbol, Door | undefined>;

const digest = (text: string): string => createHash('sha256').update(text).digest('hex');
const secret = (): string => randomBytes(32).toString('base64url');

function readBook(folder: string): Book {
  try {
    return bookSchema.parse(JSON.parse(readFileSync(join(folder, 'door.json'), 'utf8')));
  } catch {
    return { sessions: [] };
  }
}

function door(): Door {
  const folder = dataFolder();
  const own = shelf[KEY];
  if (own?.folder === folder) return own;
  return (shelf[KEY] = { folder, book: readBook(folder), wrong: new Map(), wrongInAll: undefined, tickets: new Map() });
}

/** Written beside and renamed: a file that is half written is never read. */
function write(book: Book): void {
  const own = door();
  mkdirSync(own.folder, { recursive: true });
  const path = join(own.folder, 'door.json');
  const file = openSync(`${path}.new`, 'w', 0o600);
  try {
    writeSync(file, JSON.stringify(book));
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(`${path}.new`, path);
  own.book = book;
}

/** scrypt with N 2^15, r 8, p 3: one of OWASP's equal choices (from memory), about a third of a second here. */
const hashOf = (pin: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(pin.trim(), salt, 32, { N: 2 ** 15, r: 8, p: 3, maxmem: 2 ** 26 }, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

export const hasPin = (): boolean => door().book.pin !== undefined;

/** Another PIN; everybody comes in anew. */
export async function setPin(pin: string): Promise<void> {
  const salt = randomBytes(16);
  const hash = await hashOf(pin, salt);
  write({ pin: { salt: salt.toString('base64'), hash: hash.toString('base64') }, sessions: [] });
  door().tickets.clear();
}

/** Whether a PIN is right, or how many ms nothing is looked at. It counts as wrong until it is known, so that many at once are many. */
export async function tryPin(pin: string, from: string, now: number): Promise<'right' | 'wrong' | { wait: number }> {
  const own = door();
  const wait = Math.max(waitOf(own.wrong.get(from), OF_ONE, now), waitOf(own.wrongInAll, OF_ALL, now));
  if (wait > 0) return { wait };
  own.wrong.set(from, oneMore(own.wrong.get(from), now));
  own.wrongInAll = oneMore(own.wrongInAll, now);
  const kept = own.book.pin;
  if (!kept) return 'wrong';
  const [asked, hash] = [await hashOf(pin, Buffer.from(kept.salt, 'base64')), Buffer.from(kept.hash, 'base64')];
  if (hash.length !== asked.length || !timingSafeEqual(asked, hash)) return 'wrong';
  own.wrong.delete(from);
  // Those that others got wrong meanwhile still count.
  own.wrongInAll = { ...own.wrongInAll, wrong: own.wrongInAll.wrong - 1 };
  return 'right';
}

/** A code that lets one device in once, for some minutes. */
export function newTicket(now: number): string {
  const { tickets } = door();
  for (const [key, until] of tickets) if (until < now) tickets.delete(key);
  const ticket = secret();
  tickets.set(digest(ticket), now + TICKET_MINUTES * 60_000);
  return ticket;
}

/** Whether a code lets somebody in; it does so once. */
export function spendTicket(ticket: string, now: number): boolean {
  const { tickets } = door();
  const key = digest(ticket);
  const until = tickets.get(key);
  tickets.delete(key);
  return until !== undefined && until >= now;
}

const living = (sessions: Book['sessions'], now: number) =>
  sessions.filter(({ seen }) => now - new Date(seen).getTime() < SESSION_DAYS * DAY);

/** Somebody came in: what their cookie is to hold. */
export function beginSession(name: string, from: string, now: number): string {
  const { book } = door();
  const token = secret();
  const at = new Date(now).toISOString();
  const sessions = [
    { key: digest(token), name: name.trim().slice(0, 40) || 'a device', since: at, seen: at, from },
    ...living(book.sessions, now),
  ].slice(0, MOST_SESSIONS);
  write({ ...book, sessions });
  return token;
}

/** Whether a cookie is of somebody who came in. */
export function isIn(token: string | undefined, now: number): boolean {
  if (token === undefined || token === '') return false;
  const { book } = door();
  const key = digest(token);
  const own = living(book.sessions, now).find((each) => each.key === key);
  if (!own) return false;
  if (now - new Date(own.seen).getTime() > SEEN_EVERY)
    try {
      const seen = new Date(now).toISOString();
      write({ ...book, sessions: book.sessions.map((each) => (each === own ? { ...each, seen } : each)) });
    } catch {
      // A full disk locks nobody out.
    }
  return true;
}

/** Who came in, the latest first. */
export const visitors = (now: number): Visitor[] =>
  living(door().book.sessions, now).map(({ key, name, since, seen, from }) => ({
    id: key.slice(0, 16),
    name,
    since: new Date(since),
    seen: new Date(seen),
    from,
  }));

/** One of them comes in anew, or all. */
export function endSessions(id?: string): void {
  const { book } = door();
  write({ ...book, sessions: id === undefined ? [] : book.sessions.filter(({ key }) => !key.startsWith(id)) });
}
