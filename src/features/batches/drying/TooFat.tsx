'use client';

import { writeNumber } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { Caution } from '@/ui/Caution';
import { useUnits } from '@/ui/units';
import type { DryingProps } from './use-drying';

/** Fat does not dry: said before it lies on trays, with the lines that bring it. */
export function TooFat({ view, share }: DryingProps) {
  const { inMass } = useUnits();
  const { fatty, fatLines, energyUnknown } = sure(view.weighed);
  if (fatty === undefined) return null;
  return (
    <Caution role="status">
      {writeNumber(fatty * 100, 0)} % of its dry matter is fat, more than 20 %: fat does not dry
      {share.method === 'dehydrated' ? ' and goes rancid: dehydrate lean food only' : ', and it keeps half as long'}.
      {fatLines.length > 0 &&
        ` Most of it is in ${fatLines.map(({ name, grams }) => `${name} (${inMass(grams)} of fat)`).join(', ')}.`}
      {energyUnknown.length > 0 && ` The fat of ${energyUnknown.join(', ')} is not known.`}
    </Caution>
  );
}
