'use client';

import ButtonBase from '@mui/material/ButtonBase';
import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { createPortal } from 'react-dom';
import { balanceOf, type BalanceRow } from '@/core/nutrition/balance';
import type { EnergyFactors } from '@/core/nutrition/energy';
import { sayVerdict } from '@/core/nutrition/verdict';
import type { ProfileId, Profiles } from '@/core/nutrition/profiles';
import { grams, type UnitSet } from '@/core/quantity/units';
import { countOf, plural } from '@/core/quantity/count-words';
import { writeNumber, writeNutrient } from '@/core/quantity/write';
import type { WeighedLine } from '@/core/recipe/recipe';
import { BALANCE_SCALE, balancePlace } from '@/ui/charts/balance-scale';
import { Choice } from '@/ui/form/Choice';
import { Why } from '@/ui/Why';
import type { Label } from '@/core/food/label';
import type { NamedDog } from '@/core/recipe/preview';
import { DogChecks } from './DogChecks';
import { Proposals } from './Proposals';
import type { KnownAddition } from './queries';
import styles from './recipes.module.css';
import { sure } from '@/core/sure';

const WIDTH = 240;
const FIRST = 8;

interface BalanceSheetProps {
  lines: readonly WeighedLine[];
  factors: EnergyFactors;
  profiles: Profiles;
  unread: number;
  additions: readonly KnownAddition[];
  set: UnitSet;
  dogs: readonly NamedDog[];
  labels: readonly (readonly [string, Label])[];
  currency: string;
  /** Takes a proposed addition as a line; without it nothing is proposed. */
  onTake?: (taken: readonly { readonly addition: KnownAddition; readonly grams: number }[]) => void;
  onUndo?: (() => void) | undefined;
  /** Where proposals stand: beside the lines that they would join. */
  proposalsAt?: HTMLElement | null;
}

/** The recipe against a nutrient profile, worst first: each nutrient a mark between its least and its most. */
export function BalanceSheet(props: BalanceSheetProps) {
  const { lines, factors, profiles, unread, additions, set, dogs, labels, currency, onTake, onUndo, proposalsAt } =
    props;
  const [id, setId] = useState<ProfileId>('aafco-adult');
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string>();
  const [proposed, setProposed] = useState<readonly { readonly addition: KnownAddition; readonly grams: number }[]>([]);
  const profile = sure(profiles.profiles.find((each) => each.id === id));
  const balance = balanceOf(lines, profiles.nutrients, profile, factors);
  const withProposed = proposed.map(({ addition, grams: mass }) => ({
    text: addition.food.name,
    food: addition.food,
    grams: grams(mass),
  }));
  const after =
    proposed.length === 0 ? undefined : balanceOf([...lines, ...withProposed], profiles.nutrients, profile, factors);
  const nrcProfile = sure(profiles.profiles.find((each) => each.id === 'nrc-adult'));
  const nrc = profile === nrcProfile ? balance : balanceOf(lines, profiles.nutrients, nrcProfile, factors);
  const count = (verdict: BalanceRow['verdict'], toward: BalanceRow['toward']) =>
    balance.rows.filter((row) => row.verdict === verdict && row.toward === toward).length;
  const [short, maybeShort] = [count('short', 'short'), count('perhaps', 'short')];
  const [over, maybeOver] = [count('over', 'over'), count('perhaps', 'over')];
  const unknown = balance.rows.filter((row) => row.verdict === 'unknown').length;
  const shown = all ? balance.rows : balance.rows.slice(0, FIRST);
  return (
    <section className="stack" aria-labelledby="balance">
      <div className="spread">
        <h2 id="balance">Balance</h2>
        <Choice
          label="Against"
          hideLabel
          value={id}
          options={profiles.profiles.map((each) => ({ value: each.id, label: each.name }))}
          onChange={(next: ProfileId) => {
            setId(next);
            setProposed([]);
          }}
        />
      </div>
      <p>
        {over > 0 && <b className="danger">{over} too much, </b>}
        {maybeOver > 0 && <span className="danger">{maybeOver} perhaps too much, </span>}
        <b>{short} short</b>, {maybeShort > 0 && `${maybeShort} perhaps, `}
        {unknown} unknown of {balance.rows.length} <Why of={balance.explanation} about="the balance" />
      </p>
      {unread > 0 && (
        <p className="caution">
          {countOf(unread, 'line')} {plural(unread, 'is')} not counted yet.
        </p>
      )}
      {balance.energyUnknown.length > 0 && (
        <p className="caution">
          Every figure is at most that much: the energy of {balance.energyUnknown.join(', ')} is unknown. Enter its
          label.
        </p>
      )}
      {balance.uncounted.length > 0 && (
        <p className="caution">
          Not counted: {balance.uncounted.join('; ')}. What is short without it is short perhaps.
        </p>
      )}
      {balance.boneIn && (
        <p className="caution">
          Bone is in it, and the table holds no bone mineral: calcium, phosphorus and their proportion are unknown.
        </p>
      )}
      <ul className={styles.balance} aria-label="Nutrients, worst first">
        {shown.map((row) => (
          <li key={row.name}>
            <ButtonBase
              className={styles.nutrient}
              aria-expanded={open === row.name}
              onClick={() => setOpen(open === row.name ? undefined : row.name)}
            >
              <span>{row.name}</span>
              <Mark row={row} after={after?.rows.find((each) => each.name === row.name)?.amount} />
              <span className={row.toward === 'over' ? 'danger' : row.verdict === 'short' ? 'caution' : 'soft'}>
                {row.amount === undefined
                  ? 'unknown'
                  : `${row.estimated.length > 0 ? '≈ ' : ''}${writeNutrient(row.amount)} ${row.unit}`}
                <span className="away">
                  {row.estimated.length > 0 && ', estimated'}, {sayVerdict(row)}
                </span>
              </span>
            </ButtonBase>
            {open === row.name && <Supply row={row} />}
          </li>
        ))}
      </ul>
      <div className="spread">
        <Button variant="text" onClick={() => setAll(!all)}>
          {all ? 'only the worst' : `all ${balance.rows.length}`}
        </Button>
        <p className="note">
          {[balance.calciumToPhosphorus, balance.zincToCopper].map((ratio) => (
            <span key={ratio.name}>
              {ratio.name} {ratio.value === undefined ? 'unknown' : `${writeNumber(ratio.value, 1)} : 1`}
              {ratio.verdict === 'perhaps' && ' as far as is known'}
              {ratio.name === 'Zn : Cu' && ' (about 10 is usual)'} ·{' '}
            </span>
          ))}
          per 1000 kcal
        </p>
      </div>
      {balance.ratios.map(
        (ratio) =>
          (ratio.toward === 'short' || ratio.toward === 'over') && (
            <p key={ratio.name} className="caution">
              {ratio.name} is {ratio.verdict === 'perhaps' ? 'perhaps ' : ''}
              {writeNumber(sure(ratio.value), 2)} : 1,{' '}
              {ratio.toward === 'short' ? `at least ${ratio.least} : 1` : `at most ${ratio.most} : 1`} is asked for.
            </p>
          ),
      )}
      <DogChecks balance={balance} nrc={nrc} profiles={profiles} dogs={dogs} lines={lines} labels={labels} />
      {proposed.length > 0 && <p className="note">Ring: with what is proposed.</p>}
      {onTake &&
        beside(
          <Proposals
            key={id}
            lines={lines}
            factors={factors}
            nutrients={profiles.nutrients}
            profile={profile}
            additions={additions}
            set={set}
            onProposed={setProposed}
            onTake={onTake}
            onUndo={onUndo}
            currency={currency}
          />,
          proposalsAt,
        )}
    </section>
  );
}

