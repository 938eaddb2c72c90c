'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { balanceOf } from '@/core/nutrition/balance';
import type { EnergyFactors } from '@/core/nutrition/energy';
import type { Profiles } from '@/core/nutrition/profiles';
import type { UnitSet } from '@/core/quantity/units';
import { writeKcal } from '@/core/quantity/write';
import { ALONE, linesAt } from '@/core/recipe/bases';
import { readLines } from '@/core/recipe/entry';
import { proteinOf } from '@/core/recipe/protein';
import { recipeSheet } from '@/core/recipe/sheet';
import { sure } from '@/core/sure';
import { HatchTile } from '@/ui/badges/badges';
import { useSetup } from '@/ui/setup/setup';
import styles from './start.module.css';
import type { ExampleRecipe } from './queries';

interface StartRecipeProps {
  examples: readonly ExampleRecipe[];
  set: UnitSet;
  factors: EnergyFactors;
  profiles: Profiles;
  /** The page of the notebook. */
  notebook: ReactNode;
  onExample: (example: ExampleRecipe) => void;
  onBlank: () => void;
}

/** The three ways to begin a recipe: paste it, take a balanced one of ours, or write it line by line. */
export function StartRecipe({ examples, set, factors, profiles, notebook, onExample, onBlank }: StartRecipeProps) {
  const settingUp = useSetup() !== undefined;
  const [none, setNone] = useState(false);
  return (
    <div className={styles.start}>
      <h1>{settingUp ? 'Now a recipe of yours' : 'A new recipe'}</h1>
      <p className="soft">Paste it as it stands in your notebook. One line, one thing.</p>
      {notebook}
      <div className={styles.ways}>
        <Button variant="outlined" aria-expanded={none} onClick={() => setNone(!none)}>
          I have none yet
        </Button>
        <Button variant="text" onClick={onBlank}>
          line by line
        </Button>
      </div>
      {none && (
        <section aria-labelledby="examples" className={styles.examples}>
          <h2 id="examples">Three of ours, balanced by what is in them</h2>
          <ul className="rows">
            {examples.map((example) => (
              <Example
                key={example.entry.name}
                example={example}
                said={sayExample(example, set, factors, profiles)}
                onTake={() => onExample(example)}
              />
            ))}
          </ul>
          <p className="note">
            Marked as examples. Show the one that you take to your vet; iodine is in no food table, so none of them
            counts it.
          </p>
        </section>
      )}
    </div>
  );
}

function sayExample({ entry, foods }: ExampleRecipe, set: UnitSet, factors: EnergyFactors, profiles: Profiles) {
  const known = new Map(foods.map((each) => [each.food.ndb, each]));
  const lines = linesAt(readLines(entry.lines, (key) => known.get(key), set).written, ALONE);
  const profile = sure(profiles.profiles.find((each) => each.id === 'aafco-adult'));
  const balance = balanceOf(lines, profiles.nutrients, profile, factors);
  const off = balance.rows.filter((row) => row.verdict === 'short' || row.verdict === 'over').length;
  const unknown = balance.rows.filter((row) => row.verdict === 'unknown').map((row) => row.name);
  const sheet = recipeSheet(lines, factors);
  return {
    protein: proteinOf(lines),
    said: [
      sheet.kcalPer100 === undefined ? undefined : `${writeKcal(sheet.kcalPer100)} kcal per 100 g`,
      off === 0 ? `nothing short, nothing over (${profile.name})` : `${off} short or over`,
      unknown.length > 0 ? `${unknown.join(', ')} unknown` : undefined,
    ].filter(Boolean),
  };
}

interface ExampleProps {
  example: ExampleRecipe;
  said: ReturnType<typeof sayExample>;
  onTake: () => void;
}

function Example({ example: { entry }, said, onTake }: ExampleProps) {
  return (
    <li className={styles.example}>
      <HatchTile hatch={said.protein.hatch} width={48} height={48} />
      <div>
        <p className="rowName">{entry.name}</p>
        <p className="note">{entry.lines.map((line) => line.preparation).join(', ')}</p>
        <p className="note">{said.said.join(' · ')}</p>
      </div>
      <Button variant="outlined" onClick={onTake} aria-label={`Take it: ${entry.name}`}>
        Take it
      </Button>
    </li>
  );
}
