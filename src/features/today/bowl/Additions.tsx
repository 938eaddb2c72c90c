import Checkbox from '@mui/material/Checkbox';
import styles from '../today.module.css';
import type { DogToday } from '../view';
import type { Bowl } from './use-bowl';

/** What is added in this bowl, to tick as it goes in; what was ticked is written down with the meal. */
export function Additions({ dog, bowl }: { dog: DogToday; bowl: Bowl }) {
  const { next } = dog;
  if (!next || bowl.drawn.length === 0 || next.additions.length === 0) return null;
  return (
    <ul className={styles.additions} aria-label={`Into ${dog.name}’s bowl`}>
      {next.additions.map(({ lineId, said }) => (
        <li key={lineId}>
          <label>
            <Checkbox size="small" checked={bowl.ticked.includes(lineId)} onChange={() => bowl.tick(lineId)} /> {said}
          </label>
        </li>
      ))}
    </ul>
  );
}
