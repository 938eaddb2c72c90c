import Link from 'next/link';
import { weekdayLetter } from '@/core/calendar/local-date';
import { Pointed } from '@/ui/charts/Pointed';
import { hatchFill } from '@/ui/badges/hatch-defs';
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
            a square is a day, filled by the pack that will feed it · <Link href="/store/ahead">eight weeks</Link>
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
          <li key={dog.dogId}>
            {dog.name}: {dog.runsOut}
          </li>
        ))}
        {view.cookBy && <li>{view.cookBy.said}</li>}
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
            {view.ahead.map((dog, row) => {
              const y = TOP + row * ROW;
              return (
                <g key={dog.dogId}>
                  <text x="0" y={y + 21} fontSize="14" fontWeight="600" fill="var(--slate)">
                    {dog.name.length > 11 ? `${dog.name.slice(0, 10)}…` : dog.name}
                  </text>
                  {dog.cells.map((cell, index) => (
                    <rect
                      key={cell.day}
                      x={xOf(index) + 1}
                      y={y}
                      width={CELL - 2}
                      height={32}
                      fill={
                        cell.hatch ? hatchFill(cell.hatch) : index < dog.coverDays ? 'var(--enamel-raised)' : 'none'
                      }
                      stroke={index < dog.coverDays ? 'var(--slate)' : 'var(--edge)'}
                      strokeWidth={index < dog.coverDays ? 1.5 : 1}
                      data-said={cell.said}
                    />
                  ))}
                  {dog.coverDays < view.horizon && (
                    <>
                      <path d={`M${xOf(dog.coverDays)} ${y - 3}V${y + 35}`} stroke="var(--beet)" strokeWidth="3" />
                      <rect
                        x={dog.coverDays > 18 ? xOf(dog.coverDays) - 152 : xOf(dog.coverDays) + 4}
                        y={y + 6}
                        width={dog.runsOut.length * 7.1 + 6}
                        height={20}
                        fill="var(--enamel)"
                      />
                      <text
                        x={dog.coverDays > 18 ? xOf(dog.coverDays) - 148 : xOf(dog.coverDays) + 8}
                        y={y + 21}
                        fontSize="13"
                        fontWeight="600"
                        fill="var(--beet)"
                      >
                        {dog.runsOut}
                      </text>
                    </>
                  )}
                  {dog.coverDays >= view.horizon && (
                    <text x={width - 2} y={y + 43} textAnchor="end" fontSize="11" fill="var(--kale)">
                      {dog.runsOut}
                    </text>
                  )}
                </g>
              );
            })}
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
