'use client';

import Button from '@mui/material/Button';
import { Link } from '@/ui/Link';
import { useState } from 'react';
import { PrintLabels } from '@/ui/labels/PrintLabels';
import { Caution } from '@/ui/Caution';
import { Fold } from '@/ui/Fold';
import { Problems } from '@/ui/form/Problems';
import { addUp } from '@/core/add-up';
import { planOfShare } from '@/core/portion/pack-plan';
import type { StepKey } from '@/core/batch/steps';
import { sayCoolingRule } from '@/core/heat/cooling-words';
import { countOf } from '@/core/quantity/count-words';
import { writeKcal, writeNumber } from '@/core/quantity/write';
import { AskBack } from '@/ui/form/AskBack';
import { useCommand } from '@/ui/form/use-command';
import { Tub } from '@/ui/badges/badges';
import { useUnits } from '@/ui/units';
import { sealShare } from './actions';
import styles from './batches.module.css';
import { FATE_WORDS } from './fate-words';
import type { BatchView } from './view';
import type { SheetShare } from './weighed/view';
import { Boxes } from './boxes/Boxes';
import { BoxesForm } from './boxes/BoxesForm';
import { litresOf, planFreezing, type FreezingPlan } from '@/core/preserve/freezing-plan';
import { Freezing } from './Freezing';
import { HowItWas } from './HowItWas';
import { NOT_SAID, PackagingFields } from './Packaging';
import { FillOnScale } from './FillOnScale';
import { PackPlanForm } from './PackPlanForm';
import { Sealed } from './Sealed';

/** A share by its fate, its place where that is not the only one of its kind, and what of the pot it is where that is apart. */
function titleOf(share: SheetShare, { places, weighed }: BatchView): string {
  const isOnly = places.filter((place) => place.kind === share.fate).length <= 1;
  const where = isOnly ? FATE_WORDS[share.fate] : (share.placeName ?? '');
  const of = (weighed?.yields.length ?? 0) > 1 ? weighed?.yields.find(({ place }) => place === share.yield) : undefined;
  return of ? `${of.name}: ${where}` : where;
}

/** Boxes are built of several parts that go to the same place, one of them of this batch. */
const mayBox = ({ id, boxes: { atHand } }: BatchView): boolean =>
  atHand.some(
    (own) =>
      own.batchId === id &&
      atHand.some(
        (other) => other.shareId !== own.shareId && other.placeId === own.placeId && other.isDry === own.isDry,
      ),
  );

