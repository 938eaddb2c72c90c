'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { get, useForm, useWatch, type DefaultValues, type FieldValues } from 'react-hook-form';
import type { z } from 'zod';
import { checkedBy, type Reads } from '@/core/checked-by';
import { useCommand, type HouseAction } from './use-command';
import { useDraft } from './use-draft';

/** A form of the house: core reads it while it is typed, a draft outlives a reload, a command stores it. */
export function useHouseForm<Entry extends FieldValues, Input, Value>(house: {
  readonly slot: string;
  readonly entry: Entry;
  /** The shape of what is typed, and core's reading of it: every problem at its field. */
  readonly shape: z.ZodType<Entry, Entry>;
  readonly read: Reads<Entry>;
  readonly action: HouseAction<Input, Value>;
  readonly input: (entry: Entry) => Input;
  readonly onDone: (value: Value) => void;
}) {
  const form = useForm<Entry, unknown, Entry>({
    defaultValues: house.entry as DefaultValues<Entry>,
    resolver: zodResolver(checkedBy(house.shape, house.read)),
    mode: 'onTouched',
  });
  const draft = useDraft(form, house.slot, house.shape);
  const save = useCommand(house.action, house.slot, (value: Value) => {
    draft.forget();
    house.onDone(value);
  });
  const entry = useWatch({ control: form.control }) as Entry;
  /** The problem at a field: core's while typing, else the server's. An array's own problem stands at its root. */
  const at = (field: string): string | undefined => {
    const error = get(form.formState.errors, field) as { message?: string; root?: { message?: string } } | undefined;
    return error?.message ?? error?.root?.message ?? save.at(field);
  };
  return {
    form,
    draft,
    save,
    entry,
    at,
    onSubmit: form.handleSubmit((values) => save.run(house.input(values))),
  };
}
