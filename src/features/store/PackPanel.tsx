'use client';

import { Fold } from '@/ui/Fold';
import { Quality } from '@/ui/quality/Quality';
import { PrintLabels } from '@/ui/labels/PrintLabels';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import Link from 'next/link';
import { useState } from 'react';
import { writeDensity, writeKcal } from '@/core/quantity/write';
import { Field } from '@/ui/form/Field';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { Tub } from '@/ui/badges/badges';
import { correctPack, discardPacks, movePacks, reverseMovement, dropQuality, noteQuality } from './actions';
import { AnyPortion } from './AnyPortion';
import { MoveTo } from './MoveTo';
import type { OpenPack } from './queries';
import styles from './store.module.css';
import { useUnits } from '@/ui/units';

/** One pack in hand: what it is, where it goes, and everything that was done with it. */
export function PackPanel({ pack, onClose }: { pack: OpenPack; onClose: () => void }) {
  const { inMass, readScale, scaleUnit } = useUnits();
  const slot = `pack-${pack.holdingId}`;
  const move = useCommand(movePacks, `${slot}-move`);
  const discard = useCommand(discardPacks, `${slot}-discard`);
  const [asked, setAsked] = useState<number>();
  const note = useCommand(noteQuality, `quality-${pack.holdingId}`);
  const drop = useCommand(dropQuality, `quality-drop-${pack.holdingId}`);
  const reverse = useCommand(reverseMovement, `${slot}-reverse`, () => setAsked(undefined));
  const [scale, setScale] = useState('');
  const [unread, setUnread] = useState<string>();
  const correct = useCommand(correctPack, `${slot}-correct`, () => setScale(''));
  const empty = pack.grams <= 0;
  const submit = () => {
    const reading = readScale(scale);
    setUnread(reading.ok ? undefined : reading.problem.message);
    if (reading.ok) correct.run({ holdingId: pack.holdingId, grams: reading.value });
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="pack-title" fullWidth maxWidth="sm">
      <div className={styles.panel}>
        <div className={styles.head}>
          <Tub hatch={pack.protein.hatch} full={pack.full} size={72} />
          <div>
            <h2 id="pack-title">
              <span className="figure">{pack.code}</span>{' '}
              {pack.backIn !== undefined ? 'was taken back' : empty ? 'is empty' : inMass(pack.grams)}
            </h2>
            <p>
              {pack.recipeName}, for {pack.whose}, of {pack.pot}
            </p>
            <p className={pack.tone === 'plain' ? 'soft' : pack.tone}>
              {pack.placeName} · {pack.until}
              {pack.notes.length > 0 && ` · ${pack.notes.join(', ')}`}
            </p>
          </div>
        </div>
        {pack.backIn !== undefined && (
          <p>
            What it held is in its share again: <Link href={`/batches/${pack.backIn}`}>pack it anew</Link>.
          </p>
        )}
        {(pack.contents.length > 1 || pack.split.length > 0) && (
          <p>
            {pack.split.length > 0 && `${pack.split.join(' · ')}. `}
            {pack.contents.length > 1 && `In it: ${pack.contents.map(({ said }) => said).join(' + ')}`}
          </p>
        )}
        {pack.label && <p className="caution">Its label: {pack.label}.</p>}
        {pack.waits && <p>It {pack.waits}.</p>}
        <Problems problems={[...move.problems, ...discard.problems, ...reverse.problems, ...correct.atHead('grams')]} />
        {!empty && (
          <>
            <div className={styles.acts}>
              <MoveTo pack={pack} move={move} />
              <Button
                variant="outlined"
                size="large"
                disabled={discard.pending}
                onClick={() => discard.run({ holdingIds: [pack.holdingId] })}
              >
                Throw away
              </Button>
            </div>
            <form
              className={styles.correct}
              noValidate
              onSubmit={(event) => {
                event.preventDefault();
                submit();
              }}
            >
              <Field
                label="It really holds"
                unit={scaleUnit}
                inputMode="decimal"
                autoComplete="off"
                value={scale}
                onChange={(event) => setScale(event.target.value)}
                problem={unread ?? correct.at('grams')}
                hint="without the tub"
              />
              <Button type="submit" variant="outlined" disabled={correct.pending}>
                Correct it
              </Button>
            </form>
          </>
        )}
        <AnyPortion pack={pack} />
        {!empty && (
          <Fold title="Print its label" lazy>
            <PrintLabels holdingIds={[pack.holdingId]} />
          </Fold>
        )}
        <p className="note">
          packed {pack.packedOn} · {writeKcal(pack.kcal)} kcal at {writeDensity(pack.density)} kcal/g
          {pack.estimated && ', an estimate'}
          {pack.waterPerGram > 0 && ` · ${Math.round(pack.grams * pack.waterPerGram)} mL of water to put back`}
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
        <section aria-labelledby="history">
          <h3 id="history">What was done with it</h3>
          <ul className="rows">
            {pack.history.map((entry) => (
              <li key={entry.movementId} className={styles.entry}>
                <span>
                  {entry.said} <span className="note">{entry.when}</span>
                </span>
                {asked === entry.movementId && entry.empties ? (
                  <span className={styles.acts} role="status">
                    {entry.empties}
                    <Button
                      variant="contained"
                      size="small"
                      disabled={reverse.pending}
                      onClick={() => reverse.run({ movementId: entry.movementId })}
                    >
                      Take it back
                    </Button>
                    <Button variant="text" size="small" onClick={() => setAsked(undefined)}>
                      leave it
                    </Button>
                  </span>
                ) : null}
                {entry.canReverse && asked !== entry.movementId && (
                  <Button
                    variant="text"
                    size="small"
                    aria-label={`Take back: ${entry.said}, ${entry.when}`}
                    disabled={reverse.pending}
                    onClick={() =>
                      entry.empties ? setAsked(entry.movementId) : reverse.run({ movementId: entry.movementId })
                    }
                  >
                    take back
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
        <div>
          <Button variant="outlined" onClick={onClose}>
            Put it down
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
