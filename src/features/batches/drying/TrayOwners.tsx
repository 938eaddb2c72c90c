'use client';

import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Problems } from '@/ui/form/Problems';
import styles from './drying.module.css';
import { useHow, type DryingProps } from './use-drying';

/** The dog that each tray, or part of a divided one, is laid out for: its bag is that dog's then. */
export function TrayOwners({ view, share }: DryingProps) {
  const how = useHow(view, share);
  const dogs = view.weighed?.portions ?? [];
  if (share.sealed || share.trays.length === 0 || dogs.length < 2) return null;
  const anybody = { value: '', label: 'any of them' };
  return (
    <Fold title="Is a tray, or a part of one, for one dog?">
      <div className={styles.fields}>
        {share.trays.map((tray, index) => (
          <Choice
            key={tray.id}
            label={`Tray ${index + 1} is for`}
            value={tray.dogId === undefined ? '' : String(tray.dogId)}
            options={[anybody, ...dogs.map(({ dogId, name }) => ({ value: String(dogId), label: name }))]}
            onChange={(dog) => how.say({ what: 'for', tray: tray.id, ...(dog === '' ? {} : { dogId: Number(dog) }) })}
          />
        ))}
      </div>
      <Problems problems={how.problems} />
    </Fold>
  );
}
