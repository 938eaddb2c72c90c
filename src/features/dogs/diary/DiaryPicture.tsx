'use client';

import { ProteinSwatch } from '@/ui/badges/badges';
import { diaryMarks } from '@/ui/charts/diary-rows';
import { EatenStrip } from '@/ui/charts/EatenStrip';
import { Pointed } from '@/ui/charts/Pointed';
import styles from './diary.module.css';
import type { DiaryView } from './queries';

/** px: drawn as large as it is, so that the names beside it stay while it is moved. */
const [CELL, TOP, STRIP, ROW, GAP] = [25, 22, 26, 34, 4];

/** Six weeks of a diary, a row for each thing that is looked at, under the protein of each day and where the food changed. */
export function DiaryPicture({ view: { drawn, topics, legend } }: { view: DiaryView }) {
  const width = drawn.length * CELL;
  const x = (index: number) => index * CELL;
  const rows = TOP + STRIP + 14;
  const rowAt = (row: number) => rows + row * (ROW + GAP);
  const bottom = rows + topics.length * (ROW + GAP);
  return (
    <figure className={`stack ${styles.figure}`}>
      <div className={styles.picture}>
        <svg width="84" height={bottom + 4} aria-hidden>
          <text x="0" y={TOP + 18} fontSize="15" fill="var(--slate-soft)">
            Ate
          </text>
          {topics.map(({ topic, name }, row) => (
            <text key={topic} x="0" y={rowAt(row) + ROW / 2 + 5} fontSize="15" fill="var(--slate)">
              {name}
            </text>
          ))}
        </svg>
        <div className={styles.scroll} tabIndex={0} role="group" aria-label="Six weeks of the diary">
          <Pointed>
            <svg width={width} height={bottom + 4} className={styles.drawing} aria-hidden>
              {drawn.map(
                (day, index) =>
                  day.isAt && (
                    <rect
                      key={day.day}
                      x={x(index)}
                      y={TOP - 4}
                      width={CELL}
                      height={bottom - TOP + 4}
                      fill="var(--carrot-pale)"
                    />
                  ),
              )}
              {topics.map(({ topic }, row) => (
                <g key={topic} transform={`translate(0 ${rowAt(row)})`}>
                  <path d={`M0 ${ROW}H${width}`} stroke="var(--edge)" />
                  {diaryMarks(
                    drawn.map(({ offs }) => offs[topic]),
                    ROW,
                  ).map(
                    (mark, index) =>
                      mark && (
                        <rect
                          key={drawn[index]?.day}
                          x={x(index) + 3}
                          y={mark.y}
                          width={CELL - 6}
                          height={mark.high}
                          fill={mark.isUsual ? 'var(--slate-soft)' : 'var(--carrot)'}
                        />
                      ),
                  )}
                </g>
              ))}
              <EatenStrip days={drawn} xOf={x} y={TOP} cell={CELL} high={STRIP} />
              {drawn.map((day, index) => (
                <g key={day.day}>
                  {day.changes.length > 0 && (
                    <path
                      d={`M${x(index)} ${TOP - 4}V${bottom}`}
                      stroke="var(--slate)"
                      strokeWidth="2"
                      strokeDasharray="6 3"
                    />
                  )}
                  {day.hasWords && <circle cx={x(index) + CELL / 2} cy={TOP + STRIP + 8} r="4" fill="var(--slate)" />}
                  <rect
                    x={x(index)}
                    y={TOP - 4}
                    width={CELL}
                    height={bottom - TOP}
                    fill="transparent"
                    data-said={day.said}
                  />
                </g>
              ))}
            </svg>
          </Pointed>
        </div>
      </div>
      <figcaption className={styles.legend}>
        {legend.map((protein) => (
          <ProteinSwatch key={protein.word} protein={protein} />
        ))}
        <span className="note">
          A line in the middle is as usual, a bar up is more of it, down less; nothing is nothing said. A dashed line:
          the food changed. A dot: words.
        </span>
      </figcaption>
      <ul className="away">
        {drawn.map(({ day, said }) => (
          <li key={day}>{said}</li>
        ))}
      </ul>
    </figure>
  );
}
