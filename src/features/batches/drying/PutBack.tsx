'use client';

import { kcalIn, per100 } from '@/core/nutrition/density';
import { rehydrated, REHYDRATED_RULE, writeWater } from '@/core/preserve/rehydrate';
import { isWrongWeight } from '@/core/preserve/tray-slips';
import { writeNumber } from '@/core/quantity/write';
import { sure } from '@/core/sure';
import { DogBadge } from '@/ui/badges/badges';
import { Fold } from '@/ui/Fold';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './drying.module.css';
import { isStillDrying, slipsOf, type DryingProps } from './use-drying';

/** The water to put back: for 100 g, for each dog's meal, for each tray. */
export function PutBack({ view, share }: DryingProps) {
  const { inMass, set } = useUnits();
  const { dried } = share;
  if (!dried || isStillDrying(view, share)) return null;
  const { density, portions, yields } = sure(view.weighed);
  // What a slip makes of it is nobody's water.
  if (slipsOf(view, share).some(isWrongWeight))
    return <p className="soft">The water to put back follows once that tray is right.</p>;
  return (
    <section className="stack" aria-label="Water to put back">
      <h3>Water to put back</h3>
      <p>
        <span className={styles.water}>{writeNumber(per100(dried.waterPerGram), 0)}</span> <b>mL on 100 g dry</b>{' '}
        <Why of={dried.explanation} about="the water to put back" />
      </p>
      {yields.length === 1 && (
        <ul className={`rows ${styles.meals}`}>
          {portions.flatMap((portion) =>
            alike(portion.meals).map(({ name, grams }) => {
              const bowl = rehydrated(kcalIn(grams, density), dried);
              return (
                <li key={`${portion.dogId} ${name}`}>
                  <DogBadge letters={portion.letters} badge={portion.badge} size={32} />
                  <span>
                    {portion.name}, {name}
                  </span>
                  <b>
                    {inMass(bowl.dry)} + {writeWater(bowl.water, set)}
                  </b>
                  <span className="note">{inMass(bowl.asFed)} in the bowl</span>
                </li>
              );
            }),
          )}
        </ul>
      )}
      <p className="note">{REHYDRATED_RULE}</p>
      <p>
        <b>{inMass(dried.dry)}</b> dry of {inMass(dried.wet)} wet, {Math.round(dried.water)} mL in all
        <span className="note">
          {' '}
          {dried.moisture > 0
            ? `about ${writeNumber(dried.moisture * 100, 0)} % of it is still water`
            : 'drier than the table’s solids'}
        </span>
      </p>
      <Fold title="Tray by tray">
        <ul className="rows">
          {dried.trays.map((tray, index) => (
            <li key={index}>
              Tray {index + 1}: {inMass(tray.dry)} dry, {writeWater(tray.water, set)}
            </li>
          ))}
        </ul>
      </Fold>
    </section>
  );
}

/** Meals of a dog that are alike are said once: "breakfast, supper". */
function alike(meals: readonly { readonly name: string; readonly grams: number }[]) {
  const found: { name: string; grams: number }[] = [];
  for (const { name, grams } of meals) {
    const same = found.find((each) => Math.round(each.grams) === Math.round(grams));
    if (same) same.name = `${same.name}, ${name}`;
    else found.push({ name, grams });
  }
  return found;
}
