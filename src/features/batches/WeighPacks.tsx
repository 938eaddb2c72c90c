'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Keypad } from '@/ui/counter/Keypad';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { weighPacksAgain } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';
import type { SealedPack } from './weighed/view';

interface WeighPacksProps {
  view: BatchView;
  packs: readonly SealedPack[];
  onDone: () => void;
}

/** Sealed packs on the scale again: the difference goes back into their share, or comes out of it. */
export function WeighPacks({ view, packs, onDone }: WeighPacksProps) {
  const { readScale, scaleUnit, toType } = useUnits();
  const whole = packs.filter((pack) => pack.whole);
  const [typed, setTyped] = useState(() => whole.map((pack) => toType(pack.sealedGrams)));
  const [tried, setTried] = useState(false);
  const weigh = useCommand(weighPacksAgain, `weigh-packs-${view.id}-${view.revision}`, onDone);
  const read = typed.map((text) => readScale(text));
  const fields = whole.map((_, index) => `packs.${index}`);
  return (
    <form
      className="stack"
      noValidate
      aria-label="Packs weighed again"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        const weights = read.flatMap((each) => (each.ok ? [each.value] : []));
        if (weights.length < whole.length) return;
        weigh.run({
          batchId: view.id,
          revision: view.revision,
          packs: whole.map(({ holdingId }, index) => ({ holdingId, grams: weights[index] ?? NaN })),
        });
      }}
    >
      <p className="note">
        Without their bags. What a pack weighs less goes back into its share; what it weighs more comes out of it.
        {whole.length < packs.length && ' Packs that were opened or fed from stay as they are.'}
      </p>
      <Problems problems={weigh.atHead(...fields)} />
      <div className={styles.weighPacks}>
        {whole.map((pack, index) => {
          const own = read[index];
          return (
            <Field
              key={pack.code}
              label={`${pack.code}, ${pack.dogName ?? 'anybody'}`}
              unit={scaleUnit}
              inputMode="decimal"
              autoComplete="off"
              value={typed[index] ?? ''}
              onChange={(event) => {
                weigh.clear();
                setTyped(typed.map((text, place) => (place === index ? event.target.value : text)));
              }}
              problem={tried && own && !own.ok ? own.problem.message : weigh.at(`packs.${index}`)}
            />
          );
        })}
      </div>
      <div className={styles.acts}>
        <Button type="submit" variant="contained" disabled={weigh.pending || whole.length === 0}>
          That is what they weigh
        </Button>
        <Button variant="text" onClick={onDone}>
          leave it
        </Button>
      </div>
      <Keypad />
    </form>
  );
}
