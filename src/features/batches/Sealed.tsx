'use client';

import Button from '@mui/material/Button';
import { useState } from 'react';
import { countOf, plural } from '@/core/quantity/count-words';
import { Tub } from '@/ui/badges/badges';
import { Problems } from '@/ui/form/Problems';
import { useCommand } from '@/ui/form/use-command';
import { UNPROVEN } from '@/core/stock/say-pot';
import { useUnits } from '@/ui/units';
import { takeBackShare, writeLabelsAgain } from './actions';
import styles from './batches.module.css';
import type { BatchView } from './view';
import type { SealedPack, SheetShare } from './weighed/view';
import { WeighPacks } from './WeighPacks';

interface SealedProps {
  view: BatchView;
  share: SheetShare;
  title: string;
  packs: readonly SealedPack[];
}

/** The packs of one share with what is written on them, and the ways back: weighed again, or taken back. */
export function Sealed({ view, share, title, packs }: SealedProps) {
  const { inMass } = useUnits();
  const [asked, setAsked] = useState<'back' | 'weigh'>();
  const back = useCommand(takeBackShare, `back-${share.id}-${share.sealedPacks}`, () => setAsked(undefined));
  const written = useCommand(writeLabelsAgain, `label-${share.id}`);
  const off = packs.filter((pack) => pack.label);
  const whole = packs.filter((pack) => pack.whole).length;
  const say = (count: number) => (count === 1 ? 'this pack' : `these ${count} packs`);
  return (
    <div className="stack" role="group" aria-label={`Packs in: ${title}`}>
      {asked === 'weigh' ? (
        <WeighPacks view={view} packs={packs} onDone={() => setAsked(undefined)} />
      ) : (
        <ul className={styles.labels}>
          {packs.map((pack) => (
            <li key={pack.code}>
              <Tub hatch={view.protein.hatch} size={36} />
              <span>
                <b className={styles.code}>{pack.code}</b> {pack.dogName ?? 'anybody'} · {inMass(pack.grams)}
                {pack.waterMl > 0 && ` + ${pack.waterMl} mL water`}
                {pack.parts && <span className="note">{pack.parts}</span>}
                <span className="note">
                  {pack.place} · {pack.until}
                  {pack.short && ' · short'}
                  {pack.byTarget && ' · by target'}
                  {pack.unproven && ` · ${UNPROVEN}`}
                </span>
                {pack.label && (
                  <span className="caution">
                    {' '}
                    {pack.label}{' '}
                    <Button
                      variant="text"
                      size="small"
                      aria-label={`The label of ${pack.code} is written`}
                      disabled={written.pending}
                      onClick={() => written.run({ holdingIds: [pack.holdingId] })}
                    >
                      written
                    </Button>
                  </span>
                )}
              </span>
            </li>
          ))}
        </ul>
      )}
      <Problems problems={[...back.problems, ...written.problems]} />
      {asked === 'back' && (
        <div className={styles.acts} role="status">
          <p>
            {inMass(share.packedGrams)} go back into “{title}”, to be packed anew or divided otherwise. The{' '}
            {countOf(packs.length, 'label')} {plural(packs.length, 'is')} void: a code is not given out twice. A pack
            that was fed from stays.
          </p>
          <Button
            variant="contained"
            disabled={back.pending}
            onClick={() => back.run({ batchId: view.id, shareId: share.id })}
          >
            Take them back
          </Button>
          <Button variant="text" onClick={() => setAsked(undefined)}>
            leave them sealed
          </Button>
        </div>
      )}
      {asked === undefined && (
        <div className={styles.acts}>
          {off.length > 1 && (
            <Button
              variant="outlined"
              size="small"
              disabled={written.pending}
              onClick={() => written.run({ holdingIds: off.map((pack) => pack.holdingId) })}
            >
              All {off.length} labels are written
            </Button>
          )}
          {whole > 0 && (
            <Button variant="text" size="small" onClick={() => setAsked('weigh')}>
              {whole < packs.length ? `weigh the ${whole} that are whole again` : `weigh ${say(whole)} again`}
            </Button>
          )}
          <Button variant="text" size="small" onClick={() => setAsked('back')}>
            take {say(packs.length)} back
          </Button>
        </div>
      )}
    </div>
  );
}
