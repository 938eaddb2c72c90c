import 'server-only';
import { orUnread, Unreadable, type CannotBeRead, type Mend, type UnreadKind } from '@/core/unreadable';
import { pageQuery, type Page } from '@/data/page';
import { readBatch, readListedBatch } from '@/data/repositories/batches';
import { readDog } from '@/data/repositories/dogs';
import { readSupply } from '@/data/repositories/pantry';
import { readStoredPlan } from '@/data/repositories/plans';
import { readUnreadVersions } from '@/data/repositories/recipes';
import { readPacks } from '@/data/repositories/stock';

const LOOK: Readonly<Record<UnreadKind, (page: Page, id: number) => Promise<CannotBeRead | undefined>>> = {
  supply: async ({ db }, id) => {
    const found = await readSupply(db, id);
    return found && 'why' in found ? found : undefined;
  },
  recipe: async ({ db, reference }, id) => (await readUnreadVersions(db, reference, id)).at(-1)?.unread,
  plan: async ({ db }, id) => (await readStoredPlan(db, id))?.unread,
  batch: async ({ db, household }, id) => {
    const found = await orUnread(readBatch(db, id, household.energyFactors));
    if (found instanceof Unreadable) return found.what;
    return found && (await readListedBatch(db, id))?.unread;
  },
  dog: async ({ db }, id) => (await readDog(db, id))?.unread,
  pack: async ({ db }, id) => {
    const found = await orUnread(readPacks(db, [id]));
    return found instanceof Unreadable ? found.what : undefined;
  },
};

/** What of something cannot be read; undefined: nothing, or it is not here. */
export const mendView = pageQuery((page, { kind, id }: Mend): Promise<CannotBeRead | undefined> =>
  LOOK[kind](page, id),
);
