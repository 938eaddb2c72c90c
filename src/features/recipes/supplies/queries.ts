import 'server-only';
import { supplyEntryOf, type SupplyEntry } from '@/core/food/supply-entry';
import type { UnitSet } from '@/core/quantity/units';
import type { CannotBeRead } from '@/core/unreadable';
import { pageQuery } from '@/data/page';
import { readPantry, readSupply, type StoredSupply } from '@/data/repositories/pantry';
import { additionsOf, type KnownAddition } from '../queries';

export interface SuppliesView {
  readonly supplies: readonly StoredSupply[];
  readonly unread: readonly CannotBeRead[];
  readonly additions: readonly KnownAddition[];
  readonly currency: string;
}

export const suppliesView = pageQuery(async (read): Promise<SuppliesView> => {
  const { supplies, unread } = await readPantry(read.db, read.reference);
  return {
    supplies,
    unread,
    additions: await additionsOf(read),
    currency: read.household.currency,
  };
});

export interface SupplyForm {
  readonly id: number | undefined;
  /** What it says cannot be read: it is typed again. */
  readonly unread?: CannotBeRead;
  readonly archived: boolean;
  readonly entry: SupplyEntry;
  readonly currency: string;
  readonly set: UnitSet;
}

export const supplyForm = pageQuery(
  async ({ db, household }, id: number | undefined): Promise<SupplyForm | undefined> => {
    const blank = (name: string): SupplyEntry => ({ name, measure: 'tsp', measureGrams: '', amounts: [] });
    const common = { id, currency: household.currency, set: household.unitSet };
    if (id === undefined) return { ...common, archived: false, entry: blank('') };
    const supply = await readSupply(db, id);
    if (supply && 'why' in supply) return { ...common, archived: false, entry: blank(supply.name), unread: supply };
    return (
      supply && {
        ...common,
        archived: supply.archived,
        entry: supplyEntryOf(supply.name, supply.label),
      }
    );
  },
);
