'use client';

import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { gramsHolding } from '@/core/nutrition/density';
import { useState } from 'react';
import { GUEST_SOURCE, guestKcal, lastsOf } from '@/core/portion/lasts';
import { readBodyWeight } from '@/core/quantity/weight';
import { writeNumber } from '@/core/quantity/write';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import type { WeighedView } from './weighed/view';

/** How long the pot lasts when others eat along: dogs of the house that it was not planned for, or a guest by its weight. */
export function Guests({ weighed }: { weighed: WeighedView }) {
  const { set } = useUnits();
  const [along, setAlong] = useState<readonly number[]>([]);
  const [text, setText] = useState('');
  const read = text.trim() === '' ? undefined : readBodyWeight(text, set);
  const guest = read?.ok ? gramsHolding(guestKcal(read.value), weighed.density) : 0;
  const others = weighed.others.filter(({ dogId }) => along.includes(dogId));
  const lasts = lastsOf(weighed.net, [
    ...weighed.portions.map(({ gramsADay }) => gramsADay),
    ...others.map(({ gramsADay }) => gramsADay),
    guest,
  ]);
  const more = others.length > 0 || guest > 0;
  return (
    <Fold title="With guests">
      <div className="stack">
        {weighed.others.map(({ dogId, name }) => (
          <FormControlLabel
            key={dogId}
            control={
              <Checkbox
                checked={along.includes(dogId)}
                onChange={(_, on) => setAlong(on ? [...along, dogId] : along.filter((each) => each !== dogId))}
              />
            }
            label={`${name} eats along`}
          />
        ))}
        <Field
          label="A guest who weighs"
          unit={set === 'us' ? 'lb' : 'kg'}
          inputMode="decimal"
          autoComplete="off"
          value={text}
          onChange={(event) => setText(event.target.value)}
          problem={read && !read.ok ? read.problem.message : undefined}
          hint={GUEST_SOURCE}
        />
        {more && lasts.together !== undefined && (
          <p role="status">
            With them it lasts <b>{writeNumber(lasts.together, 1)} days</b>.
          </p>
        )}
      </div>
    </Fold>
  );
}
