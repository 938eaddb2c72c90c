'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { EQUIPMENT_KINDS, sizeOf, type EquipmentEntry, type EquipmentKind } from '@/core/plan/equipment';
import { sizeAsked, typedEquipment } from '@/core/plan/equipment-entry';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { LinkButton } from '@/ui/LinkButton';
import { AwayList, PutAway } from '@/ui/AwayList';
import { useUnits } from '@/ui/units';
import { useCommand } from '@/ui/form/use-command';
import { putAway, saveEquipment } from './actions';
import { FormEnd } from './FormEnd';
import styles from './household.module.css';
import { Places } from './Places';
import type { KitchenView } from './queries';

/** A kind as it is said in a list. */
const wordOf = (kind: EquipmentKind): string => (kind === 'container' ? 'containers' : kind);
const EMPTY: EquipmentEntry = { kind: 'pot', name: '', size: '', count: '1' };

/** What limits a plan: vessels, containers, dryers and the room in fridge and freezer. */
export function Kitchen({ kitchen }: { kitchen: KitchenView }) {
  const { set: unitSet } = useUnits();
  const [editing, setEditing] = useState<number | 'new'>();
  return (
    <section aria-labelledby="kitchen" className={`stack ${styles.kitchen}`}>
      <h2 id="kitchen">What limits a plan</h2>
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
      <ul className="rows">
        {kitchen.equipment.map((thing) =>
          editing === thing.id ? (
            <li key={thing.id}>
              <ThingForm id={thing.id} first={typedEquipment(thing, unitSet)} onDone={() => setEditing(undefined)} />
            </li>
          ) : (
            <li key={thing.id} className={styles.thing}>
              <span>
                <b>{thing.name}</b>{' '}
                {thing.name !== wordOf(thing.kind) && <span className="note">{wordOf(thing.kind)}</span>}
              </span>
              <span>
                {thing.count > 1 && `${thing.count} × `}
                {sizeOf(thing, unitSet)}
              </span>
              <span className="spread">
                <Button variant="text" aria-label={`Change ${thing.name}`} onClick={() => setEditing(thing.id)}>
                  Change
                </Button>
                <PutAway kind="equipment" id={thing.id} name={thing.name} putAway={putAway} />
              </span>
            </li>
          ),
        )}
      </ul>
      {editing === 'new' ? (
        <ThingForm first={EMPTY} onDone={() => setEditing(undefined)} />
      ) : (
        <div>
          <Button variant="outlined" onClick={() => setEditing('new')}>
            Add a thing
          </Button>
        </div>
      )}
      <AwayList kind="equipment" things={kitchen.away.equipment} putAway={putAway} />
      <Places places={kitchen.places} />
      <AwayList kind="place" things={kitchen.away.places} putAway={putAway} />
    </section>
  );
}

/** One thing of the kitchen, new or changed. */
function ThingForm({ id, first, onDone }: { id?: number; first: EquipmentEntry; onDone: () => void }) {
  const { set } = useUnits();
  const [entry, setEntry] = useState(first);
  const save = useCommand(saveEquipment, `equipment-${id ?? 'new'}`, onDone);
  const change = (part: Partial<EquipmentEntry>) => setEntry({ ...entry, ...part });
  return (
    <form
      className={styles.thingForm}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save.run({ ...(id === undefined ? {} : { id }), entry });
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
      <Problems problems={save.atHead('name', 'size', 'count')} />
      <FormEnd pending={save.pending} onDone={onDone} />
    </form>
  );
}
