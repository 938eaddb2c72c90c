'use client';

import { countOf } from '@/core/quantity/count-words';
import Button from '@mui/material/Button';
import { useId, useImperativeHandle, useRef, useState, type Ref } from 'react';
import { LONGEST_LINE, MOST_LINES } from '@/core/recipe/free-line';
import type { FoundLines } from '@/core/recipe/found-line';
import { Working } from '@/ui/Working';
import { useTold } from '@/ui/form/use-told';
import styles from '../recipes.module.css';

interface NotebookFieldProps {
  /** How many more lines the recipe may have. */
  room: number;
  /** A recipe without a line yet asks for the whole page of a notebook. */
  first: boolean;
  onFound: (found: FoundLines) => void;
  /** What came of the last reading: kept by the sheet, for the page of a notebook gives way to it. */
  said: string;
  onSaid: (said: string) => void;
  /** Lets the sheet read what still stands here before it is kept. */
  handle?: Ref<NotebookHandle>;
}

export interface NotebookHandle {
  /** Reads what is typed and unread; false where there was no answer. */
  readonly read: () => Promise<boolean>;
  readonly hasText: () => boolean;
}

const EXAMPLE = '2 1/2 lb goat shoulder, cubed\n1 1/2 cups pearl barley, dry\n2 large carrots, grated';

/** Lines as they stand in a notebook: typed or pasted, each becomes an amount, a food and a note. */
export function NotebookField({ room, first, onFound, said, onSaid, handle }: NotebookFieldProps) {
  const id = useId();
  const [text, setText] = useState('');
  const [silent, setSilent] = useState(false);
  const told = useTold();
  const field = useRef<HTMLTextAreaElement>(null);
  const reading = useRef<Promise<boolean>>(undefined);
  const lines = text.split(/\r?\n/).filter((line) => line.trim() !== '').length;

  const ask = async (asked: string): Promise<boolean> => {
    setSilent(false);
    try {
      const text = JSON.stringify({ text: asked.slice(0, 1_000_000), room });
      const found = await told.ask<FoundLines | { problem: string }>('/api/lines', { type: 'application/json', text });
      if (found === undefined) return false;
      if ('problem' in found) throw new Error(found.problem);
      onFound(found);
      // What was typed while the answer was on its way stays behind it.
      setText((now) =>
        [found.rest, now.startsWith(asked) ? now.slice(asked.length).replace(/^\s*\n/, '') : now]
          .filter(Boolean)
          .join('\n'),
      );
      onSaid(sayFound(found));
      return true;
    } catch {
      setSilent(true);
      return false;
    }
  };
  /** A second press while an answer is on its way waits for it. */
  const read = (): Promise<boolean> => {
    const typed = field.current?.value ?? '';
    if (reading.current) return reading.current;
    if (typed.trim() === '') return Promise.resolve(true);
    reading.current = ask(typed).finally(() => {
      reading.current = undefined;
    });
    return reading.current;
  };
  useImperativeHandle(handle, () => ({ read, hasText: () => (field.current?.value ?? '').trim() !== '' }));

  return (
    <div className={styles.notebook}>
      <label htmlFor={id}>{first ? 'Your recipe, line by line' : 'More lines, as you write them'}</label>
      <textarea
        id={id}
        ref={field}
        rows={first ? 8 : Math.min(8, Math.max(1, lines))}
        placeholder={first ? EXAMPLE : '6–9 oz kale, chopped'}
        value={text}
        autoComplete="off"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          // One line is read with Enter; a page of them with the button.
          if (event.key === 'Enter' && !event.shiftKey && lines <= 1 && text.trim() !== '') {
            event.preventDefault();
            void read();
          }
        }}
      />
      {told.said !== undefined && <Working said={told.said} onStop={told.stop} />}
      {text.trim() !== '' && told.said === undefined && (
        <Button
          variant={first ? 'contained' : 'outlined'}
          size={first ? 'large' : 'medium'}
          onClick={() => void read()}
        >
          {lines === 1 ? 'Read this line' : `Read ${lines} lines`}
        </Button>
      )}
      <p role="status" className={silent ? 'caution' : 'note'}>
        {silent ? 'Hodman did not answer. Your lines are still here: press again.' : said}
      </p>
    </div>
  );
}

function sayFound({ lines, rest }: FoundLines): string {
  const words = lines.filter((line) => line.entry.words).length;
  const asked = lines.filter((line) => line.entry.ask).length;
  const left = rest === '' ? 0 : rest.split('\n').length;
  return [
    `${lines.length - words - asked} of ${countOf(lines.length, 'line')} read`,
    asked > 0 ? `${asked} ${asked === 1 ? 'asks' : 'ask'} which food is meant` : '',
    words > 0 ? `${words} kept as words, not counted` : '',
    left > 0 ? `${left} left here: a recipe has at most ${MOST_LINES} lines, a line ${LONGEST_LINE} letters` : '',
  ]
    .filter(Boolean)
    .join(' · ');
}
