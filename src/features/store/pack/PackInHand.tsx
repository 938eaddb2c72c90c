'use client';

import { withWater } from '@/core/preserve/rehydrate';
import { figure, figureDay } from '@/ui/figure';
import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useRef } from 'react';
import { writeDensity, writeKcal } from '@/core/quantity/write';
import { DogBadge, Tub } from '@/ui/badges/badges';
import { Fold } from '@/ui/Fold';
import { AskBack } from '@/ui/form/AskBack';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { PrintLabels } from '@/ui/labels/PrintLabels';
import { Quality } from '@/ui/quality/Quality';
import { useFocusWhenOpened } from '@/ui/next-act';
import { useUnits } from '@/ui/units';
import { correctPack, discardPacks, dropQuality, movePacks, noteQuality } from '../actions';
import styles from '../store.module.css';
import { AnyPortion } from './AnyPortion';
import { History } from './History';
import { MoveTo } from './MoveTo';
import type { OpenPack } from './queries';
import { Split } from './Split';
import { Wrong } from './Wrong';
import { WrongLabel } from './WrongLabel';

interface PackInHandProps {
  pack: OpenPack;
  onDone: (said: string, movementIds: readonly number[]) => void;
  onClose: () => void;
}

/** One pack in hand beside the places: what it is, what can be done with it, and where it comes from. */
export function PackInHand({ pack, onDone, onClose }: PackInHandProps) {
  const { inMass } = useUnits();
  const slot = `pack-${pack.holdingId}`;
  const head = useRef<HTMLHeadingElement>(null);
  useFocusWhenOpened(head);
  const move = useCommand(movePacks, `${slot}-move`, (value, input) =>
    onDone(
      `${pack.code} is in the ${pack.moveTo.find((each) => each.placeId === input.placeId)?.name.toLowerCase()}.`,
      value.movementIds,
    ),
  );
  const discard = useCommand(discardPacks, `${slot}-discard`, (value) =>
    onDone(`${pack.code} was thrown away.`, value.movementIds),
  );
  const note = useCommand(noteQuality, `quality-${pack.holdingId}`);
  const drop = useCommand(dropQuality, `quality-drop-${pack.holdingId}`);
  const empty = pack.grams <= 0;
  return (
    <section aria-labelledby="pack-title" className={styles.inHand}>
      <div className={styles.head}>
        <Tub hatch={pack.protein.hatch} full={pack.full} size={72} />
        <div>
          <h2 id="pack-title" ref={head} tabIndex={-1} className="figure">
            {pack.code}
          </h2>
          <p className={styles.whose}>
            {pack.tags.map((tag) => (
              <DogBadge key={tag.badge} {...tag} size={26} />
            ))}
            {pack.split.length > 0 ? pack.split.join(' · ') : pack.whose}
          </p>
        </div>
      </div>
      <div>
        <p className={styles.much}>
          {pack.backIn !== undefined ? (
            'was taken back'
          ) : empty ? (
            'is empty'
          ) : (
            <b {...figure('pack grams', pack.code, pack.grams)}>{inMass(pack.grams)}</b>
          )}
          {!empty && <span {...figure('pack kcal', pack.code, pack.kcal)}> · {writeKcal(pack.kcal)} kcal</span>}
        </p>
        <p>
          {pack.recipeName}, of {pack.pot}
        </p>
        <p className={pack.tone === 'plain' ? 'soft' : pack.tone}>
          {pack.placeName} · <span {...figureDay('use by', pack.code, pack.useBy)}>{pack.until}</span>
          {pack.notes.length > 0 && ` · ${pack.notes.join(', ')}`}
        </p>
        {pack.ahead && <p className="danger">Not to be fed: it was {pack.ahead}.</p>}
        {pack.whyBlocked.length > 0 && <p className="danger">Not to be fed: {pack.whyBlocked.join('; ')}.</p>}
      </div>
      {pack.backIn !== undefined && (
        <p>
          What it held is in its share again: <Link href={`/batches/${pack.backIn}`}>pack it anew</Link>.
        </p>
      )}
      {pack.label && <p className="caution">Its label: {pack.label}.</p>}
      {pack.waits && <p>It {pack.waits}.</p>}
      {!empty && pack.madeFor && <p className="note">It was {pack.madeFor}.</p>}
      <Problems problems={[...move.atHead('fits'), ...discard.problems]} />
      <AskBack command={move} field="fits" label="It fits" answer={{ fits: true }} />
      {!empty && (
        <>
          <MoveTo pack={pack} move={move} />
          <div className={styles.twoActs}>
            <Button variant="outlined" component={Link} href="/">
              Feed it
            </Button>
            <Button
              variant="outlined"
              disabled={discard.pending}
              onClick={() => discard.run({ holdingIds: [pack.holdingId] })}
            >
              Throw away
            </Button>
          </div>
          <Split pack={pack} />
          <Wrong
            pack={{
              ...pack,
              blocked: pack.whyBlocked.length > 0,
            }}
            verb="feed"
            trace={`/store/trace?pack=${pack.code}`}
            correct={correctPack}
            onDone={onDone}
          />
          <WrongLabel pack={pack} onDone={(said) => onDone(said, [])} />
        </>
      )}
      <AnyPortion pack={pack} />
      {!empty && (
        <Fold title="Print its label" lazy>
          <PrintLabels holdingIds={[pack.holdingId]} />
        </Fold>
      )}
      {pack.contents[0] && (
        <Fold title={pack.quality.length > 0 ? `How it was: ${pack.quality.length} noted` : 'How was it?'} lazy>
          <Quality
            batchId={pack.contents[0].batchId}
            holdingId={pack.holdingId}
            isDry={pack.isDry}
            dogs={pack.dogs}
            notes={pack.quality}
            pending={note.pending || drop.pending}
            problems={[...note.problems, ...drop.problems]}
            onNote={note.run}
            onDrop={(noteId) => drop.run({ noteId })}
          />
        </Fold>
      )}
      <section aria-labelledby="from">
        <h3 id="from">Where it comes from</h3>
        <ul className="rows">
          {pack.contents.map((each, index) => (
            <li key={index}>
              <Link href={`/batches/${each.batchId}`}>{each.said}</Link>
            </li>
          ))}
        </ul>
        <p className="note">
          packed {pack.packed} · {writeDensity(pack.density)} kcal/g
          {pack.estimated && ', an estimate'}
          {pack.waterPerGram > 0 && ` · ${withWater(pack.grams, pack.waterPerGram).water} mL of water to put back`}
          {pack.packaging && ` · in a ${pack.packaging}`}
          {pack.moisture && ` · ${pack.moisture}`}
          {pack.trays && ` · ${pack.trays}`}
        </p>
        <ul className="note" aria-label="How long it keeps">
          {pack.causes.map(({ until, why }) => (
            <li key={`${until} ${why}`}>
              <b>{until}</b>: {why}
            </li>
          ))}
        </ul>
      </section>
      <History pack={pack} />
      <div>
        <Button variant="outlined" onClick={onClose}>
          Put it down
        </Button>
      </div>
    </section>
  );
}