const beside = (proposals: ReactNode, at: HTMLElement | null | undefined) =>
  at ? createPortal(proposals, at) : proposals;

/** Open marks: only as far as is known. */
const PERHAPS = { over: 'var(--beet)', short: 'var(--honey)', met: 'var(--kale)' } as const;

function Mark({ row, after }: { row: BalanceRow; after: number | undefined }) {
  const least = BALANCE_SCALE.least * WIDTH;
  const most = BALANCE_SCALE.most * WIDTH;
  const floor = row.least ?? (row.most === undefined ? undefined : row.most / 8);
  const x =
    row.amount === undefined || floor === undefined ? undefined : balancePlace(row.amount, floor, row.most) * WIDTH;
  const then = after === undefined || floor === undefined ? undefined : balancePlace(after, floor, row.most) * WIDTH;
  const fine = row.verdict === 'met';
  const perhaps = row.verdict === 'perhaps';
  return (
    <svg viewBox={`-8 0 ${WIDTH + 16} 20`} className={styles.scale} aria-hidden>
      <rect x={least} y="6" width={most - least} height="8" fill="var(--kale)" opacity="0.22" />
      <path d={`M0 10H${WIDTH}`} stroke="var(--edge)" />
      {row.least !== undefined && <path d={`M${least} 2V18`} stroke="var(--slate)" strokeWidth="1.5" />}
      {row.most !== undefined && <path d={`M${most} 2V18`} stroke="var(--slate)" strokeWidth="1.5" />}
      {x !== undefined &&
        (fine ? (
          <circle cx={x} cy="10" r="6" fill="var(--kale)" />
        ) : (
          <path
            d={`M${x} 2l8 8l-8 8l-8 -8Z`}
            fill={perhaps ? 'none' : row.toward === 'over' ? 'var(--beet)' : 'var(--honey)'}
            stroke={perhaps ? PERHAPS[row.toward ?? 'short'] : 'none'}
            strokeWidth="2"
          />
        ))}
      {then !== undefined && <circle cx={then} cy="10" r="5" fill="none" stroke="var(--slate)" strokeWidth="2" />}
      {x === undefined && (
        <text x={WIDTH / 2} y="15" textAnchor="middle" fontSize="13" fill="var(--slate-soft)">
          ?
        </text>
      )}
    </svg>
  );
}

const SUPPLIERS = 4;

/** Which lines bring a nutrient, how much is known, and what stands in for it. */
function Supply({ row }: { row: BalanceRow }) {
  return (
    <div className={styles.supply}>
      <p>
        {sayVerdict(row)}:{' '}
        {row.amount === undefined ? 'no line has a value' : `${writeNutrient(row.amount)} ${row.unit}`}
        {row.least !== undefined && `, at least ${writeNutrient(row.least)}`}
        {row.most !== undefined && `, at most ${writeNutrient(row.most)} ${row.unit}`}
      </p>
      {row.amount !== undefined && row.coverage < 0.995 && (
        <p className="note">{writeNumber(row.coverage * 100, 0)} % of the weight has a value: at least that much</p>
      )}
      {row.lines.slice(0, SUPPLIERS).map((line) => (
        <p key={line.text} className="note">
          {line.text}: {writeNutrient(line.amount)} {row.unit}
        </p>
      ))}
      {row.amount === undefined && <p className="note">It comes from labels, and the food table does not hold it.</p>}
      {row.estimated.length > 0 && (
        <p className="note">estimated: from the crude figures of {row.estimated.join(', ')}, a least or a most</p>
      )}
      {row.standIn && <p className="note">{row.standIn}</p>}
    </div>
  );
}
