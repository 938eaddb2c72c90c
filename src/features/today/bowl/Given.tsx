'use client';

import Button from '@mui/material/Button';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { takeBackGiven } from '../actions';
import type { DogToday } from '../view';

/** What a dog got besides today, each to be taken back, and what is to be thought of. */
export function Given({ dog }: { dog: DogToday }) {
  const back = useCommand(takeBackGiven, `given-back-${dog.id}`);
  if (dog.given.length === 0) return null;
  return (
    <>
      <ul className="note" aria-label={`${dog.name} had besides`}>
        {dog.given.map((each) => (
          <li key={each.id}>
            besides: {each.said}{' '}
            <Button
              variant="text"
              size="small"
              disabled={back.pending}
              aria-label={`Take back ${each.said}`}
              onClick={() => back.run({ givenId: each.id })}
            >
              take back
            </Button>
            {each.worry && <p className="danger">{each.worry}</p>}
          </li>
        ))}
      </ul>
      <Problems problems={back.problems} />
      {dog.treats && <p className="caution">{dog.treats}</p>}
    </>
  );
}
