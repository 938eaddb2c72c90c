'use client';

import { useState } from 'react';
import { REHYDRATED_RULE, withWater, writeWater } from '@/core/preserve/rehydrate';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import type { OpenPack } from './queries';

/** Any portion of a dry pack: its grams, and the water that makes it what is fed. */
export function AnyPortion({ pack }: { pack: OpenPack }) {
  const { inMass, readScale, scaleUnit, set } = useUnits();
  const [text, setText] = useState('');
  if (!pack.isDry || pack.grams <= 0) return null;
  const read = readScale(text);
  const bowl = text.trim() !== '' && read.ok ? withWater(Number(read.value), pack.waterPerGram) : undefined;
  return (
    <div className="stack">
      <Field
        label="A part of it, dry"
        unit={scaleUnit}
        inputMode="decimal"
        autoComplete="off"
        value={text}
        onChange={(event) => setText(event.target.value)}
        problem={text.trim() !== '' && !read.ok ? read.problem.message : undefined}
        hint={REHYDRATED_RULE}
      />
      {bowl && (
        <p role="status">
          <b>
            {inMass(bowl.dry)} + {writeWater(bowl.water, set)} = {inMass(bowl.asFed)}
          </b>{' '}
          in the bowl
        </p>
      )}
    </div>
  );
}
