'use client';

import Button from '@mui/material/Button';
import { writeGrams, writeNumber } from '@/core/quantity/write';
import { STANDING_CAUTION } from '@/ui/Caution';
import type { PrintView } from './queries';
import styles from './paper.module.css';

/** A recipe for the kitchen wall: black on white, boxes to tick, nothing that only a screen can do. */
export function RecipeOnPaper({ view }: { view: PrintView }) {
  return (
    <div className="page">
      <div className={styles.tools}>
        <Button variant="outlined" onClick={() => window.print()}>
          Print it
        </Button>
      </div>
      <article className={styles.paper}>
        <h1>{view.name}</h1>
        <p>
          version {view.version} · {writeNumber(view.kcal, 0)} kcal in all
          {view.preview &&
            view.preview.dogs.length > 0 &&
            ` · lines by dog and day for ${view.preview.dogs.join(', ')}, ${view.preview.days} days`}
        </p>
        {view.components.map((component, index) => (
          <section key={index}>
            {view.components.length > 1 && <h2>{component.name}</h2>}
            <ul className={styles.lines}>
              {component.lines.map((line, place) => (
                <li key={place}>
                  <span className={styles.box} aria-hidden />
                  <span>
                    {line.amount} {line.words}
                    {line.asides.length > 0 && <em> {line.asides.join(', ')}</em>}
                  </span>
                  <b>{line.grams === undefined ? '' : writeGrams(line.grams)}</b>
                </li>
              ))}
            </ul>
            {component.how && <p className={styles.how}>{component.how}</p>}
          </section>
        ))}
        {view.note && <p className={styles.how}>Next time: {view.note}</p>}
        <p className={styles.small}>{STANDING_CAUTION}</p>
      </article>
    </div>
  );
}
