'use client';

import { useEffect, useState } from 'react';
import { penSchema, type PenLabel } from '@/core/label/asked';
import styles from './labels.module.css';

/** What of labels is to be written by hand, fetched when it is wanted; undefined while it comes, a sentence where it does not. */
export function useLabelWords(holdingIds: readonly number[]): readonly PenLabel[] | string | undefined {
  const asked = holdingIds.join(',');
  const [got, setGot] = useState<{ readonly asked: string; readonly labels: readonly PenLabel[] | string }>();
  useEffect(() => {
    const stop = new AbortController();
    fetch(`/api/labels/words?packs=${asked}`, { signal: stop.signal })
      .then((answer) => answer.json())
      .then((labels: unknown) => setGot({ asked, labels: penSchema.parse(labels) }))
      .catch(() => {
        if (!stop.signal.aborted) setGot({ asked, labels: 'The labels could not be read. Look again.' });
      });
    return () => stop.abort();
  }, [asked]);
  return got?.asked === asked ? got.labels : undefined;
}

/** For a marker: three short lines a pack, large enough to copy from an arm away. */
export function ByHand({ labels }: { labels: readonly PenLabel[] }) {
  return (
    <ul className={styles.byHand} aria-label="To write by hand">
      {labels.map(({ code, lines }) => (
        <li key={code}>
          {lines.map((line, index) => (
            <span key={index}>{line}</span>
          ))}
        </li>
      ))}
    </ul>
  );
}
