'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { Choice } from '@/ui/form/Choice';
import { Fold } from '@/ui/Fold';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { partLot } from '../actions';
import type { OpenLot } from './queries';

interface PartProps {
  lot: OpenLot;
  onDone: (said: string, movementIds: readonly number[]) => void;
}

/** Some of an ingredient goes to another place by itself. */
export function Part({ lot, onDone }: PartProps) {
  const { readScale, scaleUnit } = useUnits();
  const [scale, setScale] = useState('');
  const [unread, setUnread] = useState<string>();
  const [placeId, setPlaceId] = useState(lot.moveTo[0]?.placeId ?? lot.placeId);
  const part = useCommand(partLot, `lot-${lot.holdingId}-part`, ({ movementIds }) => {
    setScale('');
    onDone(`Some of ${lot.name} lies by itself now.`, movementIds);
  });
  const submit = () => {
    const read = readScale(scale, 'asked');
    setUnread(read.ok ? undefined : read.problem.message);
    if (read.ok) part.run({ holdingId: lot.holdingId, grams: read.value, placeId });
  };
  return (
    <Fold title="Take some of it out" lazy>
      <form
        className="stack"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <Field
          label="So much of it"
          unit={scaleUnit}
          inputMode="decimal"
          autoComplete="off"
          value={scale}
          onChange={(event) => setScale(event.target.value)}
          problem={unread ?? part.at('grams')}
        />
        <Choice
          label="It goes to the"
          value={String(placeId)}
          options={[...lot.moveTo, { placeId: lot.placeId, name: lot.placeName }].map(({ placeId: id, name }) => ({
            value: String(id),
            label: name.toLowerCase(),
          }))}
          onChange={(id) => setPlaceId(Number(id))}
        />
        <Problems problems={part.atHead('grams')} />
        <div>
          <Button type="submit" variant="outlined" disabled={part.pending}>
            Take it out
          </Button>
        </div>
      </form>
    </Fold>
  );
}
