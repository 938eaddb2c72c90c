import 'server-only';
import {
  appendFileSync,
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { open } from 'node:fs/promises';
import { join } from 'node:path';

/** What makes written bytes stay through a power cut; a test may put a disk in its place that loses the rest. */
export interface Disk {
  /** What is in a file, or which names are in a folder, is on the disk when this returns. */
  readonly sync: (path: string) => Promise<void>;
}

export const DISK: Disk = {
  async sync(path) {
    const handle = await open(path, 'r');
    try {
      await handle.sync();
    } finally {
      await handle.close();
    }
  },
};

/** The name of a segment of PostgreSQL's log. */
const SEGMENT = /^[0-9A-F]{24}$/;

/** Milliseconds by which a file system's times may be coarse. */
const COARSE = 2_000;

export interface Durable {
  /** What was committed before this was called is on the disk when it returns. */
  readonly log: () => Promise<void>;
  /** Runs what makes a checkpoint: opening, CHECKPOINT, closing. A power cut within it costs nothing. */
  readonly checkpointed: <T>(work: () => Promise<T>) => Promise<T>;
  /** Puts back what a checkpoint had begun to replace when the power was cut; before the database is opened. */
  readonly mend: () => Promise<void>;
}

/**
 * PGlite writes to files and never asks for them to be on the disk (decision 0057). This asks: for the log before a command is
 * acknowledged, for all files at a checkpoint. Until all files are on the disk the checkpoint's own record, and the log that
 * goes before it, are kept aside: without them half a checkpoint would be taken for a whole one.
 *
 * `folder` is the data folder, `pg` the database's folder in it; what is kept aside lies beside it.
 */
export function durable(folder: string, pg = join(folder, 'pg'), disk: Disk = DISK): Durable {
  const wal = join(pg, 'pg_wal');
  const control = join(pg, 'global', 'pg_control');
  const before = `${pg}.before`;
  let since = 0;

  const segments = () => (existsSync(wal) ? readdirSync(wal).filter((name) => SEGMENT.test(name)) : []);

  let listed = '';
  const syncLog = async () => {
    const names = segments();
    for (const name of names) await disk.sync(join(wal, name));
    if (names.join() === listed) return;
    await disk.sync(wal);
    listed = names.join();
  };

  const syncAll = async () => {
    const begun = Date.now();
    const changed = (path: string) => statSync(path).mtimeMs >= since - COARSE;
    const visit = async (path: string): Promise<void> => {
      for (const entry of readdirSync(path, { withFileTypes: true })) {
        const inner = join(path, entry.name);
        if (entry.isDirectory()) await visit(inner);
        else if (entry.isFile() && changed(inner)) await disk.sync(inner);
      }
      if (changed(path)) await disk.sync(path);
    };
    await visit(pg);
    since = begun;
  };

  const forget = async () => {
    const done = `${before}.done`;
    rmSync(done, { recursive: true, force: true });
    // Half taken away it would be half put back.
    renameSync(before, done);
    await disk.sync(folder);
    rmSync(done, { recursive: true, force: true });
  };

  const keep = async () => {
    if (!existsSync(control)) return;
    const making = `${before}.making`;
    rmSync(making, { recursive: true, force: true });
    mkdirSync(making);
    copyFileSync(control, join(making, 'pg_control'));
    for (const name of segments()) linkSync(join(wal, name), join(making, name));
    await disk.sync(join(making, 'pg_control'));
    await disk.sync(making);
    if (existsSync(before)) await forget();
    renameSync(making, before);
    await disk.sync(folder);
  };

  /** A segment of the log that is used again would be written over where it is kept aside too. */
  const neverRecycle = () => {
    const settings = join(pg, 'postgresql.auto.conf');
    if (!existsSync(settings) || readFileSync(settings, 'utf8').includes('wal_recycle')) return;
    appendFileSync(settings, "wal_recycle = 'off'\n");
  };

  let running: Promise<void> | undefined;
  let next: Promise<void> | undefined;
  /** Whoever comes while the log goes to the disk waits for it to go once more: theirs may have come too late for it. */
  const log = (): Promise<void> => {
    if (!running) {
      running = syncLog().finally(() => (running = undefined));
      return running;
    }
    next ??= running
      .catch(() => undefined)
      .then(() => {
        next = undefined;
        return log();
      });
    return next;
  };

  return {
    log,
    async checkpointed(work) {
      neverRecycle();
      await keep();
      const value = await work();
      await syncAll();
      if (existsSync(before)) await forget();
      return value;
    },
    async mend() {
      // Left empty by a power cut it would keep PostgreSQL from starting; who owns the folder is known otherwise.
      rmSync(join(pg, 'postmaster.pid'), { force: true });
      if (!existsSync(before)) return;
      copyFileSync(join(before, 'pg_control'), `${control}.mended`);
      await disk.sync(`${control}.mended`);
      renameSync(`${control}.mended`, control);
      await disk.sync(join(pg, 'global'));
      // Written anew at each checkpoint, and perhaps half; it says nothing here, and may be missing.
      rmSync(join(pg, 'pg_logical', 'replorigin_checkpoint'), { force: true });
      for (const name of readdirSync(before))
        if (SEGMENT.test(name) && !existsSync(join(wal, name))) linkSync(join(before, name), join(wal, name));
      await disk.sync(wal);
      await forget();
    },
  };
}
