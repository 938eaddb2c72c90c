'use client';

import { writeNumber } from '@/core/quantity/write';
import { Print, PaperLines } from '@/ui/print/Print';
import paper from '@/ui/print/print.module.css';
import type { PrintView } from './queries';
import { useUnits } from '@/ui/units';

/** A recipe for the kitchen wall. */
export function RecipePrint({ view }: { view: PrintView }) {
  const { inMass } = useUnits();
  return (
    <Print>
      <h1>{view.name}</h1>
      <p>
        version {view.version} · {view.least}
        {writeNumber(view.kcal, 0)} kcal in all
        {view.preview &&
          view.preview.dogs.length > 0 &&
          ` · lines by dog and day for ${view.preview.dogs.join(', ')}, ${view.preview.days} days`}
      </p>
      {view.components.map((component, index) => (
        <section key={index}>
          {view.components.length > 1 && <h2>{component.name}</h2>}
          <PaperLines
            lines={component.lines.map((line, place) => ({
              key: place,
              what: (
                <>
                  {line.amount} {line.words}
                  {line.asides.length > 0 && <em> {line.asides.join(', ')}</em>}
                </>
              ),
              amount: line.grams === undefined ? '' : inMass(line.grams),
            }))}
          />
          {component.how && <p className={paper.how}>{component.how}</p>}
        </section>
      ))}
      {view.note && <p className={paper.how}>Next time: {view.note}</p>}
    </Print>
  );
}
