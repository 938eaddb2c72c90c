'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { BY_PRODUCT_FATES } from '@/core/batch/by-product';
import { driedFromRest } from '@/core/portion/dry-share';
import { checkShares, FATES, readShare, type Fate } from '@/core/portion/shares';
import { DRYING_METHODS, machineOf } from '@/core/preserve/methods';
import { writeDensity } from '@/core/quantity/write';
import { Caution } from '@/ui/Caution';
import { stackedBar } from '@/ui/charts/stacked-bar';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useDraftStorage } from '@/ui/form/use-draft-storage';
import { useUnits } from '@/ui/units';
import { setShares } from './actions';
import styles from './batches.module.css';
import { Compare } from './compare/Compare';
import { FATE_WORDS } from './fate-words';
import type { BatchView } from './view';
import { Portions } from './Portions';
import { firstShares, typedShares, type TypedShare } from './typed-shares';
import { WeeksDry } from './WeeksDry';
import type { YieldView } from './weighed/view';
import { nth, sure } from '@/core/sure';
import { addUp } from '@/core/add-up';

const WIDTH = 640;
const FILLS: Readonly<Record<Fate, string>> = {
  today: 'color-mix(in srgb, var(--carrot) 30%, var(--enamel-raised))',
  fridge: 'var(--fjord-pale)',
  freezer: 'color-mix(in srgb, var(--fjord) 45%, var(--enamel-raised))',
  dry: 'color-mix(in srgb, var(--honey) 30%, var(--enamel-raised))',
};
const DRY_CHOICES = DRYING_METHODS.map(({ key, machine }) => ({ value: key, label: machine }));

