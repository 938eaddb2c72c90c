'use client';

import { Fold } from '@/ui/Fold';
import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useFieldArray, type FieldPath } from 'react-hook-form';
import { compoundsOf } from '@/core/food/compounds';
import { asksWhat, ENERGY_PER, LABEL_UNITS } from '@/core/food/label';
import { LABEL_NUTRIENTS } from '@/core/nutrition/nutrients';
import { CRUDE_NAMES, LABEL_MEASURES, readSupply, supplyEntrySchema, type SupplyEntry } from '@/core/food/supply-entry';
import { sayUnread } from '@/core/unreadable';
import { Caution } from '@/ui/Caution';
import { capital } from '@/core/quantity/write';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { HouseForm } from '@/ui/form/HouseForm';
import { useCommand } from '@/ui/form/use-command';
import { useHouseForm } from '@/ui/form/use-house-form';
import { putAway, saveSupply } from '../actions';
import type { SupplyForm as Given } from './queries';
import { LabelFigures } from './LabelFigures';
import styles from './supplies.module.css';
import { sure } from '@/core/sure';

const NUTRIENT_OPTIONS = [
  { value: '', label: 'choose a nutrient' },
  ...Object.keys(LABEL_NUTRIENTS).map((name) => ({ value: name, label: name })),
];

/** What an amount may be of, where a label leaves it open. */
const kindsOf = (nutrient: string, forms = LABEL_NUTRIENTS[nutrient]?.forms) => [
  { value: '', label: 'of what? The label says' },
  ...(forms
    ? Object.keys(forms).map((form) => ({ value: form, label: form }))
    : [
        { value: 'element', label: `${nutrient} itself` },
        ...compoundsOf(nutrient).map(({ name }) => ({ value: name, label: name })),
      ]),
];

