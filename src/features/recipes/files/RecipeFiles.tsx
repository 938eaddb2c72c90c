'use client';

import { writeFixed } from '@/core/quantity/write';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { useId, useState } from 'react';
import type { CommandResult, Problem } from '@/core/problem';
import type { TakenFile } from '@/core/recipe/files/taken';
import { Working } from '@/ui/Working';
import { Choice } from '@/ui/form/Choice';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { useTold } from '@/ui/form/use-told';
import { takeRecipes } from '../actions';
import type { FilesView } from '../queries';
import styles from './files.module.css';
import { WhatBecomes } from './WhatBecomes';

const LARGEST_MB = 2;
const KINDS = [
  { kind: 'hodman', name: 'Hodman file', about: 'everything, to bring in again: here or on another machine' },
  { kind: 'jsonld', name: 'Recipe JSON-LD', about: 'schema.org, for other programs: lines that a person can read' },
  { kind: 'csv', name: 'Table of lines', about: 'CSV, with the grams' },
] as const;

/** Recipes out as files, and in again: what a file holds is shown before anything of it is kept. */
export function RecipeFiles({ view, first }: { view: FilesView; first: number | undefined }) {
  const router = useRouter();
  const id = useId();
  const [recipe, setRecipe] = useState(first === undefined ? '' : String(first));
  const [text, setText] = useState('');
  const [preview, setPreview] = useState<TakenFile>();
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const told = useTold();
  const take = useCommand(takeRecipes, 'take-recipes', () => {
    setText('');
    router.push('/recipes');
  });

  const look = async (typed: string) => {
    setText(typed);
    setPreview(undefined);
    setProblems([]);
    if (typed.trim() === '') return;
    if (typed.length > LARGEST_MB * 1e6) {
      setText('');
      setProblems([tooLarge(typed.length)]);
      return;
    }
    try {
      const answer = await told.ask<CommandResult<TakenFile>>('/api/recipes/read', { type: 'text/plain', text: typed });
      if (answer === undefined) return;
      if (answer.ok) setPreview(answer.value);
      else setProblems(answer.problems);
    } catch {
      setProblems([{ message: 'Hodman did not answer. Your file is untouched: choose it again.' }]);
    }
  };
  const choose = (file: File | undefined) => {
    if (!file) return;
    if (file.size > LARGEST_MB * 1e6) {
      setPreview(undefined);
      setProblems([tooLarge(file.size)]);
      return;
    }
    void file.text().then(look);
  };
  const count = preview?.recipes.filter((each) => each.fate === 'taken').length ?? 0;
  const query = recipe === '' ? '' : `&recipe=${recipe}`;

  return (
    <div className="page">
      <h1>Recipes as files</h1>
      <div className={styles.columns}>
        <section className="stack" aria-labelledby="out">
          <h2 id="out">Take out</h2>
          <Choice
            label="Which"
            value={recipe}
            options={[
              { value: '', label: 'all recipes' },
              ...view.recipes.map((each) => ({ value: String(each.id), label: each.name })),
            ]}
            onChange={setRecipe}
          />
          <ul className="rows">
            {KINDS.map(({ kind, name, about }) => (
              <li key={kind}>
                <a className="rowName" href={`/api/recipes/file?kind=${kind}${query}`} download>
                  {name}
                </a>
                <p className="note">{about}</p>
              </li>
            ))}
          </ul>
        </section>
        <section className="stack" aria-labelledby="in">
          <h2 id="in">Bring in</h2>
          <div className={styles.drop}>
            <label htmlFor={`${id}-file`}>A Hodman file, or Recipe JSON-LD from elsewhere</label>
            <input
              id={`${id}-file`}
              type="file"
              accept=".json,.jsonld,application/json,application/ld+json"
              onChange={(event) => choose(event.target.files?.[0])}
            />
          </div>
          <div className={styles.paste}>
            <label htmlFor={`${id}-text`}>or its text, pasted</label>
            <textarea
              id={`${id}-text`}
              rows={4}
              value={text}
              spellCheck={false}
              autoComplete="off"
              onChange={(event) => void look(event.target.value)}
            />
          </div>
          <Problems problems={[...problems, ...take.problems]} />
          {told.said !== undefined && <Working said={told.said} onStop={told.stop} />}
          {preview && <WhatBecomes file={preview} />}
          {preview && (
            <div>
              <Button
                variant="contained"
                size="large"
                disabled={count === 0 || take.pending}
                onClick={() => take.run({ text })}
              >
                {count === 1 ? 'Take this recipe' : `Take ${count} recipes`}
              </Button>
            </div>
          )}
        </section>
      </div>
    </div>
  );
}

const tooLarge = (size: number): Problem => ({
  message: `This file is ${writeFixed(size / 1e6, 1)} MB. Hodman reads up to ${LARGEST_MB} MB of recipes.`,
});
