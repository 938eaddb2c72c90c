'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { PACK_PLANS, planOfShare, typedPackPlan, type PackPlanEntry } from '@/core/portion/pack-plan';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { planPacks } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';
import type { SheetShare } from './weighed/view';

type By = PackPlanEntry['by'];

const WORDS: Readonly<Record<By, string>> = {
  'dog and day': 'one for each dog and day',
  meal: 'one for each meal',
  'household day': 'one a day, for all dogs',
  days: 'several days of a dog in one',
  weight: 'all of one weight',
  volume: 'all of one volume',
  containers: 'into our containers',
  pieces: 'whole pieces',
  cubes: 'cubes out of trays',
  slabs: 'slabs, cut',
  trays: 'one for each tray',
};
/** What is no meal has no dogs and no days. */
const BESIDE: ReadonlySet<By> = new Set(['dog and day', 'weight', 'volume', 'containers', 'cubes', 'slabs']);

const SIZE: Partial<Record<By, { label: string; hint: string }>> = {
  weight: { label: 'Each holds', hint: 'a weight' },
  volume: { label: 'Each holds', hint: 'a volume: 500 mL, 2 cups' },
  pieces: { label: 'Ten of them weigh, cooked', hint: 'they weigh less than raw' },
  cubes: { label: 'One tray of it weighs', hint: 'full, without the tray' },
};
const COUNT: Partial<Record<By, string>> = {
  days: 'Days in one',
  cubes: 'Cubes in a tray',
  slabs: 'Slabs',
};
const AIMS = [
  { value: 'fewest', label: 'as few as will do' },
  { value: 'least short', label: 'as full as can be' },
] as const;

/** How a share is filled into packs: chosen by its words, with the one or two figures that this way asks for. */
export function PackPlanForm({ view, share, title }: { view: BatchView; share: SheetShare; title: string }) {
  const { set } = useUnits();
  const kept = typedPackPlan(planOfShare(share), set);
  const [typed, setTyped] = useState(kept);
  const save = useCommand(planPacks, `plan-${share.id}`);
  const size = SIZE[typed.by];
  const count = COUNT[typed.by];
  const asks = size !== undefined || count !== undefined || typed.by === 'containers';
  const send = (entry: PackPlanEntry) => save.run({ batchId: view.id, shareId: share.id, entry });
  const change = (part: Partial<PackPlanEntry>) => {
    save.clear();
    setTyped({ ...typed, ...part });
  };
  const options = PACK_PLANS.filter((by) =>
    by === 'trays' ? share.dried !== undefined : !view.byProduct || BESIDE.has(by),
  ).map((by) => ({
    value: by,
    label: view.byProduct && by === 'dog and day' ? 'all in one' : WORDS[by],
  }));
  return (
    <form
      className={styles.packPlan}
      noValidate
      aria-label={`How it is filled: ${title}`}
      onSubmit={(event) => {
        event.preventDefault();
        send(typed);
      }}
    >
      <Choice
        label="Packs"
        value={typed.by}
        options={options}
        onChange={(by) => {
          const next = { ...typed, by, size: '', count: '', each: '' };
          save.clear();
          setTyped(next);
          if (!SIZE[by] && !COUNT[by]) send(next);
        }}
      />
      {size && (
        <Field
          label={size.label}
          hint={size.hint}
          autoComplete="off"
          value={typed.size}
          onChange={(event) => change({ size: event.target.value })}
          problem={save.at('size')}
        />
      )}
      {count && (
        <Field
          label={count}
          inputMode="numeric"
          autoComplete="off"
          value={typed.count}
          onChange={(event) => change({ count: event.target.value })}
          problem={save.at('count')}
        />
      )}
      {typed.by === 'cubes' && (
        <Field
          label="Cubes in a bag"
          inputMode="numeric"
          autoComplete="off"
          value={typed.each}
          onChange={(event) => change({ each: event.target.value })}
          problem={save.at('each')}
        />
      )}
      {typed.by === 'containers' && (
        <Choice
          label="How many"
          value={typed.aim}
          options={AIMS}
          onChange={(aim) => {
            change({ aim });
            send({ ...typed, aim });
          }}
        />
      )}
      {typed.by === 'containers' &&
        share.ownFills.map((said) => (
          <p key={said} className="note">
            {said}.
          </p>
        ))}
      {asks && typed.by !== 'containers' && (
        <Button type="submit" variant="outlined" disabled={save.pending}>
          Fill it so
        </Button>
      )}
      <Problems problems={save.atHead(...(size ? ['size'] : []), ...(count ? ['count'] : []), 'each')} />
    </form>
  );
}
