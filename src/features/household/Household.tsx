'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import Checkbox from '@mui/material/Checkbox';
import { BackedUpThere, Backups } from './Backups';
import { CalendarFeed } from './CalendarFeed';
import { useColorScheme } from '@mui/material/styles';
import { useState } from 'react';
import { ENERGY_FACTORS, type EnergyFactors } from '@/core/nutrition/energy';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useShortcutsOn } from '@/ui/shortcuts';
import { saveHousehold } from './actions';
import styles from './household.module.css';
import { Kitchen } from './Kitchen';
import { Keeps } from './Keeps';
import { Meanings } from './Meanings';
import { Network } from './Network';
import { MealTimesFields } from './MealTimesFields';
import type { HouseholdView, ShownNetwork } from './queries';

const FACTORS = (['4-9-4', 'modified', 'table'] as const).map((value) => ({
  value,
  label: `${ENERGY_FACTORS[value].name} (${ENERGY_FACTORS[value].source})`,
}));

/** The settings that hold for everything, and those of this screen alone. */
export function Household({ view, network }: { view: HouseholdView; network: ShownNetwork }) {
  const { kitchen, meanings, lists, keeps, backups, isOnServer, ...settings } = view;
  const [entry, setEntry] = useState(settings);
  const [kept, setKept] = useState(false);
  const save = useCommand(saveHousehold, 'household', () => setKept(true));
  const { mode, setMode } = useColorScheme();
  const [shortcuts, setShortcuts] = useShortcutsOn();
  const change = (part: Partial<typeof settings>) => {
    setKept(false);
    setEntry((now) => ({ ...now, ...part }));
  };
  return (
    <div className="page">
      <div className="titleRow">
        <h1>Household</h1>
        <Link href="/household/learned">What this kitchen has learned</Link>
      </div>
      <Kitchen kitchen={kitchen} />
      <div className={styles.columns}>
        <form
          className="stack"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            save.run(entry);
          }}
        >
          <h2>How this kitchen counts</h2>
          <Problems problems={save.atHead('breakfast', 'lunch', 'supper', 'kwhPrice', 'labelAddress')} />
          <Choice
            label="Measures"
            value={entry.unitSet}
            options={[
              { value: 'metric', label: 'grams, and cups of 250 mL' },
              { value: 'us', label: 'pounds and ounces, US cups' },
            ]}
            onChange={(unitSet) => change({ unitSet })}
          />
          <Choice
            label="Energy of food"
            value={entry.energyFactors}
            options={FACTORS}
            onChange={(energyFactors: EnergyFactors) => change({ energyFactors })}
          />
          <Choice
            label="Cooked food keeps in the fridge"
            value={String(entry.fridgeDays)}
            options={['3', '4', '5'].map((value) => ({
              value,
              label: `${value} days${value === '4' ? ' (USDA: 3–4)' : ''}`,
            }))}
            onChange={(days) => change({ fridgeDays: Number(days) })}
          />
          <Choice
            label="One protein for a dog"
            value={String(entry.proteinDays ?? '')}
            options={[
              { value: '', label: 'as long as it lasts' },
              ...['1', '2', '3', '4', '5', '7', '10', '14'].map((value) => ({
                value,
                label: `at most ${value} ${value === '1' ? 'day' : 'days'} in a row`,
              })),
            ]}
            onChange={(days) => change({ proteinDays: days === '' ? null : Number(days) })}
          />
          <Choice
            label="Within a day"
            value={entry.mixedProteins === true ? 'mixed' : 'one'}
            options={[
              { value: 'one', label: 'one pack after the other' },
              { value: 'mixed', label: 'another protein at the next meal, where there is one' },
            ]}
            onChange={(way) => change({ mixedProteins: way === 'mixed' })}
          />
          <Choice
            label="Time zone"
            value={entry.timeZone}
            options={lists.timeZones}
            onChange={(timeZone) => change({ timeZone })}
          />
          <Choice
            label="Prices are in"
            value={entry.currency}
            options={lists.currencies}
            onChange={(currency) => change({ currency })}
          />
          <Field
            label="A kWh costs"
            unit={entry.currency}
            inputMode="decimal"
            autoComplete="off"
            value={entry.kwhPrice}
            onChange={(event) => change({ kwhPrice: event.target.value })}
            problem={save.at('kwhPrice')}
            hint="says what drying and freezing cost"
          />
          <Field
            label="Codes on labels open"
            autoComplete="off"
            value={entry.labelAddress ?? ''}
            onChange={(event) => change({ labelAddress: event.target.value })}
            problem={save.at('labelAddress')}
            hint="as http://kitchen.local:3000; empty: the address of this page"
          />
          <MealTimesFields
            value={entry.mealTimes}
            problemAt={save.at}
            onChange={(mealTimes) => change({ mealTimes })}
          />
          <p className="note">for dogs that come later; each dog’s own stand in its room</p>
          <div className="spread">
            <Button type="submit" variant="contained" size="large" disabled={save.pending}>
              Keep
            </Button>
            <p role="status">{kept && <span className="inOrder">Kept.</span>}</p>
          </div>
        </form>
        <div className={styles.beside}>
          <CalendarFeed secret={view.calendarSecret} />
          <Network network={network} />
          {isOnServer ? <BackedUpThere /> : <Backups backups={backups} timeZone={settings.timeZone} />}
          <section className="stack" aria-labelledby="screen">
            <h2 id="screen">This screen</h2>
            <Choice
              label="Light"
              value={mode ?? 'system'}
              options={[
                { value: 'system', label: 'as the device has it' },
                { value: 'light', label: 'light' },
                { value: 'dark', label: 'dark' },
              ]}
              onChange={setMode}
            />
            <label className={styles.tick}>
              <Checkbox checked={shortcuts} onChange={(_, on) => setShortcuts(on)} />
              Single letters go to rooms: t, d, r, p, b, s, h
            </label>
            <Link href="/household/instruments">A scale, a probe and machines to try it with</Link>
          </section>
        </div>
      </div>
      <Keeps key={JSON.stringify(keeps.entry)} keeps={keeps} />
      <Meanings meanings={meanings} />
    </div>
  );
}
