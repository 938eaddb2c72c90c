import { countOf } from '@/core/quantity/count-words';
import type { TakenFile } from '@/core/recipe/files/taken';

const FATES = { taken: 'can be taken', 'here already': 'here already, unchanged', refused: 'cannot be taken' } as const;

/** What would become of each recipe of a file, and what of it could not be read. */
export function WhatBecomes({ file }: { file: TakenFile }) {
  return (
    <ul className="rows" aria-label="What the file holds">
      {file.said.map((sentence) => (
        <li key={sentence} className="caution">
          {sentence}
        </li>
      ))}
      {file.recipes.map((recipe, index) => (
        <li key={index}>
          <p className="spread">
            <b>{recipe.name}</b>
            <span className={recipe.fate === 'refused' ? 'danger' : 'soft'}>
              {countOf(recipe.lines, 'line')} · {FATES[recipe.fate]}
            </span>
          </p>
          {recipe.said.map((sentence) => (
            <p key={sentence} className={recipe.fate === 'refused' ? 'danger' : 'caution'}>
              {sentence}
            </p>
          ))}
        </li>
      ))}
    </ul>
  );
}
