/** What a pack holds: its g by what each of them holds (kcal/g), as both are known now. Whoever shows it asks this. Source: arithmetic. */
export const packKcal = ({ grams, density }: { readonly grams: number; readonly density: number }): number =>
  grams * density;
