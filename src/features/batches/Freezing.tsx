'use client';

import { litresOf } from '@/core/preserve/freezing-plan';
import { useState } from 'react';
import { addDays, writeDay } from '@/core/calendar/local-date';
import { AS_RECKONED, freezeHere } from '@/core/learned/beside';
import { PACK_FORMS, type PackForm } from '@/core/preserve/freezing';
import type { FreezingPlan } from '@/core/preserve/freezing-plan';
import { countOf } from '@/core/quantity/count-words';
import { readCount } from '@/core/quantity/typed';
import { writeNumber } from '@/core/quantity/write';
import { addUp } from '@/core/add-up';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { useUnits } from '@/ui/units';
import { Why } from '@/ui/Why';
import styles from './batches.module.css';
import type { BatchView } from './view';
import type { SheetShare } from './weighed/view';

const FORMS: Readonly<Record<PackForm, string>> = {
  'flat bag': 'flat bags',
  tub: 'tubs',
  cubes: 'cubes',
};
/** cm of thickness to begin with (common practice, no source). */
const THICK: Readonly<Record<PackForm, string>> = { 'flat bag': '2', tub: '6', cubes: '3' };
/** °C of a pack that was not cooled first. */
const LUKEWARM = 20;
const SIDES = [
  { value: '1', label: 'on a shelf: from above' },
  { value: '2', label: 'on a rack: from both sides' },
] as const;
const AIRS = [
  { value: 'still', label: 'without a fan' },
  { value: 'fan', label: 'with a fan' },
] as const;

/** How long the packs of a share take to freeze through, and on which day each goes into the freezer. */
export function Freezing({ view, share, plan }: { view: BatchView; share: SheetShare; plan: FreezingPlan }) {
  const { inDegrees, inMass } = useUnits();
  const [form, setForm] = useState<PackForm>('flat bag');
  const [text, setText] = useState(THICK['flat bag']);
  const [sides, setSides] = useState<'1' | '2'>('1');
  const [air, setAir] = useState<'still' | 'fan'>('still');
  const [warmth, setWarmth] = useState<'cold' | 'warm'>('cold');
  const read = readCount(text);
  const thick = read.ok && read.value <= 30 ? read.value : undefined;
  const water = view.weighed?.yields.find(({ place }) => place === share.yield)?.water ?? 0;
  const own = view.weighed?.freezing ?? AS_RECKONED;
  const frozen =
    thick === undefined
      ? undefined
      : freezeHere(
          {
            form,
            centimetres: thick,
            sides: sides === '1' ? 1 : 2,
            fan: air === 'fan',
            water,
            ...(warmth === 'warm' ? { from: LUKEWARM } : {}),
          },
          own,
        );
  const freezer = view.places.find(({ id }) => id === share.placeId);
  const litres = litresOf(freezer?.capacityMl);
  const packs = share.proposed.map(({ grams }) => grams);
  const { aDay, dayOf } = plan;
  const used = freezer?.usedMl;
  const needs = addUp(packs, (grams) => grams);
  const free = litres === undefined || used === undefined ? undefined : Math.max(0, litres - used / 1000);
  return (
    <Fold title="How it freezes, and how much of it a day">
      <div className="stack">
        <div className={styles.packPlan}>
          <Choice
            label="They are"
            value={form}
            options={PACK_FORMS.map((value) => ({ value, label: FORMS[value] }))}
            onChange={(next) => {
              setForm(next);
              setText(THICK[next]);
            }}
          />
          <Field
            label={form === 'cubes' ? 'Across' : 'Thick'}
            unit="cm"
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={(event) => setText(event.target.value)}
            problem={thick === undefined ? 'Centimetres, up to 30.' : undefined}
          />
          <Choice label="They lie" value={sides} options={SIDES} onChange={setSides} />
          <Choice
            label="They go in"
            value={warmth}
            options={[
              { value: 'cold', label: 'cold from the fridge' },
              { value: 'warm', label: `lukewarm, ${inDegrees(LUKEWARM)}` },
            ]}
            onChange={setWarmth}
          />
          <Choice label="The freezer" value={air} options={AIRS} onChange={setAir} />
        </div>
        {frozen && (
          <p role="status">
            Frozen through in {own.of === 0 ? 'at least' : 'about'} <b>{writeNumber(frozen.hours, 0)} h</b>
            {own.of > 0 && ` (this kitchen’s, ${own.of} measured)`}
            {warmth === 'cold' ? ', once they are cold' : ', and it warms what lies beside them'}{' '}
            <Why of={frozen.explanation} about="the time to freeze" />
            {form === 'tub' && (
              <span className="note">
                {' '}
                leave a tenth of a tub empty where liquid stands on it; no glass unless it is made for it
              </span>
            )}
          </p>
        )}
        {litres !== undefined && free !== undefined && (
          <p className={needs / 1000 > free ? 'caution' : undefined} role="status">
            They take about {writeNumber(needs / 1000, 1)} L; {writeNumber(free, 0)} of {writeNumber(litres, 0)} L are
            free{needs / 1000 > free && ': eat or dry some of it first, or another place takes the rest'}
          </p>
        )}
        {litres === undefined || aDay === undefined ? (
          <p className="soft">
            How large the freezer is stands in the Household: from that follows what it freezes in a day.
          </p>
        ) : dayOf === undefined ? (
          packs.length > 0 && (
            <Caution role="status">
              One of these packs is more than this freezer freezes in a day ({inMass(aDay.mean)}): make them smaller.
            </Caution>
          )
        ) : (
          <>
            <p>
              {writeNumber(litres, 0)} L freeze about <b>{inMass(aDay.mean)}</b> of it in a day{' '}
              <span className="note">
                {inMass(aDay.least)} to {inMass(aDay.most)} (NCHFP, from memory); more at once freezes slowly and warms
                what is there
              </span>
            </p>
            <ol className={styles.proposed}>
              {Array.from({ length: plan.days }, (_, day) => {
                const own = packs.filter((_, index) => dayOf[index] === day);
                return (
                  <li key={day}>
                    <span>
                      <b>{day === 0 ? 'now' : writeDay(addDays(view.today, day), view.today)}</b>{' '}
                      {countOf(own.length, 'pack')}, {inMass(addUp(own, (grams) => grams))}
                      {day > 0 && <span className="note">, in the fridge until then</span>}
                    </span>
                  </li>
                );
              })}
            </ol>
            {plan.tooLong && (
              <Caution role="status">
                The last ones would lie {countOf(plan.days - 1, 'day')} in the fridge: it keeps {share.fridgeDays}{' '}
                there. Dry some of it, or freeze it elsewhere.
              </Caution>
            )}
          </>
        )}
      </div>
    </Fold>
  );
}
