'use client';

import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { Link } from '@/ui/Link';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/LinkButton';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { pressAsUsual, pressDiary } from '../actions';
import styles from './diary.module.css';
import { DiaryPicture } from './DiaryPicture';
import type { DiaryView } from './queries';
import { Words } from './Words';
import { WordsForm } from './WordsForm';

/** A dog's diary: a press for each thing that was seen, and six weeks of it beside what it ate. */
export function Diary({ view }: { view: DiaryView }) {
  const { dog, day } = view;
  const at = { dogId: dog.id, day };
  const press = useCommand(pressDiary, `diary-${dog.id}-${day}`);
  const usual = useCommand(pressAsUsual, `diary-usual-${dog.id}-${day}`);
  const pending = press.pending || usual.pending;
  return (
    <div className="page stack">
      <div className="titleRow">
        <h1>{view.headline}</h1>
        <p className="soft">{view.under}</p>
      </div>
      {view.vet && <Caution role="status">{view.vet}</Caution>}
      <Problems problems={[...press.problems, ...usual.problems]} />
      {!dog.archived && (
        <section className={styles.day} aria-label="The day">
          <div className={styles.topics}>
            {view.topics.map(({ topic, name, words, said }) => (
              <div key={topic} className={styles.topic}>
                <b id={`topic-${topic}`}>{name}</b>
                <ToggleButtonGroup
                  exclusive
                  disabled={pending}
                  aria-labelledby={`topic-${topic}`}
                  value={said ?? null}
                  onChange={(_, level: string | null) => press.run({ ...at, topic, level })}
                  className={styles.words}
                >
                  {words.map((word) => (
                    <ToggleButton key={word} value={word} className={styles.word}>
                      {word}
                    </ToggleButton>
                  ))}
                </ToggleButtonGroup>
              </div>
            ))}
          </div>
          <div className="stack">
            <Button
              variant="contained"
              size="large"
              disabled={pending || view.isWhole}
              onClick={() => usual.run(at)}
              data-next={view.isWhole ? undefined : ''}
            >
              {view.isWhole
                ? 'All is said'
                : view.topics.some(({ said }) => said)
                  ? 'The rest as usual'
                  : 'All as usual'}
            </Button>
            <Fold title="In words, or with a photograph" lazy>
              <WordsForm dogId={dog.id} day={day} />
            </Fold>
            <Words dogId={dog.id} words={view.words} />
          </div>
        </section>
      )}
      <div className={styles.acts}>
        {view.before && (
          <LinkButton variant="outlined" href={`/dogs/${dog.id}/diary?day=${view.before}`}>
            The day before
          </LinkButton>
        )}
        {view.after && (
          <LinkButton variant="outlined" href={`/dogs/${dog.id}/diary?day=${view.after}`}>
            The day after
          </LinkButton>
        )}
        <Link href={`/dogs/${dog.id}`}>To {dog.name}</Link>
        <Link href={`/dogs/${dog.id}/eaten`}>What {dog.name} ate</Link>
      </div>
      <DiaryPicture view={view} />
      <section className="stack" aria-labelledby="told">
        <h2 id="told">What was not as usual</h2>
        {view.told.length === 0 ? (
          <p className="soft">Nothing in these six weeks, as far as it was said.</p>
        ) : (
          <ul className="rows">
            {view.told.map((each) => (
              <li key={each.day} className={styles.told}>
                <Link href={`/dogs/${dog.id}/diary?day=${each.day}`}>{each.title}</Link>
                <div className="stack">
                  {each.said.length > 0 && <p>{each.said.join(', ')}</p>}
                  <Words words={each.words} />
                  {each.beside.length > 0 && <p className="note">Beside it: {each.beside.join('; ')}.</p>}
                </div>
              </li>
            ))}
          </ul>
        )}
        <p className="note">
          What stands side by side need not belong together: one food alone, given for weeks, says more. Ask your vet.
        </p>
      </section>
    </div>
  );
}
