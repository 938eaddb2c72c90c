import { writeDayInFull } from '@/core/calendar/local-date';
import type { DogHistory, DogView } from '../queries';
import { DogForm } from './DogForm';

/** What was in force when, and why, newest first. */
export function History({ view, history }: { view: DogView; history: DogHistory }) {
  return (
    <DogForm dog={view.dog} title={`How ${view.dog.name}’s day was set before`}>
      <ul className="rows">
        {history.entries.map((entry) => (
          <li key={entry.key}>
            <p className="note">{writeDayInFull(entry.day)}</p>
            <p>
              <b>{entry.title}</b>
            </p>
            {entry.said && <p className="soft">{entry.said}</p>}
          </li>
        ))}
      </ul>
    </DogForm>
  );
}
