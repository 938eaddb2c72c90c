import type { Label } from '@/core/food/label';
import { overLabels } from '@/core/food/label-limits';
import type { Balance } from '@/core/nutrition/balance';
import { lowAtRation, overSafe, tooMuchForPups } from '@/core/nutrition/for-dogs';
import type { Profiles } from '@/core/nutrition/profiles';
import { writeNumber } from '@/core/quantity/write';
import type { NamedDog } from '@/core/recipe/preview';
import type { WeighedLine } from '@/core/recipe/recipe';
import { Why } from '@/ui/Why';
import { sure } from '@/core/sure';

/** A part that is below the whole never reads 100 %. */
const percentBelow = (part: number) => Math.floor(part * 100);

interface DogChecksProps {
  balance: Balance;
  /** The same food against NRC's adult profile, whichever is shown. */
  nrc: Balance;
  profiles: Profiles;
  dogs: readonly NamedDog[];
  lines: readonly WeighedLine[];
  labels: readonly (readonly [string, Label])[];
}

/** What the recipe comes to for these dogs: too much for a pup, over a label, too little on a low ration. */
export function DogChecks({ balance, nrc, profiles, dogs, lines, labels }: DogChecksProps) {
  const pups = tooMuchForPups(balance, profiles.pups, dogs);
  const over = overLabels(lines, balance.kcal, dogs, new Map(labels));
  const safe = balance.rows === nrc.rows ? [] : overSafe(nrc);
  const low = lowAtRation(nrc, sure(profiles.profiles.find((each) => each.id === 'nrc-adult')), dogs);
  if (pups.length + over.length + low.length + safe.length === 0) return null;
  return (
    <div className="stack" role="status">
      {pups.map((each) => (
        <p key={`${each.dogId}-${each.nutrient}`} className="danger">
          <b>
            {each.dog} is growing: {writeNumber(each.amount, 2)} {each.unit} of {each.nutrient} in 1000 kcal, at most{' '}
            {writeNumber(each.most, 2)} {each.unit}.
          </b>{' '}
          <span className="note">{each.source}</span>
        </p>
      ))}
      {safe.map((each) => (
        <p key={each.nutrient} className="danger">
          <b>
            {each.verdict === 'perhaps' ? 'Perhaps too much' : 'Too much'} {each.nutrient}
            {each.amount !== undefined && `: ${writeNumber(each.amount, 2)} ${each.unit} in 1000 kcal`}, at most{' '}
            {writeNumber(each.most, 2)} {each.unit}.
          </b>{' '}
          <span className="note">NRC 2006, safe upper limit, from memory</span>
        </p>
      ))}
      {over.map((each) => (
        <p key={`${each.dogId}-${each.name}`} className="danger">
          <b>
            {each.name}: {each.dog} gets {writeNumber(each.given, 3)} {each.measure} for each kg and day, its label
            allows {writeNumber(each.most, 3)}.
          </b>
        </p>
      ))}
      {dogs.map((dog) => {
        const own = low.filter((each) => each.dogId === dog.id);
        if (own.length === 0) return null;
        return (
          <p key={dog.id} className="caution">
            {dog.name} eats {writeNumber(dog.kcal, 0)} kcal a day, so little that{' '}
            {own
              .slice(0, 3)
              .map((each) => `${each.perhaps ? 'perhaps ' : ''}${each.nutrient} (${percentBelow(each.part)} %)`)
              .join(', ')}
            {own.length > 3 && ` and ${own.length - 3} more`} fall short of NRC’s allowance for its size.{' '}
            <Why
              of={{
                title: `On ${dog.name}’s ration`,
                steps: own.map((each) => ({
                  what: `${each.nutrient}, ${percentBelow(each.part)} %${each.perhaps ? ' as far as is known' : ''}`,
                  sum: each.sum,
                })),
                source:
                  'NRC 2006, from memory: the allowance per 1000 kcal holds at 130 kcal per kg^0.75; a dog on less food gets less of everything.',
              }}
              about={`what ${dog.name} gets too little of`}
            />
          </p>
        );
      })}
    </div>
  );
}
