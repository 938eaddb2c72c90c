'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import type { LeftEntry } from '@/core/stock/left';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { Segments } from '@/ui/form/Segments';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { leaveInBowl } from '../actions';
import styles from '../today.module.css';

const MUCH = [
  { value: '1', label: 'all of it: refused' },
  { value: '0.5', label: 'half' },
  { value: '0.25', label: 'a quarter' },
  { value: 'weighed', label: 'weighed' },
] as const;
const FATES = [
  { value: 'thrown', label: 'thrown away' },
  { value: 'fridge', label: 'back into its pack, in the fridge' },
] as const;

/** What a dog left of its bowl, by eye or by weight, and what became of it. */
export function LeftForm({ bowlId, whose, onDone }: { bowlId: number; whose: string; onDone: () => void }) {
  const { readScale, scaleUnit } = useUnits();
  const [much, setMuch] = useState<(typeof MUCH)[number]['value']>('0.5');
  const [fate, setFate] = useState<LeftEntry['fate']>('thrown');
  const [text, setText] = useState('');
  const [unread, setUnread] = useState<string>();
  const leave = useCommand(leaveInBowl, `left-${bowlId}`, onDone);
  const submit = () => {
    if (much !== 'weighed') {
      leave.run({ bowlId, much: { part: Number(much) }, fate });
      return;
    }
    const read = readScale(text);
    setUnread(read.ok ? undefined : read.problem.message);
    if (read.ok) leave.run({ bowlId, much: { grams: read.value }, fate });
  };
  return (
    <form
      className={styles.mealForm}
      noValidate
      aria-label={`Left of ${whose}`}
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Segments label="How much it left" value={much} options={MUCH} onChange={setMuch} />
      {much === 'weighed' && (
        <Field
          label="In the bowl, without the bowl"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={unread ?? leave.at('much')}
        />
      )}
      <Segments label="What became of it" value={fate} options={FATES} onChange={setFate} />
      {leave.at('fate') !== undefined && <p className="danger">{leave.at('fate')}</p>}
      <Problems problems={leave.atHead('fate', ...(much === 'weighed' ? ['much'] : []))} />
      <Button type="submit" variant="contained" disabled={leave.pending}>
        That is what it left
      </Button>
    </form>
  );
}
