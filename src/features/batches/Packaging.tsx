'use client';

import { absorberFor, bagFor } from '@/core/preserve/bagging';
import { planOfShare } from '@/core/portion/pack-plan';
import { PACKAGINGS, type Packaging } from '@/core/preserve/shelf-life';
import { writeNumber } from '@/core/quantity/write';
import { Choice } from '@/ui/form/Choice';
import { Segments } from '@/ui/form/Segments';
import { useUnits } from '@/ui/units';
import styles from './batches.module.css';
import type { SheetShare } from './weighed/view';

/** How food is packed, as it is chosen beside the packs to seal. */
export interface PackedIn {
  readonly packaging: Packaging | '';
  readonly how: 'together' | 'tray by tray';
}
export const NOT_SAID: PackedIn = { packaging: '', how: 'together' };

const HOWS = [
  { value: 'together', label: 'put together first' },
  { value: 'tray by tray', label: 'tray by tray' },
] as const;
const DRY_FIRST: readonly Packaging[] = ['barrier bag with absorber', 'barrier bag', 'jar', 'vacuum bag', 'bag', 'tub'];

interface PackagingFieldsProps {
  share: SheetShare;
  value: PackedIn;
  onChange: (value: PackedIn) => void;
}

/** In what a share is packed, for how long it keeps so, and the absorber that a bag of dry food takes. */
export function PackagingFields({ share, value, onChange }: PackagingFieldsProps) {
  const { inMass } = useUnits();
  const isDry = share.fate === 'dry';
  const largest = Math.max(0, ...share.proposed.map(({ grams }) => grams));
  const absorber = isDry ? absorberFor(bagFor(largest)) : undefined;
  const keeps = share.keeps.find(
    ({ packaging }) => packaging === (value.packaging === '' ? undefined : value.packaging),
  );
  return (
    <div className={styles.packPlan}>
      <Choice
        label="Packed in"
        value={value.packaging}
        options={[
          { value: '' as Packaging | '', label: isDry ? 'what?' : 'tubs or bags' },
          ...(isDry ? DRY_FIRST : PACKAGINGS.filter((each) => !each.startsWith('barrier'))).map((each) => ({
            value: each,
            label: each,
          })),
        ]}
        onChange={(packaging) => onChange({ ...value, packaging })}
      />
      {isDry && share.trays.length > 1 && planOfShare(share).by !== 'trays' && (
        <Segments
          label="How they are filled"
          value={value.how}
          options={HOWS}
          onChange={(how) => onChange({ ...value, how })}
        />
      )}
      <p className="note" role="status">
        {keeps && keeps.said !== '' && `${keeps.said}. `}
        {absorber &&
          value.packaging === 'barrier bag with absorber' &&
          `${inMass(largest)} crumbled ask for a bag of about ${writeNumber(bagFor(largest) / 1000, 1)} L: an absorber of ${absorber.cc} cc (as for ${absorber.words}; common practice).`}
        {isDry && value.packaging === 'barrier bag with absorber' && !absorber && largest > 0
          ? 'More than a bag of 6 L: two absorbers, or two bags.'
          : ''}
      </p>
    </div>
  );
}