/** A label as it is printed on the left; what it comes to on the right, while it is typed. */
export function SupplyForm({ given }: { given: Given }) {
  const router = useRouter();
  const house = useHouseForm({
    slot: `supply-${given.id ?? 'new'}`,
    entry: given.entry,
    shape: supplyEntrySchema,
    read: readSupply,
    action: saveSupply,
    input: (entry) => ({ id: given.id, entry }),
    onDone: () => router.push('/recipes/supplies'),
  });
  const archive = useCommand(putAway, `archive-supply-${given.id}`, () => router.push('/recipes/supplies'));
  const { form, entry, at } = house;
  const rows = useFieldArray({ control: form.control, name: 'amounts' });
  const others = useFieldArray({ control: form.control, name: 'otherMeasures' });
  const changed = { shouldDirty: true, shouldValidate: form.formState.isSubmitted };
  const shown = [
    'name',
    'measureGrams',
    'gramsPerMl',
    'price',
    'priceGrams',
    'mostPerKg',
    'kcal',
    ...CRUDE_NAMES.map((name) => `crude.${name}`),
    ...others.fields.map((_, index) => `otherMeasures.${index}.grams`),
    ...rows.fields.flatMap((_, index) => ['nutrient', 'amount', 'unit', 'as'].map((key) => `amounts.${index}.${key}`)),
  ];
  /** A figure as the label prints it. */
  const figure = (name: FieldPath<SupplyEntry>, label: string, unit?: string) => (
    <Field
      key={name}
      label={label}
      unit={unit}
      inputMode="decimal"
      autoComplete="off"
      {...form.register(name)}
      problem={at(name)}
    />
  );
  return (
    <div className="page">
      <h1>{given.id === undefined ? 'A new label' : given.entry.name}</h1>
      {given.unread && <Caution>{sayUnread(given.unread)} Type it again from the bag.</Caution>}
      <div className={styles.columns}>
        <HouseForm of={house} shown={shown} act={given.id === undefined ? 'Keep this label' : 'Keep the change'}>
          <Field
            label="What it is called"
            placeholder="kelp powder"
            autoComplete="off"
            {...form.register('name')}
            problem={at('name')}
          />
          <div className={styles.pair}>
            <Choice
              label="The label counts in"
              value={entry.measure}
              options={LABEL_MEASURES.map((measure) => ({ value: measure, label: measure }))}
              onChange={(measure) => form.setValue('measure', measure, changed)}
            />
            {entry.measure !== 'g' && figure('measureGrams', `One ${entry.measure} weighs`, 'g')}
          </div>
          <fieldset className="stack">
            <legend>
              <h2>In one {entry.measure}, as printed</h2>
            </legend>
            {rows.fields.map((row, index) => {
              const typed = entry.amounts?.[index] ?? row;
              const problem = (key: string) => at(`amounts.${index}.${key}`);
              return (
                <div key={row.id} className={styles.amount}>
                  <div>
                    <Choice
                      label={`Nutrient of row ${index + 1}`}
                      hideLabel
                      value={typed.nutrient}
                      options={NUTRIENT_OPTIONS}
                      onChange={(nutrient) => form.setValue(`amounts.${index}.nutrient`, nutrient, changed)}
                    />
                    {problem('nutrient') && <p className="danger">{problem('nutrient')}</p>}
                  </div>
                  <Field
                    label={`Amount of row ${index + 1}`}
                    hideLabel
                    inputMode="decimal"
                    autoComplete="off"
                    {...form.register(`amounts.${index}.amount`)}
                    problem={problem('amount')}
                  />
                  <div>
                    <Choice
                      label={`Unit of row ${index + 1}`}
                      hideLabel
                      value={typed.unit}
                      options={LABEL_UNITS.map((unit) => ({ value: unit, label: unit }))}
                      onChange={(unit) => form.setValue(`amounts.${index}.unit`, unit, changed)}
                    />
                    {problem('unit') && <p className="danger">{problem('unit')}</p>}
                  </div>
                  <ButtonBase
                    className={styles.remove}
                    aria-label={`Remove row ${index + 1}`}
                    onClick={() => rows.remove(index)}
                  >
                    ×
                  </ButtonBase>
                  {asksWhat(typed) && (
                    <div className={styles.of}>
                      <Choice
                        label={`What the amount of row ${index + 1} is of`}
                        hideLabel
                        value={typed.as ?? ''}
                        options={kindsOf(typed.nutrient)}
                        onChange={(as) => form.setValue(`amounts.${index}.as`, as, changed)}
                      />
                      {problem('as') && <p className="danger">{problem('as')}</p>}
                    </div>
                  )}
                </div>
              );
            })}
            <div>
              <Button variant="outlined" onClick={() => rows.append({ nutrient: '', amount: '', unit: 'mg' })}>
                One more row
              </Button>
            </div>
          </fieldset>
          <Fold
            open={Boolean(given.entry.kcal || given.entry.crude || given.entry.otherMeasures?.length)}
            title="Energy, other measures, and what a bag prints as crude"
          >
            <div className={styles.grid}>
              {figure('kcal', 'Energy', 'kcal')}
              <Choice
                label="in one"
                value={entry.kcalPer ?? 'kg'}
                options={ENERGY_PER.map((per) => ({ value: per, label: per === 'measure' ? entry.measure : per }))}
                onChange={(per) => form.setValue('kcalPer', per, changed)}
              />
              {CRUDE_NAMES.map((name) =>
                figure(`crude.${name}`, name === 'moisture' || name === 'ash' ? capital(name) : `Crude ${name}`, '%'),
              )}
            </div>
            <p className="note">Crude figures are a least or a most: what follows from them is marked as estimated.</p>
            {others.fields.map((row, index) => (
              <div key={row.id} className={styles.pair}>
                <Choice
                  label={`Another measure ${index + 1}`}
                  value={entry.otherMeasures?.[index]?.unit ?? row.unit}
                  options={LABEL_MEASURES.filter((each) => each !== 'g').map((each) => ({ value: each, label: each }))}
                  onChange={(unit) => form.setValue(`otherMeasures.${index}.unit`, unit, changed)}
                />
                {figure(
                  `otherMeasures.${index}.grams`,
                  `One ${entry.otherMeasures?.[index]?.unit ?? row.unit} weighs`,
                  'g',
                )}
              </div>
            ))}
            <div>
              <Button variant="outlined" onClick={() => others.append({ unit: 'cup', grams: '' })}>
                Another measure
              </Button>
            </div>
          </Fold>
          <Fold
            open={Boolean(entry.price || entry.mostPerKg || entry.gramsPerMl)}
            title="Price, density, and how much is too much"
          >
            <div className={styles.grid}>
              {figure('price', `Price, ${given.currency}`)}
              {figure('priceGrams', 'for', 'g')}
              {figure('gramsPerMl', '1 mL weighs', 'g')}
              {figure('mostPerKg', 'At most, for each kg of dog and day', entry.measure)}
            </div>
          </Fold>
        </HouseForm>
        <LabelFigures entry={entry} set={given.set} />
      </div>
      {given.id !== undefined && (
        <Button
          variant="text"
          className={styles.away}
          disabled={archive.pending}
          onClick={() => archive.run({ kind: 'supply', id: sure(given.id), away: !given.archived })}
        >
          {given.archived ? 'bring it back' : 'put it away'}
        </Button>
      )}
    </div>
  );
}
