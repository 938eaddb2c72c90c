'use client';

import { onTheBooks } from '@/core/stock/lot';
import { Choice } from '@/ui/form/Choice';
import { useUnits } from '@/ui/units';
import type { SheetLine } from '../view';

interface FromHouseProps {
  line: SheetLine;
  /** g that are on the scale. */
  grams: number;
  from: readonly number[];
  onChange: (from: number[]) => void;
}

/** From which of what is in the house a line is taken: by itself the first to expire, or as the cook says. */
export function FromHouse({ line, grams, from, onChange }: FromHouseProps) {
  const { inMass } = useUnits();
  const lots = line.house ?? [];
  const [first] = lots;
  if (!first) return null;
  const named = lots.find(({ holdingId }) => holdingId === from[0]);
  const taken = named ?? first;
  const { missing, doubtful } = onTheBooks(
    grams,
    lots.map((lot) => ({ ...lot, isDoubtful: lot.caution !== undefined && lot.holdingId !== named?.holdingId })),
  );
  return (
    <div>
      {lots.length === 1 ? (
        <p className="note">
          {inMass(first.grams)} {first.said}
        </p>
      ) : (
        <Choice
          label="Taken first from"
          value={String(named?.holdingId ?? '')}
          options={[
            { value: '', label: `the first to expire: ${inMass(first.grams)} ${first.said}` },
            ...lots.map((lot) => ({ value: String(lot.holdingId), label: `${inMass(lot.grams)} ${lot.said}` })),
          ]}
          onChange={(id) => onChange(id === '' ? [] : [Number(id)])}
        />
      )}
      {taken.caution && <p className="caution">Look: {taken.caution}.</p>}
      {taken.inFreezer && <p className="caution">Look: by the books it is in the freezer still.</p>}
      {missing >= 1 && <p className="note">{inMass(missing)} more than the books hold: cook it all the same.</p>}
      {doubtful >= 1 && (
        <p className="caution">{inMass(doubtful)} of what they hold is to be looked at before it goes in.</p>
      )}
    </div>
  );
}
