'use client';

import Button from '@mui/material/Button';
import Image from 'next/image';
import type { DiaryView } from './queries';
import styles from './diary.module.css';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { takeBackWords } from '../actions';

/** What was written of a day, with its photographs; where a dog is named each can be taken back, and be there again. */
export function Words({ words, dogId }: { words: DiaryView['words']; dogId?: number }) {
  const back = useCommand(takeBackWords, `diary-back-${dogId}`);
  if (words.length === 0) return null;
  return (
    <>
      <Problems problems={back.problems} />
      <ul className="stack">
        {words.map(({ id, words: said, hasPhoto, isBack }) => (
          <li key={id} className={styles.written}>
            <span className={isBack ? styles.back : undefined}>{said === '' ? 'a photograph' : said}</span>
            {dogId !== undefined && (
              <Button
                variant="text"
                size="small"
                disabled={back.pending}
                onClick={() => back.run({ dogId, entryId: id, isBack: !isBack })}
              >
                {isBack ? 'put back' : 'take back'}
              </Button>
            )}
            {hasPhoto && !isBack && (
              <a href={`/api/diary/${id}`} className={styles.photo}>
                <Image
                  unoptimized
                  src={`/api/diary/${id}`}
                  width={200}
                  height={150}
                  alt={said === '' ? 'Photograph of that day' : `Photograph: ${said}`}
                />
              </a>
            )}
          </li>
        ))}
      </ul>
    </>
  );
}