/** One yield divided into shares: one of each fate, and more of it where asked. */
export function DivideYield({ view, of }: { view: BatchView; of: YieldView }) {
  const weighed = sure(view.weighed);
  const several = weighed.yields.length > 1;
  // All of them may be divided in one press.
  const isAll = several && weighed.shares.every((share) => share.grams === 0);
  const others = weighed.shares.filter((share) => share.yield !== of.place && share.grams > 0);
  const { inMass, scaleUnit, set, toType } = useUnits();
  const whole = Math.round(of.net);
  const fates: readonly Fate[] = view.byProduct ? BY_PRODUCT_FATES : FATES;
  const [typed, setTyped, forget] = useDraftStorage(
    several ? `divide-${view.id}-${of.place}-${whole}` : `divide-${view.id}-${whole}`,
    typedShares,
    firstShares(weighed, of, toType, fates),
  );
  const [more, setMore] = useState(false);
  const save = useCommand(setShares, `shares-${view.id}`, () => forget(typed));
  const read = typed.map((share) => readShare(share.text, set));
  const shares = typed.map((share, index) => {
    const grams = nth(read, index);
    return { ...share, grams: grams.ok ? grams.value : 0 };
  });
  const check = read.every((each) => each.ok)
    ? checkShares(
        shares.map((share) => ({ ...share, yield: 0 })),
        [whole],
        inMass,
      )
    : undefined;
  const total = addUp(shares, (share) => share.grams);
  const drier = (view.compare?.weeksDry ?? []).map((wanted) => ({
    wanted,
    ...driedFromRest(shares, wanted, others),
  }));
  const at = (index: number) => {
    const own = nth(read, index);
    if (!own.ok) return own.problem.message;
    const field = `shares.${index}.grams`;
    return check && !check.ok && check.problem.field === field ? check.problem.message : save.at(field);
  };
  const change = (index: number, part: Partial<TypedShare>) => {
    save.clear();
    setTyped(typed.map((share, place) => (place === index ? { ...share, ...part } : share)));
  };
  const bar = stackedBar(
    shares.map((_, index) => index),
    (index) => (total > 0 ? sure(shares[index]).grams / Math.max(total, whole) : 0),
    WIDTH,
  );
  const shown = typed.flatMap((_, index) => [`shares.${index}.grams`]);
  const isTwice = (fate: Fate) => typed.filter((share) => share.fate === fate).length > 1;
  const nameOf = (share: TypedShare, index: number) =>
    isTwice(share.fate)
      ? `${FATE_WORDS[share.fate]} ${typed.slice(0, index + 1).filter(({ fate }) => fate === share.fate).length}`
      : FATE_WORDS[share.fate];
  const dryersOf = (share: TypedShare) => view.dryers.filter((dryer) => dryer.kind === machineOf(share.method));
  const placesOf = (fate: Fate) => view.places.filter((place) => place.kind === (fate === 'dry' ? 'cupboard' : fate));

  return (
    <form
      className="stack"
      aria-labelledby="divide"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (!check?.ok) return;
        save.run({
          batchId: view.id,
          revision: view.revision,
          shares: [
            ...shares.map(({ id, fate, grams, placeId, method, machineId }) => ({
              id,
              yield: of.place,
              fate,
              grams,
              placeId,
              method,
              machineId,
            })),
            // What the others were divided into stays.
            ...others.map(({ id, fate, grams, placeId, method, machineId, ...share }) => ({
              id,
              yield: share.yield,
              fate,
              grams,
              placeId,
              method,
              machineId,
            })),
          ],
        });
      }}
    >
      <div className="spread">
        <h2 id="divide">
          Divide {inMass(whole)}
          {several && ` of ${of.name}`}
          {of.estimated && <span className="caution"> (an estimate)</span>}
        </h2>
        {!view.byProduct && <p className="soft">suggested by what the fridge keeps, to {weighed.fridgeUntil}</p>}
      </div>
      {weighed.energyUnknown.length > 0 && (
        <Caution role="status">
          At least {writeDensity(weighed.density)} kcal/g: the energy of {weighed.energyUnknown.join(', ')} is unknown,
          so every portion is at most what is needed. Enter its label.
        </Caution>
      )}
      <div className={styles.divide}>
        <div className="stack">
          <svg viewBox={`0 0 ${WIDTH} 44`} width="100%" aria-hidden>
            <rect x="1" y="1" width={WIDTH - 2} height="42" fill="none" stroke="var(--slate)" strokeDasharray="5 4" />
            {bar
              .filter((segment) => segment.width > 0)
              .map((segment) => {
                const { fate } = nth(typed, segment.of);
                return (
                  <g key={segment.of}>
                    <rect
                      x={segment.x}
                      y="1"
                      width={segment.width}
                      height="42"
                      fill={FILLS[fate]}
                      stroke="var(--slate)"
                      strokeWidth="1.5"
                    />
                    {segment.width > 84 && (
                      <text x={segment.x + 10} y="27" fontSize="14" fill="var(--slate)">
                        {FATE_WORDS[fate]}
                      </text>
                    )}
                  </g>
                );
              })}
          </svg>
          <Problems
            problems={[
              ...(check && !check.ok && check.problem.field === 'shares' ? [check.problem] : []),
              ...save.atHead(...shown),
            ]}
          />
          <div className={styles.shares}>
            {typed.map((share, index) => (
              <div key={index} className={styles.share}>
                <Field
                  label={nameOf(share, index)}
                  unit={scaleUnit}
                  inputMode="decimal"
                  autoComplete="off"
                  value={share.text}
                  onChange={(event) => change(index, { text: event.target.value })}
                  problem={at(index)}
                />
                {placesOf(share.fate).length > 1 && (
                  <Choice
                    label={`Where: ${nameOf(share, index)}`}
                    hideLabel
                    value={String(share.placeId ?? nth(placesOf(share.fate), 0).id)}
                    options={placesOf(share.fate).map((place) => ({ value: String(place.id), label: place.name }))}
                    onChange={(placeId) => change(index, { placeId: Number(placeId) })}
                  />
                )}
                {share.fate === 'dry' && nth(shares, index).grams > 0 && (
                  <Choice
                    label="Dry it in the"
                    value={share.method ?? DRYING_METHODS[0].key}
                    options={DRY_CHOICES}
                    onChange={(method) => change(index, { method, machineId: undefined })}
                  />
                )}
                {share.fate === 'dry' && nth(shares, index).grams > 0 && dryersOf(share).length > 1 && (
                  <Choice
                    label="Which one"
                    value={String(share.machineId ?? nth(dryersOf(share), 0).id)}
                    options={dryersOf(share).map((dryer) => ({ value: String(dryer.id), label: dryer.name }))}
                    onChange={(machineId) => change(index, { machineId: Number(machineId) })}
                  />
                )}
                <Button
                  variant="text"
                  size="small"
                  onClick={() => change(index, { text: toType(Math.max(0, nth(shares, index).grams + whole - total)) })}
                  aria-label={`The rest to: ${nameOf(share, index)}`}
                >
                  the rest here
                </Button>
              </div>
            ))}
          </div>
          {drier.map(({ wanted, shares: dried, moved }) => (
            <WeeksDry
              key={wanted.machineId}
              of={wanted}
              open={moved}
              onTake={() =>
                setTyped(
                  dried.map(({ grams, ...share }, index) => ({
                    ...share,
                    text: grams === shares[index]?.grams ? nth(typed, index).text : toType(grams),
                  })),
                )
              }
            />
          ))}
          {!view.byProduct && <Compare view={view} of={of} />}
          <div className={styles.acts}>
            <Button
              type="submit"
              variant={isAll ? 'outlined' : 'contained'}
              size="large"
              data-next-act
              disabled={!check?.ok || save.pending}
            >
              Divide it so
            </Button>
            {more ? (
              <Choice
                label="One more share"
                value=""
                options={[
                  { value: '' as Fate | '', label: 'to what?' },
                  ...fates.map((fate) => ({ value: fate, label: FATE_WORDS[fate] })),
                ]}
                onChange={(fate) => {
                  if (fate === '') return;
                  setTyped([...typed, { fate, text: '0' }]);
                  setMore(false);
                }}
              />
            ) : (
              <Button variant="text" onClick={() => setMore(true)}>
                one more share
              </Button>
            )}
          </div>
        </div>
        {weighed.portions.length > 0 && <Portions view={view} />}
      </div>
    </form>
  );
}
