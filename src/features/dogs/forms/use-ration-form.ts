'use client';

import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { rationOn } from '@/core/dog/dog';
import { rationEntrySchema, readRationEntry, toRationEntry, type RationEntry } from '@/core/dog/ration-entry';
import { writeWeight } from '@/core/quantity/write';
import { useHouseForm } from '@/ui/form/use-house-form';
import { setRation } from '../actions';
import type { DogView } from '../queries';

/** A ration from a day on, typed from the one in force; `first` says what is begun with otherwise. */
export function useRationForm(view: DogView, slot: string, first?: (given: RationEntry) => Partial<RationEntry>) {
  const { dog, today, set, recipes } = view;
  const router = useRouter();
  const foods = useMemo(() => new Map(recipes.map((recipe) => [recipe.recipeId, recipe.facts])), [recipes]);
  const given = toRationEntry(
    rationOn(dog, today),
    today,
    // A ration from before it kept the recipe's id goes by the name.
    (food) => food.recipeId ?? recipes.find((recipe) => recipe.facts.name === food.name)?.recipeId ?? null,
    (goal) => writeWeight(goal, set),
  );
  const read = (typed: RationEntry) => readRationEntry(typed, dog, { set, today, foods });
  const house = useHouseForm({
    slot,
    entry: { ...given, ...first?.(given) },
    shape: rationEntrySchema,
    read,
    action: setRation,
    input: (typed) => ({ dogId: dog.id, entry: typed }),
    onDone: () => router.push(`/dogs/${dog.id}`),
  });
  return { given, house, read };
}
