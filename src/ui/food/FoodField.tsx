'use client';

import Autocomplete from '@mui/material/Autocomplete';
import OutlinedInput from '@mui/material/OutlinedInput';
import { useId, useState } from 'react';
import { FieldNote } from '../form/Field';
import { useAnswers } from '../use-answers';
import type { KnownFood } from '@/core/food/food';

interface FoodFieldProps {
  value: KnownFood | null;
  onChange: (food: KnownFood | null) => void;
  problem?: string;
  label: string;
}

/** Finds a food of the table while it is typed; a slow answer never overtakes a later one. */
export function FoodField({ value, onChange, problem, label }: FoodFieldProps) {
  const [typed, setTyped] = useState('');
  const id = useId();
  const { answers: found, silent } = useAnswers<KnownFood>('/api/foods', typed === value?.food.name ? '' : typed);

  const shown = silent ? 'The food table did not answer. Type on to ask again.' : problem;
  return (
    <div style={{ minWidth: 0 }}>
      <Autocomplete
        value={value}
        onChange={(_, food) => onChange(food)}
        inputValue={typed}
        onInputChange={(_, text) => setTyped(text)}
        options={[...found]}
        filterOptions={(options) => options}
        getOptionLabel={(option) => option.food.name}
        isOptionEqualToValue={(a, b) => a.food.ndb === b.food.ndb}
        noOptionsText={
          typed.trim() === '' ? 'Type a food: venison, barley, swede …' : 'Nothing in the food table is called that.'
        }
        autoHighlight
        renderOption={({ key, ...props }, option) => (
          <li key={option.food.ndb} {...props} data-key={key}>
            <span>
              {option.food.name} <span className="note">{option.food.group}</span>
            </span>
          </li>
        )}
        renderInput={(params) => (
          <OutlinedInput
            ref={params.slotProps.input.ref}
            inputProps={{
              ...params.slotProps.htmlInput,
              'aria-label': label,
              'aria-invalid': shown !== undefined,
              'aria-describedby': shown ? `${id}-note` : undefined,
            }}
            error={shown !== undefined}
            fullWidth
            placeholder="find a food"
          />
        )}
      />
      <FieldNote id={`${id}-note`} problem={shown} />
    </div>
  );
}