/** Filling and sealing: every share that is kept, one after the other, and the labels of what is sealed. */
export function PackShares({ view, onOpen }: { view: BatchView; onOpen: (step: StepKey) => void }) {
  const { inDegrees, inMass } = useUnits();
  const { weighed } = view;
  if (!weighed) return null;
  const kept = weighed.shares.filter((share) => share.fate !== 'today' && share.grams > 0);
  // What is to be dried is bagged once it is dry.
  const open = kept.filter((share) => !share.sealed && (share.fate !== 'dry' || share.dried));
  const drying = kept.filter((share) => !share.sealed && share.fate === 'dry' && !share.dried);
  const warm = weighed.shares.filter((share) => share.fate === 'today' && share.day === view.today);
  // A box of several shares is told once, with the first of them.
  const sealed = weighed.shares.filter((share) => weighed.packs.some((pack) => pack.shareId === share.id));
  const each = open.map((share) => (
    <section key={share.id} className={styles.pack} aria-labelledby={`share-${share.id}`}>
      <div>
        <h2 id={`share-${share.id}`}>
          {titleOf(share, view)}{' '}
          <span className="soft">
            {share.sealedPacks > 0 && share.left !== undefined
              ? `${inMass(share.left)} left of ${inMass(share.grams)}`
              : inMass(share.grams)}
          </span>
        </h2>
        <p className="note">
          {share.fate === 'dry'
            ? `${share.method}, off ${countOf(share.trays.length, 'tray')}`
            : view.apart === 'lines'
              ? 'uncooked: keep it cold until it is packed'
              : `cool it first: ${sayCoolingRule(inDegrees)}`}
        </p>
      </div>
      <Seal view={view} share={share} />
    </section>
  ));
  return (
    <div className="stack">
      {weighed.over > 0 && (
        <Caution role="status">
          Packs, trays and bowls hold {inMass(weighed.over)} more than the pot weighed, and stand: its energy is spread
          over all of it.
        </Caution>
      )}
      {weighed.off && (
        <p className="note" role="status">
          {weighed.off}
        </p>
      )}
      {warm.map((share) => (
        <p key={share.id}>
          <b>{inMass(share.left ?? share.grams)}</b> are eaten today, warm from the pot: feed them on{' '}
          <Link href="/">Today</Link>.
        </p>
      ))}
      {view.boxes.open && <Boxes key={view.boxes.open.id} view={view} />}
      {!view.boxes.open && mayBox(view) && (
        <Fold title="Build boxes of several parts" open={view.apart !== undefined}>
          <BoxesForm view={view} />
        </Fold>
      )}
      {!view.boxes.open &&
        (view.apart === 'lines' && open.length > 0 ? <Fold title="or each ingredient by itself">{each}</Fold> : each)}
      {sealed.length > 0 && (
        <section aria-labelledby="labels" className="stack">
          <h2 id="labels">Sealed: write on the labels</h2>
          <Fold title="Print them" lazy>
            <PrintLabels holdingIds={weighed.packs.map((pack) => pack.holdingId)} />
          </Fold>
          {sealed.map((share) => (
            <Sealed
              key={share.id}
              view={view}
              share={share}
              title={titleOf(share, view)}
              packs={weighed.packs.filter((pack) => pack.shareId === share.id)}
            />
          ))}
        </section>
      )}
      {sealed.length > 0 && <HowItWas view={view} />}
      {drying.length > 0 && (
        <p>
          <b>{inMass(addUp(drying, (share) => share.grams))}</b> are to be dried first{' '}
          <Button variant={open.length === 0 ? 'contained' : 'outlined'} onClick={() => onOpen('dry')}>
            Dry
          </Button>
        </p>
      )}
      {open.length === 0 && drying.length === 0 && kept.length > 0 && (
        <p className="inOrder">
          Everything is sealed. It is in the <Link href="/store">Store</Link>.
        </p>
      )}
    </div>
  );
}

