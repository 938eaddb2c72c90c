'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { sizeOf } from '@/core/plan/equipment';
import { PLACE_KINDS, type PlaceKind } from '@/core/preserve/shelf-life';
import { Choice } from '@/ui/form/Choice';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useUnits } from '@/ui/units';
import { PutAway } from '@/ui/AwayList';
import { putAway, savePlace } from './actions';
import { FormEnd } from './FormEnd';
import styles from './household.module.css';
import type { KitchenView } from './queries';

type Place = KitchenView['places'][number];

/** The fridges, freezers and cupboards, with how much each holds. */
export function Places({ places }: { places: readonly Place[] }) {
  const { set } = useUnits();
  const [editing, setEditing] = useState<number | 'new'>();
  return (
    <>
      <h3>Room for packs</h3>
      <ul className="rows">
        {places.map((place) =>
          editing === place.id ? (
            <li key={place.id}>
              <PlaceForm place={place} onDone={() => setEditing(undefined)} />
            </li>
          ) : (
            <li key={place.id} className={styles.thing}>
              <span>
                <b>{place.name}</b>{' '}
                {place.name.toLowerCase() !== place.kind && <span className="note">{place.kind}</span>}
              </span>
              <span>
                {place.capacityMl === null ? (
                  <span className="note">size not known</span>
                ) : (
                  sizeOf({ millilitres: place.capacityMl }, set)
                )}
              </span>
              <span className="spread">
                <Button variant="text" aria-label={`Change ${place.name}`} onClick={() => setEditing(place.id)}>
                  Change
                </Button>
                {places.filter((each) => each.kind === place.kind).length > 1 && (
                  <PutAway kind="place" id={place.id} name={place.name} putAway={putAway} />
                )}
              </span>
            </li>
          ),
        )}
      </ul>
      {editing === 'new' ? (
        <PlaceForm onDone={() => setEditing(undefined)} />
      ) : (
        <div>
          <Button variant="outlined" onClick={() => setEditing('new')}>
            Add a place
          </Button>
        </div>
      )}
    </>
  );
}

function PlaceForm({ place, onDone }: { place?: Place; onDone: () => void }) {
  const { set } = useUnits();
  const [kind, setKind] = useState<PlaceKind>(place?.kind ?? 'freezer');
  const [name, setName] = useState(place?.name ?? '');
  const [size, setSize] = useState(
    place && place.capacityMl !== null ? sizeOf({ millilitres: place.capacityMl }, set) : '',
  );
  const save = useCommand(savePlace, `place-${place?.id ?? 'new'}`, onDone);
  return (
    <form
      className={styles.thingForm}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        save.run({ ...(place ? { id: place.id } : {}), kind, name, size });
      }}
    >
      {!place && (
        <Choice
          label="It is a"
          value={kind}
          options={PLACE_KINDS.map((value) => ({ value, label: value }))}
          onChange={setKind}
        />
      )}
      <Field
        label="Place is called"
        value={name}
        onChange={(event) => setName(event.target.value)}
        problem={save.at('name')}
        autoComplete="off"
      />
      <Field
        label="Holds"
        value={size}
        onChange={(event) => setSize(event.target.value)}
        problem={save.at('size')}
        hint={`such as ${set === 'us' ? '60 qt' : '60 L'}; empty: not known`}
        autoComplete="off"
      />
      <Problems problems={save.atHead('name', 'size')} />
      <FormEnd pending={save.pending} onDone={onDone} />
    </form>
  );
}
