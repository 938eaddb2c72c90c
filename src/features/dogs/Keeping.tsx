import { countOf } from '@/core/quantity/count-words';
import { Link } from '@/ui/Link';
import { writeDay } from '@/core/calendar/local-date';
import { rationOn } from '@/core/dog/dog';
import type { DayMeal } from '@/core/dog/meals';
import { newFoodPart } from '@/core/dog/transition';
import { unbalancedCaution } from '@/core/dog/otherwise-entry';
import { dayEnergy } from '@/core/dog/day-energy';
import { sayOff } from '@/core/dog/days-off';
import { lifeStage } from '@/core/dog/stage';
import { additionOf } from '@/core/dog/bowl-line';
import { writeDose, writeWeight } from '@/core/quantity/write';
import styles from './dogs.module.css';
import type { DogView } from './queries';
import type { DogFormName } from './schema';
import { sure } from '@/core/sure';

/** What is kept about a dog, a line each; every line opens its form. */
export function Keeping({ view, meals }: { view: DogView; meals: readonly DayMeal[] }) {
  const { dog, today, set } = view;
  const ration = rationOn(dog, today);
  const energy = dayEnergy(dog, today);
  const slotName = (id: number) => dog.slots.find((slot) => slot.id === id)?.name ?? 'a meal';
  const part = newFoodPart(ration.transition, today);
  const besides = [
    ...energy.extras.each.map((extra) => `${extra.name}, ${extra.said}`),
    ...(part < 1 ? [`${(1 - part) * 100} % still ${sure(ration.transition).from}`] : []),
  ];
  const rows: { form: DogFormName; title: string; said: string; caution?: string }[] = [
    {
      form: 'ration',
      title: 'How its day is worked out',
      said: energy.because,
    },
    {
      form: 'goal',
      title: 'Goal weight',
      said: ration.goal === undefined ? 'none: it keeps what it weighs' : writeWeight(ration.goal, set),
    },
    {
      form: 'meals',
      title: 'Meals',
      said: meals.map((meal) => `${meal.name} ${meal.clock}, ${Math.round(meal.fraction * 100)} %`).join(' · '),
    },
    {
      form: 'avoid',
      title: 'Not for it',
      said:
        dog.avoids.length === 0
          ? 'it may have everything that is safe'
          : dog.avoids
              .map(
                (avoid) =>
                  `${avoid.label} (${avoid.reason}${avoid.tryAgainOn ? `, try again ${writeDay(avoid.tryAgainOn, today)}` : ''})`,
              )
              .join(' · '),
    },
    {
      form: 'bowl',
      title: 'At the bowl',
      said:
        dog.bowlLines.length === 0
          ? 'nothing is added'
          : dog.bowlLines
              .map((line) => {
                const { amount, unit, what } = additionOf(line, energy.weight);
                return `${amount === undefined ? '?' : writeDose(amount)} ${unit} ${what}, ${slotName(line.slotId)}`;
              })
              .join(' · '),
    },
    {
      form: 'otherwise',
      title: 'What else it eats',
      said: besides.length === 0 ? 'nothing' : besides.join(' · '),
      caution: unbalancedCaution(ration.extras, energy.kcal),
    },
    { form: 'days', title: 'Away, fasting, a guest', said: daysOf(view) },
    { form: 'life', title: 'Life and care', said: lifeOf(view) },
    { form: 'facts', title: 'Who it is', said: `born ${dog.birthDate}, ${dog.neutered ? 'neutered' : 'entire'}` },
    {
      form: 'history',
      title: 'How it was set before',
      said: `${countOf(dog.rations.length, 'ration')}, last from ${writeDay(sure(dog.rations.at(-1)).from, today)}`,
    },
  ];
  return (
    <ul className="rows">
      {rows.map((row) => (
        <li key={row.form} className={styles.keeping}>
          <Link href={`/dogs/${dog.id}/${row.form}`}>
            <b>{row.title}</b>
          </Link>
          <p className="soft">{row.said}</p>
          {row.caution && <p className="caution">{row.caution}</p>}
        </li>
      ))}
    </ul>
  );
}

function daysOf({ dog, today }: DogView): string {
  const now = sayOff(dog.daysOff, today);
  const next = dog.daysOff.find((off) => off.from > today);
  if (now) return now;
  return next
    ? `${next.kind === 'guest' ? 'a guest' : next.kind === 'fast' ? 'fasts' : 'away'} from ${writeDay(next.from, today)}`
    : 'here every day';
}

function lifeOf({ dog, today }: DogView): string {
  const stage = lifeStage(dog, today);
  const said = {
    pup: 'growing',
    gestation: stage.kind === 'gestation' ? `pregnant, day ${stage.day}` : '',
    lactation: stage.kind === 'lactation' ? `nursing ${stage.pups}, week ${stage.week}` : '',
    senior: 'senior',
    adult: 'grown',
  }[stage.kind];
  return [said, dog.illness && `treated for ${dog.illness}`, dog.biteSize && `pieces ${dog.biteSize}`]
    .filter(Boolean)
    .join(' · ');
}