function Seal({ view, share }: { view: BatchView; share: SheetShare }) {
  const { inMass } = useUnits();
  const seal = useCommand(sealShare, `seal-${share.id}-${share.sealedPacks}`);
  const count = share.proposed.length;
  const title = titleOf(share, view);
  const [onScale, setOnScale] = useState(false);
  const [packedIn, setPackedIn] = useState(NOT_SAID);
  const { packaging, how } = packedIn;
  const said = packaging === '' ? {} : { packaging };
  const trayByTray = how === 'tray by tray' && share.fate === 'dry';
  const freezer = view.places.find(({ id }) => id === share.placeId);
  const freezing =
    share.fate === 'freezer'
      ? planFreezing(
          share.proposed.map(({ grams }) => grams),
          litresOf(freezer?.capacityMl),
          share.fridgeDays,
          freezer?.taken,
        )
      : undefined;
  const sealThem = (freezeOn?: FreezingPlan['waits']) =>
    seal.run({
      batchId: view.id,
      shareId: share.id,
      ...said,
      ...(trayByTray ? { trayByTray } : {}),
      ...(freezeOn ? { freezeOn } : {}),
    });
  const isWet =
    view.weighed?.yields.find(({ place }) => place === share.yield)?.isWet === true &&
    share.fate !== 'dry' &&
    view.apart !== 'lines';
  const own = view.weighed?.packs.filter((pack) => pack.shareId === share.id) ?? [];
  // While it is filled, only the pack at hand is of interest.
  if (onScale && count > 0)
    return (
      <div className="stack">
        <FillOnScale
          packaging={packaging === '' ? undefined : packaging}
          trayByTray={trayByTray}
          view={view}
          share={share}
          sealed={own}
          isWet={isWet}
          onDone={() => setOnScale(false)}
        />
        <Problems problems={seal.atHead('damp')} />
        <AskBack command={seal} field="damp" label="Bag it all the same" answer={{ damp: true }} />
        <div>
          <Button variant="text" disabled={seal.pending} onClick={() => sealThem()}>
            {count === 1 ? 'Seal this pack' : `Seal these ${count} packs`} by target
          </Button>
        </div>
      </div>
    );
  return (
    <div className="stack">
      <PackPlanForm key={JSON.stringify(planOfShare(share))} view={view} share={share} title={title} />
      {share.problem !== undefined && <Caution role="status">{share.problem}</Caution>}
      <ol className={styles.proposed} aria-label={`Packs for: ${title}`}>
        {alike(share.proposed).map(({ pack, times }, index) => (
          <li key={index}>
            <Tub hatch={view.protein.hatch} size={30} full={pack.short ? 0.4 : 1} />
            <span>
              {times > 1 && <b>{times} × </b>}
              {pack.forWhom ?? (view.byProduct ? view.byProduct : 'anybody')} <b>{inMass(pack.grams)}</b>
              {pack.pieces !== undefined && <span className="note"> {countOf(pack.pieces, 'piece')}</span>}
              {pack.container !== undefined && <span className="note"> {pack.container}</span>}
              {pack.short && <span className="note"> short, use first</span>}
            </span>
          </li>
        ))}
      </ol>
      {isWet && count > 0 && (
        <p>
          <b>Stir it before every pack</b>, so that the liquid is shared out with the solids; or strain it, and share
          the liquid by weight on the scale.
        </p>
      )}
      {(share.spread || share.drift.length > 0) && (
        <p className="note">
          {share.spread && share.spread.most - share.spread.least >= 1
            ? `${writeKcal(share.spread.least)} to ${writeKcal(share.spread.most)} kcal a pack, ${writeKcal(share.spread.mean)} in the mean. `
            : share.spread && `${writeKcal(share.spread.mean)} kcal a pack. `}
          {share.perDog
            .filter(({ most, least, off }) => most - least >= 1 && off >= 0.001)
            .map(
              ({ name, least, most, off }) =>
                `${name}: ${writeKcal(least)} to ${writeKcal(most)} kcal, at most ${writeNumber(off * 100, 1)} % of a day off. `,
            )}
          {share.drift
            .map(
              ({ name, kcal }) =>
                `Whole pieces: ${name} gets ${kcal < 0 ? '−' : '+'}${writeKcal(Math.abs(kcal))} kcal a day`,
            )
            .join('; ')}
        </p>
      )}
      {freezing && count > 0 && <Freezing view={view} share={share} plan={freezing} />}
      {count > 0 && !view.byProduct && share.fate !== 'fridge' && (
        <PackagingFields share={share} value={packedIn} onChange={setPackedIn} />
      )}
      <Problems problems={seal.atHead('damp')} />
      <AskBack command={seal} field="damp" label="Bag it all the same" answer={{ damp: true }} />
      <div className={styles.acts}>
        {count > 0 && (
          <Button variant="contained" size="large" onClick={() => setOnScale(true)}>
            Fill {count === 1 ? 'it' : 'them'} on the scale
          </Button>
        )}
        <Button
          variant="outlined"
          size="large"
          data-next-act
          disabled={seal.pending || count === 0}
          onClick={() => sealThem()}
        >
          {count === 1 ? 'Seal this pack' : `Seal these ${count} packs`}
        </Button>
        {freezing && freezing.waits.length > 0 && !freezing.tooLong && (
          <Button variant="outlined" size="large" disabled={seal.pending} onClick={() => sealThem(freezing.waits)}>
            Seal them: {count - freezing.waits.length} into the freezer now, {freezing.waits.length} wait in the fridge
          </Button>
        )}
      </div>
    </div>
  );
}

type Proposed = SheetShare['proposed'][number];

/** Packs that are alike and follow each other said once: forty bags of one weight are one line. */
function alike(packs: readonly Proposed[]): { readonly pack: Proposed; readonly times: number }[] {
  const runs: { pack: Proposed; times: number }[] = [];
  for (const pack of packs) {
    const last = runs.at(-1);
    const same =
      last && last.pack.forWhom === pack.forWhom && last.pack.grams === pack.grams && last.pack.short === pack.short;
    if (last && same && pack.container === last.pack.container) last.times++;
    else runs.push({ pack, times: 1 });
  }
  return runs;
}
