import 'server-only';
import type { KnownFood } from '@/core/food/food';
import type { Quantity } from '@/core/quantity/quantity';
import { grams } from '@/core/quantity/units';
import { writePlain } from '@/core/quantity/write';
import type { ComponentEntry, LineEntry } from '@/core/recipe/entry-schema';
import type { WrittenLine } from '@/core/recipe/written';
import { ifRead, isUnread } from '../schema/kept-json';
import type { component, line } from '../schema/recipes';
import { sure } from '@/core/sure';

/** A line that was read: its amount in the cook's own words, and what it comes to for one unit of its basis. */
export interface StoredLine extends WrittenLine {
  readonly amount: string;
  readonly quantity: Quantity;
}

export type LineRow = typeof line.$inferSelect;
export type ComponentRow = typeof component.$inferSelect;
/** What a line takes; undefined where that is not here, or cannot be read. */
export type SourceOf = (row: LineRow) => KnownFood | undefined;

export const componentEntry = (row: ComponentRow): ComponentEntry => ({
  name: row.name,
  ...(row.vessel ? { vessel: row.vessel } : {}),
  ...(row.method ? { method: row.method } : {}),
  ...(row.minutes === null ? {} : { minutes: String(row.minutes) }),
  ...(row.celsius === null ? {} : { celsius: `${writePlain(row.celsius, 2)} °C` }),
});

/** What of the lines cannot be read, in words: an amount, or what a line takes. */
export const unreadLines = (
  rows: readonly LineRow[],
  sourceOf: SourceOf,
  nameOf: (row: LineRow) => string | undefined,
): string[] =>
  rows.flatMap((row, index) => {
    const own = `line ${index + 1} (${[row.amount, row.preparation ?? nameOf(row)].filter(Boolean).join(' ')})`;
    if ([row.quantity, row.per, row.bone].some(isUnread)) return [`the amount in ${own}`];
    if (row.grams === null || sourceOf(row)) return [];
    return [`what ${own} takes`];
  });

/** The lines that were read; a line that is bound to another one names its place among them. */
export function writtenOf(
  rows: readonly LineRow[],
  components: readonly ComponentRow[],
  sourceOf: SourceOf,
): StoredLine[] {
  const read = rows.filter((row) => row.grams !== null);
  return read.map((row) => {
    const source = sure(sourceOf(row));
    const per = ifRead(row.per);
    const bone = ifRead(row.bone);
    const bound = per?.line === undefined ? undefined : rows[per.line];
    const component = components.findIndex((each) => each.id === row.componentId);
    return {
      amount: row.amount,
      quantity: sure(ifRead(row.quantity)),
      text: row.preparation || source.food.name,
      grams: grams(sure(row.grams)),
      source,
      part: row.part,
      moment: row.moment,
      basis: row.basis,
      ...(per ? { per: { ...per, ...(bound ? { line: read.indexOf(bound) } : {}) } } : {}),
      refuse: row.refuse,
      strained: row.strained,
      ...(bone ? { bone: { ...(bone.share === undefined ? {} : { share: bone.share }) } } : {}),
      state: row.state,
      ...(row.choice ? { choice: row.choice } : {}),
      ...(row.preparation ? { preparation: row.preparation } : {}),
      ...(component > 0 ? { component } : {}),
    };
  });
}

/** A stored line as it was typed. Of one that cannot be read its words stay, and its food is asked for again. */
export function lineEntry(
  row: LineRow,
  components: readonly ComponentRow[],
  sourceOf: SourceOf,
  nameOf: (row: LineRow) => string | undefined,
): LineEntry {
  const known = sourceOf(row);
  const [per, bone] = [ifRead(row.per), ifRead(row.bone)];
  const place = components.findIndex((each) => each.id === row.componentId);
  const percent = Number((row.refuse * 100).toPrecision(6));
  const plainRefuse = row.refuse === (row.strained ? 1 : 0);
  return {
    amount: row.amount,
    ndb: known?.food.ndb ?? '',
    preparation: row.preparation ?? (known ? '' : (nameOf(row) ?? '')),
    part: row.part,
    moment: row.moment,
    ...(row.basis === 'batch' ? {} : { basis: row.basis }),
    ...(per?.text ? { perAmount: per.text } : {}),
    ...(per?.line === undefined ? {} : { perLine: per.line }),
    ...(plainRefuse ? {} : { refuse: String(percent) }),
    ...(row.strained ? { strained: true } : {}),
    ...(bone?.typed === undefined ? {} : { bone: bone.typed }),
    ...(row.state === 'raw' ? {} : { state: row.state }),
    ...(row.choice ? { choice: row.choice } : {}),
    ...(place > 0 ? { component: place } : {}),
    ...(row.grams === null ? { words: true } : {}),
  };
}
