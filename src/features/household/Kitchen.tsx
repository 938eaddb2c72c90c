'use client';

import { useState } from 'react';
import {
  EQUIPMENT_KINDS,
  isDryer,
  sizeOf,
  type Equipment,
  type EquipmentEntry,
  type EquipmentKind,
} from '@/core/plan/equipment';
import { sizeAsked, typedEquipment } from '@/core/plan/equipment-entry';
import { KitchenThing } from '@/ui/drawings/KitchenThing';
import { useFocusOnChange } from '@/ui/next-act';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { LinkButton } from '@/ui/LinkButton';
import { AwayList, PutAway } from '@/ui/AwayList';
import { useUnits } from '@/ui/units';
import { useCommand } from '@/ui/form/use-command';
import { putAway, saveEquipment } from './actions';
import { FormEnd } from './FormEnd';
import styles from './kitchen.module.css';
import { Standing } from './Standing';
import { Places } from './Places';
import type { KitchenView } from './queries';

/** A kind as it is said in a list. */
const wordOf = (kind: EquipmentKind): string => (kind === 'container' ? 'containers' : kind);
/** What else is asked of a dryer; each may stay empty. */
const DRYER_FIELDS = [
  { name: 'tare', label: 'One tray, empty', hint: 'its own weight', unit: '' },
  { name: 'inside', label: 'Inside of a tray', hint: 'like 20 × 45: says how deep food lies', unit: 'cm' },
  { name: 'deepest', label: 'Food may lie deep', hint: '2 cm is usual', unit: 'cm' },
  { name: 'watts', label: 'Takes in the mean', hint: 'until its own cycles say it', unit: 'W' },
  { name: 'dividers', label: 'Dividers in a tray', hint: 'one makes two parts of it', unit: '' },
] as const;
const EMPTY: EquipmentEntry = { kind: 'pot', name: '', size: '', count: '1' };

/** The kitchen as it stands there: what cooks, packs and dries, and where packs are kept; a plan is limited by it. */
export function Kitchen({ kitchen }: { kitchen: KitchenView }) {
  const { set: unitSet } = useUnits();
  const [editing, setEditing] = useState<number | 'new'>();
  useFocusOnChange(editing);
  const done = () => setEditing(undefined);
  const inHand = kitchen.equipment.find((thing) => thing.id === editing);
  return (
    <section aria-labelledby="kitchen" className="stack">
      <div className="titleRow">
        <h2 id="kitchen">What this kitchen has</h2>
        <p className="note">a plan is limited by it; press what has changed</p>
      </div>
      {kitchen.equipment.length === 0 && (
        <div className="emptyState">
          <p>
            Set down your pots, containers and dryers: a plan then says how many loads it takes, and what does not fit,
            before anything is bought.
          </p>
          <LinkButton variant="outlined" href="/household/begin">
            Tick what is there
          </LinkButton>
        </div>
      )}
      <Standing
        label="What cooks, packs and dries"
        things={kitchen.equipment.map((thing) => ({
          id: thing.id,
          name: thing.name,
          said: `${thing.count > 1 ? `${thing.count} × ` : ''}${sizeOf(thing, unitSet)}`,
          drawing: <KitchenThing kind={thing.kind} millilitres={thing.millilitres} count={thing.count} />,
        }))}
        open={editing}
        onOpen={setEditing}
        add="Add a thing"
      />
      {editing === 'new' && <ThingForm first={EMPTY} onDone={done} />}
      {inHand && <ThingForm key={inHand.id} thing={inHand} first={typedEquipment(inHand, unitSet)} onDone={done} />}
      <AwayList kind="equipment" things={kitchen.away.equipment} putAway={putAway} />
      <Places places={kitchen.places} />
      <AwayList kind="place" things={kitchen.away.places} putAway={putAway} />
    </section>
  );
}

/** One thing of the kitchen, new or changed. */
interface ThingFormProps {
  thing?: Equipment;
  first: EquipmentEntry;
  onDone: () => void;
}

function ThingForm({ thing, first, onDone }: ThingFormProps) {
  const { set } = useUnits();
  const [entry, setEntry] = useState(first);
  const save = useCommand(saveEquipment, `equipment-${thing?.id ?? 'new'}`, onDone);
  const change = (part: Partial<EquipmentEntry>) => setEntry({ ...entry, ...part });
  return (
    <form
      className={styles.form}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save.run({ ...(thing ? { id: thing.id } : {}), entry });
      }}
    >
      <Choice
        label="It is"
        value={entry.kind}
        options={EQUIPMENT_KINDS.map((value) => ({ value, label: wordOf(value) }))}
        onChange={(kind) => change({ kind })}
      />
      <Field
        label="Called"
        value={entry.name}
        onChange={(event) => change({ name: event.target.value })}
        problem={save.at('name')}
        inputProps={{ 'data-next-act': true }}
        hint="as your recipes call it: big pot"
        autoComplete="off"
      />
      <Field
        label="Size"
        value={entry.size}
        onChange={(event) => change({ size: event.target.value })}
        problem={save.at('size')}
        hint={sizeAsked(entry.kind, set)}
        autoComplete="off"
      />
      <Field
        label="How many"
        value={entry.count}
        onChange={(event) => change({ count: event.target.value })}
        problem={save.at('count')}
        inputMode="numeric"
        autoComplete="off"
      />
      {isDryer(entry) &&
        DRYER_FIELDS.map(({ name, label, hint, unit }) => (
          <Field
            key={name}
            label={label}
            {...(unit ? { unit } : {})}
            value={entry[name] ?? ''}
            onChange={(event) => change({ [name]: event.target.value })}
            problem={save.at(name)}
            hint={hint}
            autoComplete="off"
          />
        ))}
      <Problems problems={save.atHead('name', 'size', 'count', ...DRYER_FIELDS.map(({ name }) => name))} />
      <FormEnd pending={save.pending} onDone={onDone}>
        {thing && <PutAway kind="equipment" id={thing.id} name={thing.name} putAway={putAway} onDone={onDone} />}
      </FormEnd>
    </form>
  );
}
