import { Link } from '@/ui/Link';
import type { ReactNode } from 'react';
import { DogBadge } from '@/ui/badges/badges';
import styles from '../dogs.module.css';

interface DogFormProps {
  dog: { readonly id: number; readonly name: string; readonly badge: number; readonly letters: string };
  title: string;
  said?: ReactNode;
  /** What follows from what is typed, beside it. */
  beside?: ReactNode;
  children: ReactNode;
}

/** One thing about a dog, alone and large, with the way back to its room. */
export function DogForm({ dog, title, said, beside, children }: DogFormProps) {
  return (
    <div className="page">
      <p>
        <Link href={`/dogs/${dog.id}`} className={styles.back}>
          ‹ {dog.name}
        </Link>
      </p>
      <div className={styles.head}>
        <DogBadge letters={dog.letters} badge={dog.badge} size={48} />
        <div>
          <h1>{title}</h1>
          {said && <p className="soft">{said}</p>}
        </div>
      </div>
      <div className={beside ? `twoColumns ${styles.form}` : styles.alone}>
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
