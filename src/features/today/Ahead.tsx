import { figure } from '@/ui/figure';
import { Link } from '@/ui/Link';
import { weekdayLetter } from '@/core/calendar/local-date';
import { DogStrips } from '@/ui/charts/DogStrips';
import { Pointed } from '@/ui/charts/Pointed';
import { ProteinSwatch } from '@/ui/badges/badges';
import styles from './today.module.css';
import type { TodayView } from './view';

const CELL = 26;
const ROW = 44;
const LEFT = 92;
const TOP = 20;

/** The weeks ahead: a square is a day, filled by the pack that will feed it, to the day that nothing is left. */
export function Ahead({ view }: { view: TodayView }) {
  const width = LEFT + view.horizon * CELL + 4;
  const height = TOP + view.ahead.length * ROW + 26;
  const xOf = (index: number) => LEFT + index * CELL;
  return (
    <section aria-labelledby="ahead">
      <div className="spread">
        <div className="spread">
          <h2 id="ahead">Ahead</h2>
          <p className="note">
            a square is a day, filled by the pack that will feed it
            <span className={styles.screen}>
              {' '}
              · <Link href="/store/ahead">eight weeks</Link> · <Link href="/sitter">a sheet for a sitter</Link>
            </span>
          </p>
        </div>
        <div className={styles.legend}>
          {view.legend.map((protein) => (
            <ProteinSwatch key={protein.word} protein={protein} />
          ))}
        </div>
      </div>
      <ul className="away">
        {view.ahead.map((dog) => (
          <li
            key={dog.dogId}
            {...figure('cover days', dog.dogId, dog.coverDays < view.horizon ? dog.coverDays : undefined)}
          >
            {dog.name}: {dog.runsOut}
          </li>
        ))}
        {view.cookBy && <li {...figure('cook by', 'house', view.cookBy.index)}>{view.cookBy.said}</li>}
      </ul>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label="Strip of the days ahead">
        <Pointed>
          <svg viewBox={`0 0 ${width} ${height}`} style={{ minWidth: 620, width: '100%' }} aria-hidden>
            {view.ahead[0]?.cells.map((cell, index) => (
              <text
                key={cell.day}
                x={xOf(index) + CELL / 2}
                y={12}
                textAnchor="middle"
                fontSize="11"
                fontWeight={index === 0 ? 700 : 400}
                fill="var(--slate-soft)"
              >
                {weekdayLetter(cell.day)}
              </text>
            ))}
            <DogStrips
              dogs={view.ahead.map((dog) => ({ ...dog, days: dog.cells }))}
              top={TOP}
              row={ROW}
              xOf={xOf}
              cell={CELL}
              high={32}
            />
            {view.cookBy && (
              <g>
                <path
                  d={`M${xOf(view.cookBy.index) + CELL / 2} ${TOP - 4}V${height - 22}`}
                  stroke="var(--carrot)"
                  strokeWidth="2"
                  strokeDasharray="4 4"
                />
                <path d={`M${xOf(view.cookBy.index) + CELL / 2} ${height - 24}l7 11h-14Z`} fill="var(--carrot)" />
                <text
                  x={xOf(view.cookBy.index) + CELL / 2 + 12}
                  y={height - 12}
                  fontSize="13"
                  fontWeight="700"
                  fill="var(--carrot)"
                >
                  {view.cookBy.said}
                </text>
              </g>
            )}
          </svg>
        </Pointed>
      </div>
    </section>
  );
}
