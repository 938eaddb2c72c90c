import Link from 'next/link';
import type { ReactNode } from 'react';
import { DogMark } from '@/ui/marks/marks';
import styles from '../dogs.module.css';

interface StationProps {
  dog: { readonly id: number; readonly name: string; readonly mark: number; readonly letters: string };
  title: string;
  said?: ReactNode;
  /** What follows from what is typed, beside it. */
  beside?: ReactNode;
  children: ReactNode;
}

/** One thing about a dog, alone and large, with the way back to its room. */
export function Station({ dog, title, said, beside, children }: StationProps) {
  return (
    <div className="page">
      <p>
        <Link href={`/dogs/${dog.id}`} className={styles.back}>
          ‹ {dog.name}
        </Link>
      </p>
      <div className={styles.head}>
        <DogMark letters={dog.letters} mark={dog.mark} size={48} />
        <div>
          <h1>{title}</h1>
          {said && <p className="soft">{said}</p>}
        </div>
      </div>
      <div className={beside ? `twoColumns ${styles.station}` : styles.alone}>
        <div className="stack">{children}</div>
        {beside && (
          <aside className="stack" aria-live="polite">
            {beside}
          </aside>
        )}
      </div>
    </div>
  );
}
