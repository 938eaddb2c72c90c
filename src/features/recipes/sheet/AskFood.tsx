'use client';

import Button from '@mui/material/Button';
import type { LineAsk } from '@/core/recipe/entry-schema';
import styles from '../recipes.module.css';

interface AskFoodProps {
  ask: LineAsk;
  number: number;
  onChoose: (choice: LineAsk['choices'][number]) => void;
}

/** Which food a line means, with the likely ones to press; until then the line does not count. */
export function AskFood({ ask, number, onChoose }: AskFoodProps) {
  return (
    <div className={styles.ask} role="group" aria-label={`Which food is line ${number}?`}>
      <p role="status">{ask.question}</p>
      {ask.choices.map((choice, place) => (
        <Button
          key={`${choice.ndb} ${choice.label}`}
          variant="outlined"
          size="small"
          data-ask
          data-next-act={place === 0 ? true : undefined}
          onClick={() => onChoose(choice)}
        >
          {choice.label}
        </Button>
      ))}
      <p className="note">None of these? Find it above.</p>
    </div>
  );
}
