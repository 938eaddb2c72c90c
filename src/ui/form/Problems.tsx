import type { Problem } from '@/core/problem';
import styles from './form.module.css';

/** Problems at the head of a form: those that belong to no field shown in it. */
export function Problems({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <div className={styles.head} role="alert">
      {problems.map((problem) => (
        <p key={problem.message}>{problem.message}</p>
      ))}
    </div>
  );
}
