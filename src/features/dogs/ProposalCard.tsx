'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { writeNumber } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Why } from '@/ui/Why';
import { answerProposal } from './actions';
import styles from './dogs.module.css';
import type { DogView } from './queries';

/** What the scale suggests; the cook accepts it, adapts it, or leaves the ration as it is. */
export function ProposalCard({ view }: { view: DogView }) {
  const { proposal, dog } = view;
  const [own, setOwn] = useState<string>();
  const answer = useCommand(answerProposal, `proposal-${dog.id}`, () => setOwn(undefined));
  const { to } = proposal;
  const give = (kind: 'accepted' | 'adapted' | 'ignored', kcal: number | null = null) =>
    answer.run({ dogId: dog.id, answer: kind, seen: to ?? null, kcal });
  const tone = proposal.kind === 'vet' ? styles.vet : proposal.kind === 'change' ? styles.change : styles.quiet;
  return (
    <section className={`${styles.proposal} ${tone}`} aria-labelledby="proposal">
      <h2 id="proposal">{view.answered ? 'Left as it is' : proposal.title}</h2>
      <p>
        {proposal.said}{' '}
        {proposal.explanation.steps.length > 0 && <Why of={proposal.explanation} about="what the scale says" />}
      </p>
      <Problems problems={answer.atHead('kcal')} />
      {to !== undefined && own === undefined && !dog.archived && (
        <div className={styles.acts}>
          <Button variant="contained" disabled={answer.pending} onClick={() => give('accepted')}>
            Set {writeNumber(to, 0)} kcal
          </Button>
          <Button variant="outlined" onClick={() => setOwn(String(Math.round(to)))}>
            Another figure
          </Button>
          {!view.answered && (
            <Button variant="text" disabled={answer.pending} onClick={() => give('ignored')}>
              leave it
            </Button>
          )}
        </div>
      )}
      {own !== undefined && (
        <form
          className={styles.inline}
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            give('adapted', Number(own.replace(',', '.')) || 0);
          }}
        >
          <Field
            label="kcal a day"
            inputMode="numeric"
            value={own}
            problem={answer.at('kcal')}
            onChange={(event) => setOwn(event.target.value)}
          />
          <Button type="submit" variant="contained" disabled={answer.pending}>
            Set it
          </Button>
          <Button variant="text" onClick={() => setOwn(undefined)}>
            never mind
          </Button>
        </form>
      )}
    </section>
  );
}
